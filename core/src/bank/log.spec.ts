import fc from 'fast-check';
import type { BankEvent } from './event';
import { attemptsOf, faultAttemptsOf, activeEvents } from './log';

const attempt = (id: string, atMs: number, clockAheadMs?: number): BankEvent => ({
  id,
  lessonId: 'lesson',
  studentId: 'sam',
  blockId: null,
  deviceId: 'device',
  atMs,
  ...(clockAheadMs === undefined ? {} : { clockAheadMs }),
  body: { kind: 'attempt', skillId: 'casting.pause', drillId: null, good: false, faultId: 'cast.crack' },
});

describe('events of a clock that was wrong', () => {
  it('stand at the time when they happened, among those of clocks that were right', () => {
    const events = [
      attempt('ahead', 9_000_100, 9_000_000),
      attempt('right', 200),
      attempt('behind', -300, -600),
    ];
    expect(activeEvents(events).map(({ id, atMs }) => [id, atMs])).toEqual([
      ['ahead', 100],
      ['right', 200],
      ['behind', 300],
    ]);
    expect(attemptsOf(events, 'sam').map(({ atMs }) => atMs)).toEqual([100, 200, 300]);
    expect(faultAttemptsOf(events, 'sam').map(({ atMs }) => atMs)).toEqual([100, 200, 300]);
  });

  it('count as if they had come from a right one, whatever the difference', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 1e9 }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: -1e12, max: 1e12 }),
        (times, ahead) => {
          const right = times.map((atMs, i) => attempt(`e${i}`, atMs));
          const wrong = times.map((atMs, i) => attempt(`e${i}`, atMs + ahead, ahead));
          expect(attemptsOf(wrong, 'sam')).toEqual(attemptsOf(right, 'sam'));
        },
      ),
    );
  });

  it('are left as they were sent', () => {
    const event = attempt('e', 500, 100);
    activeEvents([event]);
    expect(event.atMs).toBe(500);
  });
});
