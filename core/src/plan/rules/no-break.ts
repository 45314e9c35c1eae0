import { deterministicId } from '../../random';
import { plainBlock } from '../edits';
import type { Block, PlanBody } from '../plan';
import { BREAK_MIN } from '../schedule/genes';
import { tiredUntil } from '../schedule/parts/attention';
import { blocksOfLane, endOf } from '../timing';
import type { PlanProblem, PlanRule } from './rule';

/** Beyond what is good without a break so long is let go, minutes. */
const SLACK_MIN = 15;

/** Nobody goes on for long without a break; time in which nothing is planned is one too. */
export const noBreak: PlanRule = (plan, lesson) => {
  const long = Array.from({ length: plan.groupSize }, (_, lane) => stretchOf(blocksOfLane(plan, lane)));
  const worst = long.reduce((one, other) =>
    other.endMin - other.startMin > one.endMin - one.startMin ? other : one,
  );
  if (tiredUntil(worst.endMin - worst.startMin) <= SLACK_MIN) return [];
  return [
    {
      ...{ id: 'no-break', rule: 'no-break', level: 'tip', studentId: null },
      facts: {
        minutes: worst.endMin - worst.startMin,
        names: long.flatMap(({ startMin, endMin }, lane) =>
          tiredUntil(endMin - startMin) > SLACK_MIN ? (lesson?.students[lane]?.name ?? []) : [],
        ),
      },
      blockIds: [],
      fixes: fixOf(plan, worst),
    },
  ];
};

interface Stretch {
  startMin: number;
  endMin: number;
}

/** The longest time that a student goes on in. */
function stretchOf(blocks: readonly Block[]): Stretch {
  let [longest, now]: Stretch[] = [
    { startMin: 0, endMin: 0 },
    { startMin: 0, endMin: 0 },
  ];
  for (const block of blocks) {
    if (block.kind === 'break') continue;
    now =
      block.startMin - now!.endMin < BREAK_MIN
        ? { ...now!, endMin: Math.max(now!.endMin, endOf(block)) }
        : { startMin: block.startMin, endMin: endOf(block) };
    if (now.endMin - now.startMin > longest!.endMin - longest!.startMin) longest = now;
  }
  return longest!;
}

/** A break nearest the middle of it, at a minute at which nobody is in the midst of anything. */
function fixOf({ blocks }: PlanBody, { startMin, endMin }: Stretch): PlanProblem['fixes'] {
  const middle = (startMin + endMin) / 2;
  const between = blocks
    .map(endOf)
    .filter((atMin) => atMin > startMin && atMin < endMin)
    .filter((atMin) => !blocks.some((block) => block.startMin < atMin && atMin < endOf(block)))
    .sort((a, b) => Math.abs(a - middle) - Math.abs(b - middle));
  const [atMin] = between;
  const before = blocks.find((block) => endOf(block) === atMin);
  if (atMin === undefined || !before) return [];
  const id = deterministicId(`break:${atMin}:${blocks.map((block) => block.id).join()}`);
  return [
    {
      does: { breakAfter: before.title },
      change: {
        kind: 'edit',
        edit: {
          kind: 'all',
          edits: [
            { kind: 'shift', fromMin: atMin, byMin: BREAK_MIN },
            { kind: 'add', block: plainBlock('break', 'Break', id, atMin, BREAK_MIN) },
          ],
        },
      },
    },
  ];
}
