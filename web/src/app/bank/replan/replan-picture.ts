import { type Block, blocksOfLane, type Curriculum, endOf, type PlanBody, strandOf } from '@doceo/core';

/** A stretch of one of the two columns. */
export interface Stretch {
  key: string;
  title: string;
  minutes: number;
  strandClass: string;
  top: number;
  height: number;
}

/** A line beside the columns: what became of something. */
export interface PictureLine {
  key: string;
  title: string;
  note: string;
  what: 'kept' | 'changed' | 'dropped' | 'comes';
  top: number;
}

/** The rest of a day as it was planned and as it is proposed, beside each other to one scale. */
export interface ReplanPicture {
  planned: Stretch[];
  proposed: Stretch[];
  /** Water from a planned stretch to what became of it; those that run out are dashed. */
  flows: { path: string; dropped: boolean; strandClass: string }[];
  lines: PictureLine[];
  heightPx: number;
  /** Ends of both columns, pixels, and when, minutes. */
  plannedEnd: { top: number; min: number };
  proposedEnd: { top: number; min: number };
}

/** Columns of minutes, pixels: where each begins, and how wide it is. */
export const PLANNED_X = 0;
export const PROPOSED_X = 106;
export const COLUMN_PX = 50;
/** Height of the picture that is aimed at, and of a line beside it. */
const AIM_PX = 330;
const LINE_PX = 44;
/** A stretch is never lower than this: its minutes have to be read. */
const LEAST_PX = 20;

/** @param lane whose day it is, his place in the group from 0 */
export function replanPicture(
  curriculum: Curriculum,
  before: PlanBody,
  after: PlanBody,
  { lane, fromMin }: { lane: number; fromMin: number },
): ReplanPicture {
  const now = blocksOfLane(after, lane).filter((block) => block.startMin >= fromMin);
  const done = new Set(
    blocksOfLane(after, lane)
      .filter((block) => block.startMin < fromMin)
      .map(({ id }) => id),
  );
  const was = blocksOfLane(before, lane).filter(({ id }) => !done.has(id));
  const minutes = (list: readonly Block[]): number =>
    list.reduce((sum, { durationMin }) => sum + durationMin, 0);
  const pxPerMin = AIM_PX / Math.max(30, minutes(was), minutes(now));
  const planned = stacked(curriculum, was, pxPerMin);
  const proposed = stacked(curriculum, now, pxPerMin);
  const sameOf = (block: Block): number =>
    now.findIndex((one) => one.id === block.id || (one.drillId !== null && one.drillId === block.drillId));
  const flows: ReplanPicture['flows'] = [];
  const lines: PictureLine[] = [];
  const met = new Set<number>();
  let reached = 0;
  was.forEach((block, i) => {
    const from = planned[i]!;
    const at = sameOf(block);
    const to = at < 0 || met.has(at) ? null : proposed[at]!;
    if (to) {
      met.add(at);
      const fewer = from.minutes - to.minutes;
      flows.push({ path: flow(from, to), dropped: false, strandClass: from.strandClass });
      lines.push({
        ...{ key: from.key, title: from.title, top: to.top },
        what: fewer === 0 ? 'kept' : 'changed',
        note:
          fewer === 0
            ? `${to.minutes} min, kept`
            : `${to.minutes} min, ${Math.abs(fewer)} ${fewer > 0 ? 'shorter' : 'longer'}`,
      });
      reached = Math.max(reached, to.top + to.height);
    } else {
      flows.push({ path: throat(from, reached), dropped: true, strandClass: from.strandClass });
      lines.push({ key: from.key, title: from.title, top: reached, what: 'dropped', note: 'left out today' });
    }
  });
  proposed.forEach((to, at) => {
    if (met.has(at)) return;
    lines.push({
      key: to.key,
      title: to.title,
      top: to.top,
      what: 'comes',
      note: `${to.minutes} min, instead`,
    });
  });
  const beside = spread(lines);
  const bottom = (list: readonly Stretch[]): number => {
    const last = list.at(-1);
    return last ? last.top + last.height : 0;
  };
  return {
    ...{ planned, proposed, flows, lines: beside },
    heightPx: Math.max(bottom(planned), bottom(proposed), (beside.at(-1)?.top ?? 0) + LINE_PX) + 26,
    plannedEnd: { top: bottom(planned), min: fromMin + minutes(was) },
    proposedEnd: {
      top: bottom(proposed),
      min: now.reduce((end, block) => Math.max(end, endOf(block)), fromMin),
    },
  };
}

function stacked(curriculum: Curriculum, blocks: readonly Block[], pxPerMin: number): Stretch[] {
  let top = 0;
  return blocks.map((block) => {
    const strand = strandOf(curriculum, block);
    const height = Math.max(LEAST_PX, block.durationMin * pxPerMin);
    const stretch = {
      ...{ key: block.id, title: block.title, minutes: block.durationMin, top, height },
      strandClass: strand ? `strand-fill strand-${strand}` : 'rest',
    };
    top += height + 2;
    return stretch;
  });
}

/** Water between the two columns. */
function flow(from: Stretch, to: Stretch): string {
  const [left, right] = [PLANNED_X + COLUMN_PX, PROPOSED_X];
  const middle = (left + right) / 2;
  return (
    `M${left} ${from.top}C${middle} ${from.top} ${middle} ${to.top} ${right} ${to.top}` +
    `V${to.top + to.height}C${middle} ${to.top + to.height} ${middle} ${from.top + from.height} ${left} ${from.top + from.height}Z`
  );
}

/** What is dropped runs out into a line. */
function throat(from: Stretch, top: number): string {
  const [left, right] = [PLANNED_X + COLUMN_PX, PROPOSED_X];
  const middle = (left + right) / 2;
  return (
    `M${left} ${from.top}C${middle} ${from.top} ${middle} ${top} ${right} ${top}H${right + COLUMN_PX}` +
    `M${left} ${from.top + from.height}C${middle} ${from.top + from.height} ${middle} ${top} ${right} ${top}`
  );
}

/** Lines in the order of their height, none over another. */
function spread(lines: readonly PictureLine[]): PictureLine[] {
  let free = 0;
  return [...lines]
    .sort((a, b) => a.top - b.top)
    .map((line) => {
      const top = Math.max(free, line.top);
      free = top + LINE_PX;
      return { ...line, top };
    });
}
