import fc from 'fast-check';
import { CoreError } from '../error';
import { type KeptEntry, type KeptStudent, retentionDue } from './retention-due';

const RULE = { entryMonths: 24, studentMonths: 36 };
const SAM: KeptStudent = { id: 'sam', addedOn: '2023-03-01', lastLessonOn: '2025-06-10' };
const entry = (studentId: string, day: string): KeptEntry => ({
  studentId,
  atMs: Date.parse(`${day}T10:00:00Z`),
});

describe('what is due to go', () => {
  it('is the oldest entries first, by the day on which they are old enough', () => {
    const entries = ['2023-04-02', '2024-07-01', '2025-06-10'].map((day) => entry('sam', day));
    expect(retentionDue([SAM], entries, RULE, '2025-04-01')).toEqual([
      { studentId: 'sam', what: 'entries', on: '2025-04-02', due: false, entries: 0 },
    ]);
    expect(retentionDue([SAM], entries, RULE, '2025-04-02')).toEqual([
      { studentId: 'sam', what: 'entries', on: '2025-04-02', due: true, entries: 1 },
    ]);
    expect(retentionDue([SAM], entries, RULE, '2026-07-01')[0]).toMatchObject({ due: true, entries: 2 });
  });

  it('tells entries of one day alike, one by one or counted', () => {
    const singly = ['2023-04-02', '2023-04-02', '2024-07-01'].map((day) => entry('sam', day));
    const counted = [{ ...entry('sam', '2023-04-02'), count: 2 }, entry('sam', '2024-07-01')];
    for (const today of ['2025-04-01', '2025-04-02', '2026-07-01', '2028-06-10'])
      expect(retentionDue([SAM], counted, RULE, today)).toEqual(retentionDue([SAM], singly, RULE, today));
    expect(retentionDue([SAM], counted, RULE, '2026-07-01')[0]?.entries).toBe(3);
  });

  it('is all of a student who has long not come, and nothing of one who comes yet', () => {
    const entries = [entry('sam', '2023-04-02'), entry('sam', '2025-06-10')];
    expect(retentionDue([SAM], entries, RULE, '2028-06-10')).toEqual([
      { studentId: 'sam', what: 'student', on: '2028-06-10', due: true, entries: 2 },
    ]);
    const comes = { ...SAM, lastLessonOn: '2028-07-01' };
    expect(retentionDue([comes], entries, RULE, '2028-06-10')[0]).toMatchObject({
      what: 'entries',
      due: true,
    });
  });

  it('of who never came counts from when he was written down', () =>
    expect(
      retentionDue([{ id: 'kim', addedOn: '2024-01-31', lastLessonOn: null }], [], RULE, '2026-01-01'),
    ).toEqual([{ studentId: 'kim', what: 'student', on: '2027-01-31', due: false, entries: 0 }]));

  it.each([
    ['2024-08-31', 6, '2025-02-28'],
    ['2023-08-31', 6, '2024-02-29'],
    ['2024-02-29', 12, '2025-02-28'],
    ['2024-11-15', 2, '2025-01-15'],
  ])('a month later is the same day, or the last of the month: %s and %i months', (day, months, on) =>
    expect(
      retentionDue(
        [{ id: 'kim', addedOn: day, lastLessonOn: null }],
        [],
        { entryMonths: 1, studentMonths: months },
        '2000-01-01',
      )[0]?.on,
    ).toBe(on),
  );

  it('comes by day, then by student', () =>
    expect(
      retentionDue(
        ['b', 'a', 'c'].map((id) => ({
          id,
          addedOn: id === 'c' ? '2020-01-01' : '2024-01-01',
          lastLessonOn: null,
        })),
        [],
        RULE,
        '2024-06-01',
      ).map(({ studentId }) => studentId),
    ).toEqual(['c', 'a', 'b']));

  it.each([
    [{ entryMonths: 0, studentMonths: 12 }, 'entryMonths'],
    [{ entryMonths: 6, studentMonths: 601 }, 'studentMonths'],
    [{ entryMonths: 24, studentMonths: 12 }, 'studentMonths'],
    [{ entryMonths: Number.NaN, studentMonths: 12 }, 'entryMonths'],
  ])('is not told by a rule that is none: %j', (rule, name) => {
    let thrown: unknown;
    try {
      retentionDue([], [], rule, '2026-01-01');
    } catch (error) {
      thrown = error;
    }
    expect(thrown).toBeInstanceOf(CoreError);
    expect(thrown).toMatchObject({ code: 'out-of-range', facts: { name } });
  });

  it('never says that something goes that is younger than the rule, nor keeps what is older', () => {
    const day = fc
      .integer({ min: 0, max: 4000 })
      .map((n) => new Date(n * 86_400_000 + 1.5e12).toISOString().slice(0, 10));
    fc.assert(
      fc.property(
        fc.array(day, { maxLength: 12 }),
        day,
        fc.integer({ min: 1, max: 60 }),
        (days, today, months) => {
          const student = { id: 'sam', addedOn: '2017-07-14', lastLessonOn: '2030-01-01' };
          const rule = { entryMonths: months, studentMonths: 600 };
          const [told] = retentionDue(
            [student],
            days.map((one) => entry('sam', one)),
            rule,
            today,
          );
          const older = days.filter((one) => {
            const limit = new Date(`${one}T00:00:00Z`);
            // Days at the end of a month are judged by the table above.
            if (limit.getUTCDate() > 28) return false;
            limit.setUTCMonth(limit.getUTCMonth() + months);
            return limit.toISOString().slice(0, 10) <= today;
          }).length;
          const late = days.filter((one) => Number(one.slice(8)) > 28).length;
          const entries = told?.what === 'entries' ? told.entries : 0;
          return entries >= older && entries <= older + late;
        },
      ),
    );
  });
});
