import type { Curriculum } from '../../curriculum';
import { type Drill, mainSkillOf } from '../../drill';
import { READY, type Skill } from '../../skill';
import { drillOf } from '../carried';
import { drillSuits, type PlanEdit } from '../edits';
import type { Block, PlanBody } from '../plan';
import { blocksOfLane } from '../timing';
import type { PlanLesson, PlanRule, PlanProblem, PlanStudent } from './rule';

/** With more skills seen and not held than this a drill is too early. A rule of thumb. */
const MAX_SEEN_GAPS = 2;

/** A student who lacks what a drill rests on. */
interface Short {
  student: PlanStudent;
  block: Block;
  /** Missing skills, nearest first. */
  gaps: Skill[];
}

/**
 * A skill asked for before what it rests on, by each student's own record and what this plan teaches earlier. One problem
 * a drill, however many students and blocks it concerns.
 */
export const prerequisites: PlanRule = (plan, lesson, curriculum) =>
  [...(lesson ? shortsByDrill(curriculum, plan, lesson) : [])].map(([drillId, shorts]) =>
    toProblem(curriculum, curriculum.drills.get(drillId), shorts),
  );

function shortsByDrill(
  curriculum: Curriculum,
  plan: PlanBody,
  { students }: PlanLesson,
): Map<string, Short[]> {
  const shorts = new Map<string, Short[]>();
  students.forEach((student, lane) => {
    const taught = new Set<string>();
    for (const block of blocksOfLane(plan, lane)) {
      const drill = drillOf(curriculum, block);
      const gaps = drill
        ? missing(curriculum, curriculum.skills.get(mainSkillOf(drill)), student, taught)
        : [];
      drill?.trains.forEach(({ skillId }) => taught.add(skillId));
      if (drill && gaps.length > 0)
        shorts.set(drill.id, [...(shorts.get(drill.id) ?? []), { student, block, gaps }]);
    }
  });
  return shorts;
}

/** Skills below readiness that the wanted one rests on, nearest first, as far as nothing ready lies between. */
function missing(
  { skills }: Pick<Curriculum, 'skills'>,
  skill: Skill,
  student: PlanStudent,
  taught: ReadonlySet<string>,
): Skill[] {
  const weak = skill.needs
    .filter((id) => !taught.has(id) && (student.skills[id]?.mastery ?? 0) < READY)
    .map(skills.get);
  return [...new Set([...weak, ...weak.flatMap((need) => missing({ skills }, need, student, taught))])];
}

/** What nobody has seen of a student speaks against nothing: it is a thing to look at first. */
function levelOf(shorts: readonly Short[]): PlanProblem['level'] {
  const seen = shorts.map(
    ({ student, gaps }) => gaps.filter(({ id }) => (student.skills[id]?.attempts ?? 0) > 0).length,
  );
  const most = Math.max(...seen);
  return most > MAX_SEEN_GAPS ? 'must-fix' : most > 0 ? 'check' : 'tip';
}

function toProblem(curriculum: Curriculum, drill: Drill, shorts: Short[]): PlanProblem {
  const worst = shorts.reduce((most, short) => (short.gaps.length > most.gaps.length ? short : most));
  const students = [...new Set(shorts.map(({ student }) => student))];
  const blocks = [...new Map(shorts.map(({ block }) => [block.id, block])).values()];
  return {
    id: `prerequisites/${drill.id}`,
    rule: 'prerequisites',
    level: levelOf(shorts),
    blockIds: blocks.map(({ id }) => id),
    studentId: students.length === 1 ? worst.student.id : null,
    facts: {
      drill: drill.name,
      students: shorts.map(({ student, gaps }) => ({
        name: student.name,
        gaps: gaps.map(({ id, name }) => ({
          skill: name,
          mastery: student.skills[id]?.mastery ?? 0,
          attempts: student.skills[id]?.attempts ?? 0,
        })),
      })),
    },
    fixes: insteadOf(curriculum, blocks, drill, worst.gaps.at(-1) as Skill),
  };
}

/** A drill that teaches the deepest gap, on the same place where there is one, in all blocks concerned. */
function insteadOf(
  { drills }: Curriculum,
  blocks: readonly Block[],
  drill: Drill,
  gap: Skill,
): PlanProblem['fixes'] {
  const suits = (candidate: Drill): boolean => blocks.every(({ place }) => drillSuits(candidate, place));
  const teaching = drills.all.filter((candidate) => mainSkillOf(candidate) === gap.id);
  const instead = teaching.find(suits) ?? teaching[0];
  if (!instead || instead.id === drill.id) return [];
  const elsewhere = instead.ground === 'grass' ? 'grass' : 'anywhere';
  const edits = blocks.map(({ id: blockId, place }): PlanEdit => ({
    kind: 'change',
    blockId,
    change: {
      drillId: instead.id,
      title: instead.name,
      cue: instead.cue,
      watchFor: instead.watchFor,
      place: drillSuits(instead, place) ? place : elsewhere,
    },
  }));
  return [{ does: { drill: instead.name }, change: { kind: 'edit', edit: { kind: 'all', edits } } }];
}
