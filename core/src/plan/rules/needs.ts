import { adapt } from '../../adapt';
import type { Curriculum } from '../../curriculum';
import { limitsOf } from '../../need';
import { drillOf } from '../carried';
import type { Block, PlanBody } from '../plan';
import { blocksOfLane } from '../timing';
import { wadesIn } from '../wades';
import type { NeedBlock, PlanProblem, PlanRule, PlanStudent } from './rule';

/** Minutes by which a block may be longer than a need allows before it is said. */
const SLACK_MIN = 2;

/** Blocks that ask a student for more line, more minutes, deeper water or another drill than his needs allow. */
export const needs: PlanRule = (plan, lesson, curriculum) =>
  (lesson?.students ?? []).flatMap((student, lane): PlanProblem[] => {
    const asked = blocksOfLane(plan, lane).flatMap((block) =>
      asksTooMuch(curriculum, block, student).map((facts) => ({ block, facts })),
    );
    if (asked.length === 0) return [];
    return [
      {
        id: `needs/${student.id}`,
        rule: 'needs',
        // What can be bent on the spot is a tip; what cannot be done by him is to be looked at before the day.
        level: asked.some(({ facts }) => facts.asks === 'other-drill' || facts.asks === 'wading')
          ? 'check'
          : 'tip',
        blockIds: [...new Set(asked.map(({ block }) => block.id))],
        studentId: student.id,
        facts: {
          name: student.name,
          needs: student.needs ?? [],
          blocks: asked.map(({ facts }) => facts),
        },
        fixes: fixesFor(curriculum, plan, student, lane),
      },
    ];
  });

function asksTooMuch(curriculum: Curriculum, block: Block, { needs: own = [] }: PlanStudent): NeedBlock[] {
  const drill = drillOf(curriculum, block);
  if (!drill || own.length === 0) return [];
  const adapted = adapt(curriculum, drill, own);
  if (adapted.instead) return [{ asks: 'other-drill', block: block.title, drill: adapted.drill.name }];
  const { wadeM } = limitsOf(own);
  const wades = wadeM === 0 && wadesIn(curriculum, block);
  const most = Math.round((adapted.minutes / drill.minutes.likely) * drill.minutes.max);
  return [
    ...(wades ? [{ asks: 'wading' as const, block: block.title, wadeM }] : []),
    ...(adapted.lineOutM < drill.lineOutM
      ? [{ asks: 'line' as const, block: block.title, lineOutM: drill.lineOutM, allowedM: adapted.lineOutM }]
      : []),
    ...(adapted.minutes < drill.minutes.likely && block.durationMin > most + SLACK_MIN
      ? [{ asks: 'minutes' as const, block: block.title, minutes: block.durationMin, allowedMin: most }]
      : []),
  ];
}

/** Another drill in his own blocks, where his needs ask for one; a block of the group is not changed for one of them. */
function fixesFor(
  curriculum: Curriculum,
  plan: PlanBody,
  { needs: own = [] }: PlanStudent,
  lane: number,
): PlanProblem['fixes'] {
  return blocksOfLane(plan, lane).flatMap((block): PlanProblem['fixes'] => {
    const drill = drillOf(curriculum, block);
    const adapted = drill && adapt(curriculum, drill, own);
    if (!adapted?.instead || block.lane === null) return [];
    const { id: drillId, name: title, cue, watchFor } = adapted.drill;
    return [
      {
        does: { drill: title },
        change: {
          kind: 'edit',
          edit: { kind: 'change', blockId: block.id, change: { drillId, title, cue, watchFor } },
        },
      },
    ];
  });
}
