import {
  type Curriculum,
  effectFactor,
  faultFactor,
  type MeasuredDrill,
  type WeighedFault,
} from '../curriculum';
import { type Drill, mainSkillOf } from '../drill';
import { READY, type SkillState } from '../skill';
import type { GroundKind } from '../water';

/** What is known besides of a student and of the drills; each part may be left out. */
export interface KnownBesides {
  /** The student's faults. */
  faults?: readonly WeighedFault[];
  /** How well drills worked for others before. */
  effects?: readonly MeasuredDrill[];
}

export interface DrillAdvice {
  drill: Drill;
  /** Expected rise of mastery, summed over the drill's skills, in the likely minutes. */
  gain: number;
  gainPerMin: number;
  /** What ranks it: the gain a minute, more for faults it looks out for, more or less by how well it worked. */
  worth: number;
  /** Names of skills that this one holds back. */
  opens: string[];
  /** Why: what the record says of its main skill, and a fault of his that it looks out for. */
  because: {
    skill: string;
    goods: number;
    attempts: number;
    fault: { short: string; count: number; exposed: number } | null;
  };
}

/**
 * Drills ranked by what they are worth a minute to one student.
 *
 * Expected mastery after n attempts is 1 − (1 − p)(1 − T)ⁿ with p the present mastery and T the learning probability:
 * seeing the attempts changes what is known, not its mean. The gain is scaled by the mastery of the weakest
 * prerequisite, since a skill is hardly learned before what it rests on; each skill gets its share of the attempts, and a side skill counts half.
 *
 * A drill that looks out for the student's faults counts for more, by what they cost and how often he makes them; one that
 * was seen to work better or worse than drills commonly do counts for as much more or less, as far as it was tried.
 *
 * @param grounds what the place offers; `anywhere` is always in
 * @param minutes time left; drills whose least time is longer are left out
 */
export function whatNext(
  curriculum: Curriculum,
  state: SkillState,
  grounds: readonly GroundKind[],
  minutes: number,
  besides: KnownBesides = {},
): DrillAdvice[] {
  return curriculum.drills.all
    .filter(
      (drill) =>
        drill.minutes.min <= minutes && (drill.ground === 'anywhere' || grounds.includes(drill.ground)),
    )
    .map((drill) => advise(curriculum, drill, state, Math.min(minutes, drill.minutes.likely), besides))
    .filter((advice) => advice.gain > 0)
    .sort((a, b) => b.worth - a.worth || (a.drill.id < b.drill.id ? -1 : 1));
}

/** What the rise of a side skill counts against that of the main one. A rule of thumb. */
const SIDE = 0.5;

export interface GroupAdvice {
  drill: Drill;
  /** Expected rise of mastery, summed over all students. */
  gain: number;
  gainPerMin: number;
  worth: number;
  /** Which students gain enough for it to be theirs, by their place in the list. */
  gainers: number[];
}

/** Expected rise below which a drill is not for a student. */
const WORTH = 0.05;

/** Drills ranked by what the whole group is expected to gain per minute, each student doing it at his own place. */
export function whatNextForGroup(
  curriculum: Curriculum,
  states: readonly SkillState[],
  grounds: readonly GroundKind[],
  minutes: number,
  besides: readonly KnownBesides[] = [],
): GroupAdvice[] {
  const byDrill = new Map<string, GroupAdvice>();
  states.forEach((state, student) => {
    for (const { drill, gain, gainPerMin, worth } of whatNext(
      curriculum,
      state,
      grounds,
      minutes,
      besides[student],
    )) {
      const sum = byDrill.get(drill.id) ?? { drill, gain: 0, gainPerMin: 0, worth: 0, gainers: [] };
      byDrill.set(drill.id, {
        drill,
        gain: sum.gain + gain,
        gainPerMin: sum.gainPerMin + gainPerMin,
        worth: sum.worth + worth,
        gainers: gain >= WORTH ? [...sum.gainers, student] : sum.gainers,
      });
    }
  });
  return [...byDrill.values()].sort((a, b) => b.worth - a.worth || (a.drill.id < b.drill.id ? -1 : 1));
}

function advise(
  { skills }: Curriculum,
  drill: Drill,
  state: SkillState,
  minutes: number,
  { faults = [], effects = [] }: KnownBesides,
): DrillAdvice {
  const attempts = drill.attemptsPerMin * minutes;
  const gain = drill.trains.reduce(
    (sum, { skillId, share }, index) =>
      sum + (index === 0 ? 1 : SIDE) * expectedGain(skills, skillId, state, attempts * share),
    0,
  );
  const main = skills.get(mainSkillOf(drill));
  const estimate = state[main.id];
  const opens = estimate && estimate.mastery < READY ? skills.opens(main.id).map((skill) => skill.name) : [];
  const watched = faults.find(({ fault }) => drill.watchFor.includes(fault.id));
  return {
    drill,
    gain,
    gainPerMin: gain / minutes,
    worth: (gain / minutes) * faultFactor(drill, faults) * effectFactor(drill, effects),
    opens,
    because: {
      ...{ skill: main.name, goods: estimate?.goods ?? 0, attempts: estimate?.attempts ?? 0 },
      fault: watched ? { short: watched.fault.short, count: watched.count, exposed: watched.exposed } : null,
    },
  };
}

function expectedGain(
  skills: Curriculum['skills'],
  skillId: string,
  state: SkillState,
  attempts: number,
): number {
  const estimate = state[skillId];
  if (!estimate) return 0;
  return readiness(skills, skillId, state) * (1 - estimate.mastery) * (1 - (1 - estimate.learn) ** attempts);
}

/**
 * Mastery of the weakest thing a skill rests on. What nobody has seen is the less likely the more it rests on that nobody
 * has seen either; what was seen speaks for all below it.
 */
function readiness(skills: Curriculum['skills'], skillId: string, state: SkillState): number {
  const held = (id: string): number => {
    const { mastery = 0, attempts = 0 } = state[id] ?? {};
    return attempts > 0 ? mastery : mastery * readiness(skills, id, state);
  };
  return Math.min(1, ...skills.get(skillId).needs.map(held));
}
