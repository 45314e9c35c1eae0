import { DRILLS, getDrill, type Drill } from '../../drill';
import { READY, SKILLS, type Skill } from '../../skill';
import type { Block } from '../plan';
import { blocksOfLane } from '../timing';
import { drillSuits } from '../edits';
import type { PlanRule, PlanSnag, PlanStudent } from './rule';

/** A skill asked for before what it rests on, by each student's own record and what this plan teaches earlier. */
export const prerequisites: PlanRule = (plan, lesson) =>
  (lesson?.students ?? []).flatMap((student, lane) => {
    const taught = new Set<string>();
    return blocksOfLane(plan, lane).flatMap((block) => {
      const drill = block.drillId ? getDrill(block.drillId) : null;
      const main = drill?.skills[0];
      const snags = drill && main ? missing(SKILLS.get(main), student, taught) : [];
      drill?.skills.forEach((id) => taught.add(id));
      return snags.length > 0 && drill ? [toSnag(block, drill, student, snags)] : [];
    });
  });

/** Skills below readiness that the wanted one rests on, nearest first, as far as nothing ready lies between. */
function missing(skill: Skill, student: PlanStudent, taught: ReadonlySet<string>): Skill[] {
  const weak = skill.needs
    .filter((id) => !taught.has(id) && (student.skills[id]?.mastery ?? 0) < READY)
    .map(SKILLS.get);
  return [...new Set([...weak, ...weak.flatMap((need) => missing(need, student, taught))])];
}

function toSnag(block: Block, drill: Drill, student: PlanStudent, gaps: Skill[]): PlanSnag {
  const nearest = gaps[0] as Skill;
  const deepest = gaps[gaps.length - 1] as Skill;
  const estimate = student.skills[nearest.id];
  const instead =
    DRILLS.find((candidate) => candidate.skills[0] === deepest.id && drillSuits(candidate, block.place)) ??
    DRILLS.find((candidate) => candidate.skills[0] === deepest.id);
  const steps = gaps.length === 1 ? 'a step' : `${gaps.length} steps`;
  return {
    id: `prerequisites/${block.id}/${student.id}`,
    rule: 'prerequisites',
    level: gaps.length > 2 ? 'stop' : 'mind',
    blockId: block.id,
    studentId: student.id,
    title: `${student.name.split(' ')[0]} is ${steps} short`,
    reason: `“${block.title}” rests on ${nearest.name.toLowerCase()}, which is ${estimate?.attempts ? `${estimate.mastery.toFixed(2)} likely from ${estimate.attempts} attempts` : 'not on the record yet'}.`,
    evidence: gaps.map((skill) => ({
      label: skill.name,
      text: `${(student.skills[skill.id]?.mastery ?? 0).toFixed(2)} of ${READY}`,
    })),
    fixes:
      instead && instead.id !== drill.id
        ? [
            {
              label: `${instead.name} instead`,
              change: {
                kind: 'edit',
                edit: {
                  kind: 'change',
                  blockId: block.id,
                  change: {
                    drillId: instead.id,
                    title: instead.name,
                    cue: instead.cue,
                    watchFor: instead.watchFor,
                    place: drillSuits(instead, block.place)
                      ? block.place
                      : instead.ground === 'grass'
                        ? 'grass'
                        : 'anywhere',
                  },
                },
              },
            },
          ]
        : [],
  };
}
