import { type SeenAttempt, weighFaults } from './fault-priority';
import { SHIPPED_CURRICULUM as SHIPPED } from './shipped';

const made = (skillId: string, faultId: string | null, times: number): SeenAttempt[] =>
  Array.from({ length: times }, () => ({ skillId, faultId }));
const order = (...attempts: SeenAttempt[][]): string[] =>
  weighFaults(SHIPPED, attempts.flat()).map(({ fault }) => fault.id);

describe('which fault matters most', () => {
  it('is one made 3 times of 4 before one made 5 times of 60', () => {
    // Both cost as much: neither is a danger.
    const rare = [made('casting.pause', 'cast.crack', 5), made('casting.pause', null, 55)];
    const often = [made('rigging.dropper', 'rig.wrong-size', 3), made('rigging.dropper', null, 1)];
    expect(order(...rare, ...often)).toEqual(['rig.wrong-size', 'cast.crack']);
    expect(weighFaults(SHIPPED, [...rare, ...often].flat())).toMatchObject([
      { count: 3, exposed: 4, score: expect.closeTo((2 * 3.5) / 8) },
      { count: 5, exposed: 60, score: expect.closeTo((2 * 5.5) / 64) },
    ]);
  });

  it('is a danger before everything else, however seldom', () => {
    expect(
      order(
        made('casting.pause', 'cast.crack', 9),
        made('safety.hook-distance', 'safety.too-near', 1),
        made('safety.hook-distance', null, 30),
      ),
    ).toEqual(['safety.too-near', 'cast.crack']);
  });

  it('is what costs more among what is made as often, and counts where it could not belong too', () => {
    const same = [
      made('hook-setting.set-timing', 'set.break', 2),
      made('hook-setting.set-timing', 'set.late', 2),
    ];
    expect(order(...same)).toEqual(['set.break', 'set.late']);
    expect(weighFaults(SHIPPED, made('water.find-seam', 'cast.gone', 2))).toMatchObject([
      { count: 2, exposed: 2, fault: { short: 'gone' } },
    ]);
    expect(weighFaults(SHIPPED, [])).toEqual([]);
  });
});
