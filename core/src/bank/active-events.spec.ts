import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import fc from 'fast-check';
import { attemptsOf, type BankEvent, drillCount, activeEvents } from '.';

describe('bank book', () => {
  const event = (id: string, atMs: number, body: BankEvent['body']): BankEvent => ({
    id,
    lessonId: 'l',
    studentId: 's',
    blockId: null,
    deviceId: 'd',
    atMs,
    body,
  });
  const tap = (id: string, atMs: number, good: boolean): BankEvent =>
    event(id, atMs, {
      kind: 'attempt',
      skillId: 'casting.stop',
      drillId: 'stop-and-say',
      good,
      faultId: null,
    });
  const undo = (id: string, targetId: string): BankEvent => event(id, 99, { kind: 'undo', targetId });

  it('keeps each event once, whatever the order and however often it comes', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(['a', 'b', 'c', 'd', 'u', 'v'], { minLength: 6 }), (order) => {
        const all: Record<string, BankEvent> = {
          a: tap('a', 1, true),
          b: tap('b', 2, false),
          c: tap('c', 3, true),
          d: tap('d', 4, true),
          u: undo('u', 'b'),
          v: undo('v', 'c'),
        };
        const arrived = [...order, ...order].map((id) => all[id] as BankEvent);
        return (
          activeEvents(arrived)
            .map(({ id }) => id)
            .join() === 'a,d'
        );
      }),
    );
  });

  it('brings back what an undone undo took away', () =>
    expect(activeEvents([tap('a', 1, true), undo('u', 'a'), undo('w', 'u')]).map(({ id }) => id)).toEqual([
      'a',
    ]));

  it('gives attempts of one student only', () =>
    expect(attemptsOf([tap('a', 1, true), { ...tap('b', 2, true), studentId: 'other' }], 's')).toHaveLength(
      1,
    ));

  it('counts the last attempts against the drill’s criterion', () => {
    const events = Array.from({ length: 12 }, (_, i) => tap(`${String(i).padStart(2, '0')}`, i, i > 3));
    expect(drillCount(events, 's', SHIPPED.drills.get('stop-and-say'))).toMatchObject({
      goods: 8,
      wanted: 8,
      of: 10,
      done: true,
    });
    expect(drillCount(events.slice(0, 8), 's', SHIPPED.drills.get('stop-and-say'))).toMatchObject({
      goods: 4,
      done: false,
    });
  });
});
