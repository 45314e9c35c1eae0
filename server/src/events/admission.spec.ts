import type { SavedStudent } from '@doceo/contract';
import { type BankEvent, curriculumOf } from '@doceo/core';
import { SHIPPED_CURRICULUM } from '@doceo/core/shipped';
import fc from 'fast-check';
import { admit as admitArrivals, type AdmissionFacts, type LessonFacts, readArrivals } from './admission';

const LESSON = 'lesson';
const lesson = (studentIds: string[]): LessonFacts => ({ startsAt: '2026-06-10T07:30:00Z', studentIds });
const student = (
  id: string,
  bornOn: string | null,
  guardianConsentOn: string | null = null,
): SavedStudent => ({
  id,
  mine: true,
  student: {
    name: id,
    bornOn,
    saidAdult: false,
    hand: 'right',
    heightM: null,
    needs: [],
    note: '',
    guardianName: '',
    guardianContact: '',
    guardianConsentOn,
  },
});
const facts = (stored: [string, string][] = []): AdmissionFacts => ({
  lessons: new Map([LESSON, 'second'].map((id) => [id, lesson(['adult', 'child', 'unknown-age'])])),
  students: new Map(
    [
      student('adult', '1980-01-01'),
      student('child', '2012-01-01'),
      student('unknown-age', null),
      student('away', '1980-01-01'),
    ].map((one) => [one.id, one]),
  ),
  stored: new Map(stored),
  curricula: new Map([LESSON, 'second'].map((id) => [id, SHIPPED_CURRICULUM])),
});
const event = (id: string, rest: Partial<BankEvent> = {}): BankEvent => ({
  id,
  lessonId: LESSON,
  studentId: 'adult',
  blockId: null,
  deviceId: 'd',
  atMs: 1,
  body: { kind: 'note', text: id, aboutId: null },
  ...rest,
});
const undo = (id: string, targetId: string, rest: Partial<BankEvent> = {}): BankEvent =>
  event(id, { body: { kind: 'undo', targetId }, ...rest });

const admit = (events: BankEvent[], known: AdmissionFacts) => {
  const sorted = admitArrivals(
    events.map((one, index) => ({ index, sentId: one.id, event: one })),
    known,
  );
  return { ...sorted, fresh: sorted.fresh.map((arrival) => arrival.event) };
};

