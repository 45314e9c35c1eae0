import { type Drill, DRILLS } from '../drill';
import { READY, SKILLS, type SkillState } from '../skill';
import type { GroundKind } from '../water';

export interface DrillAdvice {
  drill: Drill;
  /** Expected rise of mastery, summed over the drill's skills, in the likely minutes. */
  gain: number;
  gainPerMin: number;
  /** Names of skills that this one holds back. */
  opens: string[];
  reason: string;
}

/**
 * Drills ranked by expected gain per minute for one student.
 *
 * Expected mastery after n attempts is 1 − (1 − p)(1 − T)ⁿ with p the present mastery and T the learning probability:
 * seeing the attempts changes what is known, not its mean. The gain is scaled by the mastery of the weakest
 * prerequisite, since a skill is hardly learned before what it rests on; side skills of a drill count half.
 *
 * @param grounds what the place offers; `anywhere` is always in
 * @param minutes time left; drills whose least time is longer are left out
 */
export function whatNext(state: SkillState, grounds: readonly GroundKind[], minutes: number): DrillAdvice[] {
  return DRILLS.filter(
    (drill) =>
      drill.minutes.min <= minutes && (drill.ground === 'anywhere' || grounds.includes(drill.ground)),
  )
    .map((drill) => advise(drill, state, Math.min(minutes, drill.minutes.likely)))
    .filter((advice) => advice.gain > 0)
    .sort((a, b) => b.gainPerMin - a.gainPerMin || (a.drill.id < b.drill.id ? -1 : 1));
}

export interface GroupAdvice {
  drill: Drill;
  /** Expected rise of mastery, summed over all students. */
  gain: number;
  gainPerMin: number;
  /** Which students gain enough for it to be theirs, by their place in the list. */
  gainers: number[];
}

/** Expected rise below which a drill is not for a student. */
const WORTH = 0.05;

/** Drills ranked by what the whole group is expected to gain per minute, each student doing it at his own place. */
export function whatNextForGroup(
  states: readonly SkillState[],
  grounds: readonly GroundKind[],
  minutes: number,
): GroupAdvice[] {
  const byDrill = new Map<string, GroupAdvice>();
  states.forEach((state, student) => {
    for (const { drill, gain, gainPerMin } of whatNext(state, grounds, minutes)) {
      const sum = byDrill.get(drill.id) ?? { drill, gain: 0, gainPerMin: 0, gainers: [] };
      byDrill.set(drill.id, {
        drill,
        gain: sum.gain + gain,
        gainPerMin: sum.gainPerMin + gainPerMin,
        gainers: gain >= WORTH ? [...sum.gainers, student] : sum.gainers,
      });
    }
  });
  return [...byDrill.values()].sort(
    (a, b) => b.gainPerMin - a.gainPerMin || (a.drill.id < b.drill.id ? -1 : 1),
  );
}

function advise(drill: Drill, state: SkillState, minutes: number): DrillAdvice {
  const attempts = drill.attemptsPerMin * minutes;
  const gain = drill.skills.reduce(
    (sum, id, index) =>
      sum + (index === 0 ? 1 : 0.5) * expectedGain(id, state, attempts / drill.skills.length),
    0,
  );
  const main = SKILLS.get(drill.skills[0] as string);
  const estimate = state[main.id];
  const opens = estimate && estimate.mastery < READY ? SKILLS.opens(main.id).map((skill) => skill.name) : [];
  const now = estimate?.attempts
    ? `${main.name}: ${estimate.goods} good of ${estimate.attempts}`
    : `${main.name}: not seen yet`;
  return {
    drill,
    gain,
    gainPerMin: gain / minutes,
    opens,
    reason: `${now}${opens.length > 0 ? `; it holds back ${opens.join(', ').toLowerCase()}` : ''}.`,
  };
}

function expectedGain(skillId: string, state: SkillState, attempts: number): number {
  const estimate = state[skillId];
  if (!estimate) return 0;
  const readiness = Math.min(1, ...SKILLS.get(skillId).needs.map((need) => state[need]?.mastery ?? 0));
  return readiness * (1 - estimate.mastery) * (1 - (1 - estimate.learn) ** attempts);
}
