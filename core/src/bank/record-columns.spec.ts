import fc from 'fast-check';
import { inOrder } from '../skill';
import type { BankEvent, BankEventBody } from './event';
import { evidenceOf, overviewOf } from './evidence-of';
import { fromColumns, namedIn, toColumns } from './record-columns';

const tried = (good: boolean, skillId = 'casting.pause'): BankEventBody => ({
  kind: 'attempt',
  ...{ skillId, drillId: 'count-the-pause', good, faultId: good ? null : 'cast.crack' },
});
const entry = (n: number, body: BankEventBody, atMs = n * 1000, lessonId = 'l1'): BankEvent => ({
  ...{ id: `e${n}`, lessonId, studentId: 'sam', blockId: null, deviceId: '', atMs, body },
});
const BODIES: BankEventBody[] = [
  tried(true),
  tried(false),
  tried(true, 'water.seams'),
  { kind: 'tangle', seconds: 40 },
  { kind: 'fish', species: 'trout', lengthCm: 30, outcome: 'to-hand' },
  { kind: 'miss', cause: 'late' },
  { kind: 'note', text: 'tired', aboutId: null },
  { kind: 'undo', targetId: 'e0' },
];

describe('a record in columns', () => {
  it('says the same of lessons and entries once', () => {
    const columns = toColumns([
      entry(0, tried(true)),
      entry(1, tried(false)),
      entry(2, tried(true), 9000, 'l2'),
    ]);
    expect(columns).toEqual({
      lessons: ['l1', 'l2'],
      bodies: [tried(true), tried(false)],
      ids: ['e0', 'e1', 'e2'],
      afterMs: [0, 1000, 8000],
      lesson: [0, 0, 1],
      body: [0, 1, 0],
    });
  });

  it('names what was tried and what went wrong', () => {
    expect(namedIn(toColumns(BODIES.slice(0, 3).map((body, i) => entry(i, body))))).toEqual([
      'cast.crack',
      'casting.pause',
      'count-the-pause',
      'water.seams',
    ]);
    expect(namedIn(toColumns([]))).toEqual([]);
  });

  it('gives back what counts of any record, in order, and the same columns again', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            of: fc.nat(BODIES.length - 1),
            atMs: fc.nat(1e9),
            lesson: fc.constantFrom('l1', 'l2'),
          }),
          { maxLength: 40 },
        ),
        (seen) => {
          const events = seen.map(({ of, atMs, lesson }, i) =>
            entry(i, BODIES[of] as BankEventBody, atMs, lesson),
          );
          const back = fromColumns('sam', toColumns(events));
          expect(back).toEqual(inOrder(overviewOf(events)));
          expect(toColumns(back)).toEqual(toColumns(events));
          expect(evidenceOf(back, 'sam').length).toBe(evidenceOf(events, 'sam').length);
        },
      ),
      { seed: 7 },
    );
  });
});
