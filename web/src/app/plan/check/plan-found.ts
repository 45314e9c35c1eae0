import { computed, type Signal } from '@angular/core';
import {
  type Curriculum,
  curriculumOf,
  type PlanBody,
  type PlanProblem,
  runningOrder,
  strandOf,
  type UnitSystem,
} from '@doceo/core';
import { planProblemInWords } from '@doceo/texts';
import type { BlockMark } from './plan-check.component';

const COUNTED = [
  ['must-fix', 'must fix'],
  ['check', 'check'],
] as const;

/** What the check of a plan finds, in words, and by which marks its blocks are known there. */
export function planFound({
  shown,
  found,
  curriculum,
  units,
}: {
  shown: Signal<PlanBody | null>;
  found: Signal<readonly PlanProblem[]>;
  curriculum: Signal<Curriculum>;
  units: Signal<UnitSystem>;
}) {
  const order = computed(() => runningOrder(shown() ?? { blocks: [] }));
  const problems = computed(() => found().map((problem) => planProblemInWords(problem, units())));
  return {
    order,
    problems,
    /** How many there are of what must be done and of what is to be checked, where there are any. */
    counts: computed(() =>
      COUNTED.map(([level, word]) => ({
        level,
        word,
        count: problems().filter((problem) => problem.level === level).length,
      })).filter(({ count }) => count > 0),
    ),
    /** Numbers of the blocks in the running order. */
    marks: computed<ReadonlyMap<string, BlockMark>>(() => {
      const own = curriculumOf(curriculum(), shown() ?? {});
      return new Map(
        order().flatMap(({ number, blocks }) =>
          blocks.map((block): [string, BlockMark] => {
            const strand = strandOf(own, block);
            return [block.id, { number, strandClass: strand ? `strand-fill strand-${strand}` : 'rest' }];
          }),
        ),
      );
    }),
    /** Blocks that something is wrong with. */
    flagged: computed(
      () => new Set(problems().flatMap(({ blockIds, level }) => (level === 'tip' ? [] : blockIds))),
    ),
  };
}
