import fc from 'fast-check';
import { DRILLS } from '../drill';
import { SKILLS, skillState, type SkillAttempt } from '../skill';
import type { GroundKind } from '../water';
import { whatNext, whatNextForGroup } from './what-next';

const NOW = 1_000_000;
const goods = (skillId: string, n: number, good = true): SkillAttempt[] =>
  Array.from({ length: n }, (_, i) => ({ id: `${skillId}${i}`, atMs: i, skillId, good }));
const state = (...attempts: SkillAttempt[][]): ReturnType<typeof skillState> =>
  skillState(SKILLS, attempts.flat(), NOW);
const groundsOf = fc.subarray<GroundKind>(['grass', 'river', 'stillwater']);

describe('what to teach next', () => {
  it('offers only what the place and the time allow', () => {
    fc.assert(
      fc.property(groundsOf, fc.integer({ min: 0, max: 60 }), (grounds, minutes) => {
        for (const { drill } of whatNext(state(), grounds, minutes)) {
          expect(drill.minutes.min).toBeLessThanOrEqual(minutes);
          expect([...grounds, 'anywhere']).toContain(drill.ground);
        }
      }),
    );
  });

  it('comes best first, never negative, never more than the drill’s skills could rise', () => {
    const skills = fc.constantFrom(...SKILLS.skills.map(({ id }) => id));
    fc.assert(
      fc.property(fc.array(fc.tuple(skills, fc.boolean()), { maxLength: 40 }), (taps) => {
        const attempts = taps.map(([skillId, good], i) => ({ id: `${i}`, atMs: i, skillId, good }));
        const advice = whatNext(skillState(SKILLS, attempts, NOW), ['grass', 'river', 'stillwater'], 20);
        const rates = advice.map(({ gainPerMin }) => gainPerMin);
        expect(rates).toEqual([...rates].sort((a, b) => b - a));
        for (const { gain, drill } of advice) {
          expect(gain).toBeGreaterThan(0);
          expect(gain).toBeLessThanOrEqual(1 + 0.5 * (drill.skills.length - 1));
        }
      }),
    );
  });

  it('gives nothing when there is no time', () => expect(whatNext(state(), ['grass'], 2)).toEqual([]));

  it('turns from what is mastered to what rests on it', () => {
    const first = (attempts: SkillAttempt[][]): string[] =>
      whatNext(state(...attempts), ['grass'], 15)
        .filter(({ drill }) => drill.strand === 'casting')
        .slice(0, 2)
        .map(({ drill }) => drill.skills[0] as string);
    expect(first([])).toContain('casting.grip-stance');
    const further = first([goods('casting.grip-stance', 12), goods('casting.straight-path', 12)]);
    expect(further).not.toContain('casting.grip-stance');
    expect(further).toContain('casting.stop');
  });

  it('says why: from how many attempts, and what the skill holds back', () => {
    const advice = whatNext(state(goods('casting.pause', 6, false)), ['grass'], 15);
    const pause = advice.find(({ drill }) => drill.skills[0] === 'casting.pause');
    expect(pause?.reason).toMatch(/^Pause: \d good of 6; it holds back /);
    expect(pause?.opens.length).toBeGreaterThan(0);
  });

  it('expects more of longer practice, up to the drill’s likely time', () => {
    const gain = (minutes: number): number =>
      whatNext(state(), ['grass'], minutes).find(({ drill }) => drill.id === 'grip-and-stance')?.gain ?? 0;
    const drill = DRILLS.find(({ id }) => id === 'grip-and-stance') as (typeof DRILLS)[number];
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
    const advice = whatNextForGroup([beginner, caster], ['grass'], 15);
    for (const { drill, gain, gainers } of advice) {
      const alone = [beginner, caster].map(
        (one) => whatNext(one, ['grass'], 15).find((found) => found.drill.id === drill.id)?.gain ?? 0,
      );
      expect(gain).toBeCloseTo((alone[0] ?? 0) + (alone[1] ?? 0), 9);
      expect(gainers).toEqual([0, 1].filter((i) => (alone[i] ?? 0) >= 0.05));
    }
    const grip = advice.find(({ drill }) => drill.id === 'grip-and-stance');
    expect(grip?.gainers).toEqual([0]);
  });

  it('is the student’s own list when there is one', () =>
    expect(whatNextForGroup([caster], ['grass'], 15).map(({ drill }) => drill.id)).toEqual(
      whatNext(caster, ['grass'], 15).map(({ drill }) => drill.id),
    ));

  it('is nothing for nobody', () => expect(whatNextForGroup([], ['grass'], 15)).toEqual([]));
});
