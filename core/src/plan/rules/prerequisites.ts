import { DRILLS, getDrill, type Drill } from '../../drill';
import { READY, SKILLS, type Skill } from '../../skill';
import { formatProbability } from '../../units';
import { drillSuits } from '../edits';
import type { Block, PlanBody } from '../plan';
import { blocksOfLane } from '../timing';
import type { PlanFix, PlanLesson, PlanRule, PlanSnag, PlanStudent } from './rule';

/** A student who lacks what a block's drill rests on. */
interface Short {
  student: PlanStudent;
  /** Missing skills, nearest first. */
  gaps: Skill[];
}

/** A skill asked for before what it rests on, by each student's own record and what this plan teaches earlier. */
export const prerequisites: PlanRule = (plan, lesson) => {
  const shorts = lesson ? shortsByBlock(plan, lesson) : new Map<string, Short[]>();
  return plan.blocks.flatMap((block) => {
    const short = shorts.get(block.id);
    return short && block.drillId ? [toSnag(block, getDrill(block.drillId), short)] : [];
  });
};

function shortsByBlock(plan: PlanBody, { students }: PlanLesson): Map<string, Short[]> {
  const shorts = new Map<string, Short[]>();
  students.forEach((student, lane) => {
    const taught = new Set<string>();
    for (const block of blocksOfLane(plan, lane)) {
      const drill = block.drillId ? getDrill(block.drillId) : null;
      const main = drill?.skills[0];
      const gaps = main ? missing(SKILLS.get(main), student, taught) : [];
      drill?.skills.forEach((id) => taught.add(id));
      if (gaps.length > 0) shorts.set(block.id, [...(shorts.get(block.id) ?? []), { student, gaps }]);
    }
  });
  return shorts;
}

/** Skills below readiness that the wanted one rests on, nearest first, as far as nothing ready lies between. */
function missing(skill: Skill, student: PlanStudent, taught: ReadonlySet<string>): Skill[] {
  const weak = skill.needs
    .filter((id) => !taught.has(id) && (student.skills[id]?.mastery ?? 0) < READY)
    .map(SKILLS.get);
  return [...new Set([...weak, ...weak.flatMap((need) => missing(need, student, taught))])];
}

function toSnag(block: Block, drill: Drill, shorts: Short[]): PlanSnag {
  const worst = shorts.reduce((most, short) => (short.gaps.length > most.gaps.length ? short : most));
  const nearest = worst.gaps[0] as Skill;
  const estimate = worst.student.skills[nearest.id];
  const steps = worst.gaps.length === 1 ? 'a step' : `${worst.gaps.length} steps`;
  const differ = shorts.some(({ gaps }) => gaps.length !== worst.gaps.length);
  const alone = shorts.length === 1;
  return {
    id: `prerequisites/${block.id}`,
    rule: 'prerequisites',
    level: worst.gaps.length > 2 ? 'stop' : 'mind',
    blockId: block.id,
    studentId: alone ? worst.student.id : null,
    title: `${listed(shorts.map(({ student }) => student.name.split(' ')[0] ?? ''))} ${alone ? 'is' : 'are'} ${differ ? 'up to ' : ''}${steps} short`,
    reason: `“${block.title}” rests on ${nearest.name.toLowerCase()}, which is ${estimate?.attempts ? `${formatProbability(estimate.mastery)} likely for ${worst.student.name} from ${estimate.attempts} attempts` : `not on ${worst.student.name}’s record yet`}.`,
    evidence: shorts.flatMap(({ student, gaps }) =>
      gaps.map((skill) => ({
        label: alone ? skill.name : `${student.name.split(' ')[0]}, ${skill.name.toLowerCase()}`,
        text: `${formatProbability(student.skills[skill.id]?.mastery ?? 0)} of ${READY}`,
      })),
    ),
    fixes: insteadOf(block, drill, worst.gaps.at(-1) as Skill),
  };
}

/** A drill that teaches the deepest gap, on the same place where there is one. */
function insteadOf(block: Block, drill: Drill, gap: Skill): PlanSnag['fixes'] {
  const teaching = DRILLS.filter((candidate) => candidate.skills[0] === gap.id);
  const instead = teaching.find((candidate) => drillSuits(candidate, block.place)) ?? teaching[0];
  if (!instead || instead.id === drill.id) return [];
  const place = drillSuits(instead, block.place)
    ? block.place
    : instead.ground === 'grass'
      ? 'grass'
      : 'anywhere';
  const change: PlanFix = {
    kind: 'edit',
    edit: {
      kind: 'change',
      blockId: block.id,
      change: {
        drillId: instead.id,
        title: instead.name,
        cue: instead.cue,
        watchFor: instead.watchFor,
        place,
      },
    },
  };
  return [{ label: `${instead.name} instead`, change }];
}

/** `Sam`, `Sam and Noor`, `Sam, Noor and Petra`. */
function listed(names: readonly string[]): string {
  return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}
