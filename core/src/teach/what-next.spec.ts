import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import fc from 'fast-check';
import { mainSkillOf } from '../drill';

import { skillState, type SkillAttempt } from '../skill';
import type { GroundKind } from '../water';
import { whatNext, whatNextForGroup } from './what-next';

const NOW = 1_000_000;
const goods = (skillId: string, n: number, good = true): SkillAttempt[] =>
  Array.from({ length: n }, (_, i) => ({ id: `${skillId}${i}`, atMs: i, skillId, good }));
const state = (...attempts: SkillAttempt[][]): ReturnType<typeof skillState> =>
  skillState(SHIPPED.skills.all, attempts.flat(), NOW);
const groundsOf = fc.subarray<GroundKind>(['grass', 'river', 'stillwater']);

describe('what to teach next', () => {
  it('offers only what the place and the time allow', () => {
    fc.assert(
      fc.property(groundsOf, fc.integer({ min: 0, max: 60 }), (grounds, minutes) => {
        for (const { drill } of whatNext(SHIPPED, state(), grounds, minutes)) {
          expect(drill.minutes.min).toBeLessThanOrEqual(minutes);
          expect([...grounds, 'anywhere']).toContain(drill.ground);
        }
      }),
    );
  });

  it('comes best first, never negative, never more than the drill’s skills could rise', () => {
    const skills = fc.constantFrom(...SHIPPED.skills.all.map(({ id }) => id));
    fc.assert(
      fc.property(fc.array(fc.tuple(skills, fc.boolean()), { maxLength: 40 }), (taps) => {
        const attempts = taps.map(([skillId, good], i) => ({ id: `${i}`, atMs: i, skillId, good }));
        const advice = whatNext(
          SHIPPED,
          skillState(SHIPPED.skills.all, attempts, NOW),
          ['grass', 'river', 'stillwater'],
          20,
        );
        const rates = advice.map(({ gainPerMin }) => gainPerMin);
        expect(rates).toEqual([...rates].sort((a, b) => b - a));
        for (const { gain, drill } of advice) {
          expect(gain).toBeGreaterThan(0);
          expect(gain).toBeLessThanOrEqual(drill.trains.length);
        }
      }),
    );
  });

  it('gives nothing when there is no time', () =>
    expect(whatNext(SHIPPED, state(), ['grass'], 2)).toEqual([]));

  it('turns from what is mastered to what rests on it', () => {
    const first = (attempts: SkillAttempt[][]): string[] =>
      whatNext(SHIPPED, state(...attempts), ['grass'], 15)
        .filter(({ drill }) => drill.strand === 'casting')
        .slice(0, 2)
        .map(({ drill }) => mainSkillOf(drill));
    expect(first([])).toContain('casting.grip-stance');
    const further = first([goods('casting.grip-stance', 12), goods('casting.straight-path', 12)]);
    expect(further).not.toContain('casting.grip-stance');
    expect(further).toContain('casting.stop');
  });

  it('says why: from how many attempts, and what the skill holds back', () => {
    const advice = whatNext(SHIPPED, state(goods('casting.pause', 6, false)), ['grass'], 15);
    const pause = advice.find(({ drill }) => mainSkillOf(drill) === 'casting.pause');
    expect(pause?.because).toEqual({ skill: 'Pause', goods: 0, attempts: 6, fault: null });
    expect(pause?.opens.length).toBeGreaterThan(0);
  });

  it('expects more of longer practice, up to the drill’s likely time', () => {
    const gain = (minutes: number): number =>
      whatNext(SHIPPED, state(), ['grass'], minutes).find(({ drill }) => drill.id === 'grip-and-stance')
        ?.gain ?? 0;
    const drill = SHIPPED.drills.all.find(
      ({ id }) => id === 'grip-and-stance',
    ) as (typeof SHIPPED.drills.all)[number];
    expect(gain(drill.minutes.min)).toBeLessThan(gain(drill.minutes.likely));
    expect(gain(drill.minutes.likely)).toBe(gain(60));
  });
});

