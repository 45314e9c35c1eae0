import type { Curriculum } from '../curriculum';
import { planEnd, type PlanBody, type PlanLesson, type PlanProblem, planProblems } from '../plan';

/** Whether a student can begin with a plan: something it rests on is known to be weak, or nobody has looked yet. */
type Readiness = 'ready' | 'needs-first' | 'look-first';

/** From the shallowest to the deepest, metres. */
interface Depths {
  lowM: number;
  highM: number;
}

/** How a plan suits a lesson, part by part. */
export interface LibraryFit {
  verdict: 'fits' | 'with-changes' | 'other-water';
  /** In the order of the lanes; `first` are the names of the skills that he needs before, nearest first. */
  students: { id: string; name: string; readiness: Readiness; first: string[] }[];
  water: {
    kindFits: boolean;
    /** Kinds of place that it asks for and the water has not. */
    missing: string[];
    /** For which its rigs are tied; null where it has none. */
    wants: Depths | null;
    /** What there is; null where nobody said it. */
    has: Depths | null;
    depthFits: boolean;
  };
  /** Minutes that its blocks take, and that there are. */
  time: { takesMin: number; hasMin: number };
  group: { plannedFor: number; comes: number };
  /** What the check finds otherwise, plain numbers. */
  check: { mustFix: number; check: number };
  /** For sorting: less is better; a plain number, 0 for a plan that fits and fills the time. */
  strain: number;
}

/** What counts how much when plans are sorted by fit. Rules of thumb: another water outweighs anything else. */
const STRAIN = { otherWater: 40, depth: 15, place: 4, needsFirst: 3, lookFirst: 0.5, mustFix: 3, check: 1 };
/** Minutes too many, and minutes that nothing is done with, that strain as much as one thing to check. */
const OVER_MIN = 10;
const IDLE_MIN = 45;

/**
 * How well a plan suits a lesson: by its group, water and time, and what the check says of it there.
 *
 * @param minutes how long the lesson is, minutes
 * @param has depths at the place, null while nobody said them
 */
export function libraryFit(
  curriculum: Curriculum,
  plan: PlanBody,
  lesson: PlanLesson,
  minutes: number,
  has: Depths | null,
): LibraryFit {
  const problems = planProblems(curriculum, plan, lesson);
  const wants = depthsOf(plan);
  const kindFits = plan.waterKind === 'any' || plan.waterKind === lesson.water.kind;
  const depthFits = !wants || !has || (wants.lowM <= has.highM && wants.highM >= has.lowM);
  const students = lesson.students.map(({ id, name }) => ({ id, name, ...readinessOf(name, problems) }));
  const missing = [...new Set(problems.flatMap(missingPlace))];
  const others = problems.filter(({ rule }) => !TOLD_APART.has(rule));
  const check = {
    mustFix: others.filter(({ level }) => level === 'must-fix').length,
    check: others.filter(({ level }) => level === 'check').length,
  };
  const takesMin = planEnd(plan);
  const fitting = students.every(({ readiness }) => readiness !== 'needs-first');
  const isFit = fitting && missing.length === 0 && takesMin <= minutes && check.mustFix === 0;
  const count = (readiness: Readiness): number =>
    students.filter((student) => student.readiness === readiness).length;
  return {
    verdict: !kindFits || !depthFits ? 'other-water' : isFit ? 'fits' : 'with-changes',
    ...{ students, check },
    water: { kindFits, missing, wants, has, depthFits },
    time: { takesMin, hasMin: minutes },
    group: { plannedFor: plan.groupSize, comes: lesson.students.length },
    strain:
      (kindFits ? 0 : STRAIN.otherWater) +
      (depthFits ? 0 : STRAIN.depth) +
      missing.length * STRAIN.place +
      count('needs-first') * STRAIN.needsFirst +
      count('look-first') * STRAIN.lookFirst +
      check.mustFix * STRAIN.mustFix +
      check.check * STRAIN.check +
      Math.max(0, takesMin - minutes) / OVER_MIN +
      Math.max(0, minutes - takesMin) / IDLE_MIN,
  };
}

/** What has a part of its own in the fit, and is not counted a second time. */
const TOLD_APART: ReadonlySet<PlanProblem['rule']> = new Set(['prerequisites', 'place-missing', 'over-time']);

function depthsOf({ rigs }: PlanBody): Depths | null {
  const depths = rigs.map(({ rig }) => rig.waterDepthM);
  return depths.length === 0 ? null : { lowM: Math.min(...depths), highM: Math.max(...depths) };
}

/** By what the record shows: a skill that was seen and is weak is needed first, one that nobody saw is looked at first. */
function readinessOf(
  name: string,
  problems: readonly PlanProblem[],
): { readiness: Readiness; first: string[] } {
  const gaps = problems.flatMap((problem) =>
    problem.rule === 'prerequisites'
      ? problem.facts.students.filter((student) => student.name === name).flatMap((student) => student.gaps)
      : [],
  );
  const seen = gaps.filter(({ attempts }) => attempts > 0);
  if (gaps.length === 0) return { readiness: 'ready', first: [] };
  return seen.length > 0
    ? { readiness: 'needs-first', first: [...new Set(seen.map(({ skill }) => skill))] }
    : { readiness: 'look-first', first: [...new Set(gaps.map(({ skill }) => skill))] };
}

function missingPlace(problem: PlanProblem): string[] {
  return problem.rule === 'place-missing' && problem.facts.place === 'none' ? [problem.facts.kind] : [];
}
