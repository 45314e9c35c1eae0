import { correctedEntry, type EntryChange, firstEntries, type Writing } from './correct';
import type { BankEvent } from './event';
import { activeEvents } from './log';

let ids = 0;
const writing = (rest: Partial<Writing> = {}): Writing => ({
  newId: () => `new${(ids += 1)}`,
  deviceId: 'mine',
  nowMs: 90_000,
  aheadMs: 0,
  ...rest,
});
const attempt: BankEvent = {
  id: 'a',
  lessonId: 'l',
  studentId: 'sam',
  blockId: 'b',
  deviceId: 'theirs',
  atMs: 5000,
  body: {
    kind: 'attempt',
    skillId: 'casting.pause',
    drillId: 'count-the-pause',
    good: false,
    faultId: 'cast.crack',
  },
};
const after = (change: EntryChange, entry = attempt, rest: Partial<Writing> = {}): BankEvent[] =>
  activeEvents([entry, ...correctedEntry(entry, change, writing(rest))]);

describe('an entry that was wrong', () => {
  it.each<[string, EntryChange, object]>([
    ['was good', { as: 'good' }, { good: true, faultId: null }],
    ['was another fault', { as: 'fault', faultId: 'cast.pile' }, { good: false, faultId: 'cast.pile' }],
    ['was no good, nobody knows why', { as: 'fault', faultId: null }, { good: false, faultId: null }],
  ])('%s: stands so at its time, once', (_, change, body) => {
    const standing = after(change);
    expect(standing).toHaveLength(1);
    expect(standing[0]).toMatchObject({
      atMs: 5000,
      studentId: 'sam',
      blockId: 'b',
      body: { ...body, skillId: 'casting.pause', corrects: 'a' },
    });
  });

  it('may have been somebody else’s, or none', () => {
    expect(after({ as: 'other-student', studentId: 'noor' })).toMatchObject([
      { studentId: 'noor', atMs: 5000 },
    ]);
    expect(after({ as: 'did-not-count' })).toEqual([]);
    const fish: BankEvent = {
      ...attempt,
      body: { kind: 'fish', species: 'grayling', lengthCm: 30, outcome: 'to-hand' },
    };
    expect(after({ as: 'other-student', studentId: 'noor' }, fish)).toMatchObject([
      { studentId: 'noor', body: fish.body },
    ]);
    expect(after({ as: 'good' }, fish)).toEqual([fish]);
  });

  it('keeps its time on a device whose clock is ahead', () => {
    const [, instead] = correctedEntry(attempt, { as: 'good' }, writing({ aheadMs: 3_600_000 }));
    // As the server tells it afterwards.
    const told = { ...instead, clockAheadMs: 3_600_000 } as BankEvent;
    expect(activeEvents([told])[0]?.atMs).toBe(5000);
  });

  it('stays readable below what stands, however often it is corrected', () => {
    const first = correctedEntry(attempt, { as: 'good' }, writing());
    const [now] = activeEvents([attempt, ...first]) as [BankEvent];
    const second = correctedEntry(now, { as: 'fault', faultId: 'cast.pile' }, writing());
    const all = [attempt, ...first, ...second];
    const [last] = activeEvents(all) as [BankEvent];
    expect(
      firstEntries(all)
        .get(last.id)
        ?.map(({ id }) => id),
    ).toEqual([now.id, 'a']);
    expect(firstEntries([attempt]).size).toBe(0);
    const circle = { ...attempt, body: { ...attempt.body, corrects: 'a' } } as BankEvent;
    expect(firstEntries([circle]).size).toBe(0);
  });
});