describe('what to teach a group next', () => {
  const beginner = state();
  const caster = state(
    ...['grip-stance', 'straight-path', 'stop', 'pause', 'pick-up-lay-down'].map((name) =>
      goods(`casting.${name}`, 15),
    ),
  );

  it('sums what each would gain, and names those it is for', () => {
    const advice = whatNextForGroup(SHIPPED, [beginner, caster], ['grass'], 15);
    for (const { drill, gain, gainers } of advice) {
      const alone = [beginner, caster].map(
        (one) =>
          whatNext(SHIPPED, one, ['grass'], 15).find((found) => found.drill.id === drill.id)?.gain ?? 0,
      );
      expect(gain).toBeCloseTo((alone[0] ?? 0) + (alone[1] ?? 0), 9);
      expect(gainers).toEqual([0, 1].filter((i) => (alone[i] ?? 0) >= 0.05));
    }
    const grip = advice.find(({ drill }) => drill.id === 'grip-and-stance');
    expect(grip?.gainers).toEqual([0]);
  });

  it('is the student’s own list when there is one', () =>
    expect(whatNextForGroup(SHIPPED, [caster], ['grass'], 15).map(({ drill }) => drill.id)).toEqual(
      whatNext(SHIPPED, caster, ['grass'], 15).map(({ drill }) => drill.id),
    ));

  it('is nothing for nobody', () => expect(whatNextForGroup(SHIPPED, [], ['grass'], 15)).toEqual([]));
});

describe('what is known besides', () => {
  const crack = SHIPPED.faults.get('cast.crack');
  const near = { fault: SHIPPED.faults.get('safety.too-near'), count: 3, exposed: 4, score: 2.2 };
  const place = (besides: Parameters<typeof whatNext>[4], id: string): number =>
    whatNext(SHIPPED, state(), ['grass'], 15, besides).findIndex(({ drill }) => drill.id === id);
  const worth = (besides: Parameters<typeof whatNext>[4], id: string): number =>
    whatNext(SHIPPED, state(), ['grass'], 15, besides).find(({ drill }) => drill.id === id)?.worth ?? 0;

  it('lifts the drill that looks out for a fault, and says which', () => {
    expect(place({ faults: [near] }, 'hats-and-glasses')).toBeLessThanOrEqual(place({}, 'hats-and-glasses'));
    expect(worth({ faults: [near] }, 'hats-and-glasses')).toBeCloseTo(
      worth({}, 'hats-and-glasses') * (1 + 2.2 / 2 / 5),
      9,
    );
    expect(worth({ faults: [near] }, 'hoops')).toBe(worth({}, 'hoops'));
    const told = whatNext(SHIPPED, state(), ['grass'], 15, {
      faults: [{ fault: crack, count: 3, exposed: 4, score: 0.9 }],
    }).find(({ drill }) => drill.id === 'count-the-pause');
    expect(told?.because.fault).toEqual({ short: 'Forward too soon', count: 3, exposed: 4 });
  });

  it('lifts a drill that worked better than drills do, and lowers one that worked worse, as far as it was tried', () => {
    const effect = (drillId: string, mean: number, n: number) => ({
      ...{ drillId, n, students: 5, attempts: 9 * n, good: null },
      rise: { mean, low: mean, high: mean },
    });
    const effects = [effect('count-the-pause', 0.3, 10), effect('stop-and-say', 0.1, 10)];
    expect(worth({ effects }, 'count-the-pause')).toBeCloseTo(1.25 * worth({}, 'count-the-pause'), 9);
    expect(worth({ effects }, 'stop-and-say')).toBeCloseTo(0.75 * worth({}, 'stop-and-say'), 9);
    expect(worth({ effects }, 'hoops')).toBe(worth({}, 'hoops'));
  });
});