describe('admission of bank book events', () => {
  it.each<[string, BankEvent, AdmissionFacts, string]>([
    ['of a lesson that is not mine', event('a', { lessonId: 'elsewhere' }), facts(), 'no-lesson'],
    ['of a student I do not know', event('a', { studentId: 'nobody' }), facts(), 'no-student'],
    ['of a student who is not in the lesson', event('a', { studentId: 'away' }), facts(), 'no-student'],
    ['of a minor without consent', event('a', { studentId: 'child' }), facts(), 'no-consent'],
    ['of somebody whose age nobody said', event('a', { studentId: 'unknown-age' }), facts(), 'no-consent'],
    ['with the id of another lesson’s event', event('a'), facts([['a', 'second']]), 'id-taken'],
    ['that takes back another lesson’s event', undo('u', 'a'), facts([['a', 'second']]), 'no-target'],
  ])('refuses one %s', (_, one, known, code) => {
    const { fresh, refused } = admit([one], known);
    expect(fresh).toEqual([]);
    expect(refused.map((refusal) => [refusal.id, refusal.code])).toEqual([[one.id, code]]);
    expect(refused[0]?.message.length).toBeGreaterThan(10);
  });

  it.each<[string, BankEvent]>([
    ['of an adult', event('a')],
    ['of the whole group', event('a', { studentId: null })],
    ['that takes back what has not come yet', undo('u', 'later')],
  ])('takes one %s', (_, one) => expect(admit([one], facts()).fresh).toEqual([one]));

  it('takes a minor’s once consent is on file', () => {
    const known = facts();
    const consented = {
      ...known,
      students: new Map([['child', student('child', '2012-01-01', '2026-06-01')]]),
    };
    expect(admit([event('a', { studentId: 'child' })], consented).fresh).toHaveLength(1);
  });

  it('counts age on the day of the lesson', () => {
    const turning = { ...facts(), students: new Map([['child', student('child', '2008-06-10')]]) };
    expect(admit([event('a', { studentId: 'child' })], turning).fresh).toHaveLength(1);
    const dayLater = { ...facts(), students: new Map([['child', student('child', '2008-06-11')]]) };
    expect(admit([event('a', { studentId: 'child' })], dayLater).refused[0]?.code).toBe('no-consent');
  });

  it('sorts every event into exactly one heap, and stores none twice', () => {
    const ids = fc.constantFrom('a', 'b', 'c', 'd', 'e');
    fc.assert(
      fc.property(
        fc.array(fc.tuple(ids, fc.constantFrom(LESSON, 'elsewhere')), { maxLength: 12 }),
        fc.uniqueArray(ids),
        (sent, before) => {
          const events = sent.map(([id, lessonId]) => event(id, { lessonId }));
          const { fresh, known, refused } = admit(events, facts(before.map((id) => [id, LESSON])));
          expect(fresh.length + known.length + refused.length).toBe(events.length);
          expect(new Set(fresh.map(({ id }) => id)).size).toBe(fresh.length);
          for (const { id } of fresh) expect(before).not.toContain(id);
        },
      ),
    );
  });

  describe('of what is not taught', () => {
    const attempt = {
      kind: 'attempt' as const,
      skillId: 'casting.pause',
      drillId: null,
      good: false,
      faultId: null,
    };
    const told = (body: BankEvent['body'], given = facts()) => {
      const { fresh, refused } = admit([event('a', { body })], given);
      return fresh.length > 0 ? 'fresh' : refused.map(({ code, issues }) => [code, issues[0]?.path]).flat();
    };

    it.each([
      ['skill', { ...attempt, skillId: 'casting.gone' }, 'body.skillId'],
      ['drill', { ...attempt, drillId: 'gone' }, 'body.drillId'],
      ['fault', { ...attempt, faultId: 'gone' }, 'body.faultId'],
    ])('names the %s', (_, body, path) => expect(told(body)).toEqual(['invalid', path]));

    it('takes what the plan of the lesson carries, and what was stored before', () => {
      const gone = { ...attempt, drillId: 'ours' };
      const drill = { ...SHIPPED_CURRICULUM.drills.get('hoops'), id: 'ours' };
      const carries = { skills: [], faults: [], drills: [drill] };
      const curricula = new Map([[LESSON, curriculumOf(SHIPPED_CURRICULUM, { carries })]]);
      expect(told(gone, { ...facts(), curricula })).toBe('fresh');
      expect(admit([event('a', { body: gone })], facts([['a', LESSON]])).refused).toEqual([]);
    });
  });

  describe('reads each by itself', () => {
    const ID = '11111111-1111-4111-8111-111111111111';
    const good = {
      id: ID,
      lessonId: ID,
      studentId: null,
      blockId: null,
      deviceId: ID,
      atMs: 1,
      body: { kind: 'note', text: 'fine', aboutId: null },
    };
    it.each<[string, unknown, string]>([
      ['half an emoji', { ...good, body: { ...good.body, text: 'a fine one \ud83c' } }, 'body.text'],
      ['a kind nobody knows', { ...good, body: { kind: 'song' } }, 'body.kind'],
      ['nothing', null, ''],
      ['an id that is no text', { ...good, id: { toString: 1 } }, 'id'],
    ])('and names %s', (_, value, path) => {
      const { arrivals, refused } = readArrivals([good, value, { ...good, id: ID.replace('1', '2') }]);
      expect(arrivals).toHaveLength(2);
      expect(refused).toEqual([expect.objectContaining({ index: 1, code: 'invalid' })]);
      expect(refused[0]?.issues[0]?.path).toBe(path);
    });

    it('takes capitals in an id for the same id, and answers with what was sent', () => {
      const sent = 'ABCDEFAB-1111-4111-8111-111111111111';
      const { arrivals } = readArrivals([{ ...good, id: sent }]);
      expect(arrivals).toEqual([
        { index: 0, sentId: sent, event: expect.objectContaining({ id: sent.toLowerCase() }) },
      ]);
    });
  });
});
