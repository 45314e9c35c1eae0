import type { Curriculum } from '../../curriculum';
import { drillOf } from '../carried';
import { ALONE, type Block, type PlanBody, type Staff } from '../plan';
import { type OrderRow, runningOrder } from '../running-order';
import { endOf } from '../timing';

/** A while in which an adult has a group. */
export interface StaffSpan {
  startMin: number;
  endMin: number;
  /** The blocks of that group. */
  blocks: Block[];
  /** Looks at nothing but this group; else they are within call, and others may be too. */
  eyesOn: boolean;
}

/** What one adult does during a lesson, in the order of time; where nothing is, he is free. */
export interface StaffLane {
  who: 'instructor' | 'assistant';
  spans: StaffSpan[];
}

/**
 * Who of those who teach has which group when: eyes-on drills an instructor for each, the rest shared among those who are
 * free. Who has a group keeps its students where he can. What nobody is free for is in no lane: the check tells of it.
 */
export function staffLanes(plan: PlanBody, curriculum: Curriculum): StaffLane[] {
  const { instructors, assistants } = plan.staff ?? ALONE;
  const lanes = Array.from({ length: instructors + assistants }, (_, i): StaffLane => ({
    who: i < instructors ? 'instructor' : 'assistant',
    spans: [],
  }));
  const rows = runningOrder(plan).filter(({ blocks }) => blocks[0].kind !== 'break');
  const cuts = [...new Set(rows.flatMap(({ blocks: [block] }) => [block.startMin, endOf(block)]))].sort(
    (a, b) => a - b,
  );
  cuts.slice(0, -1).forEach((startMin, i) => {
    const going = rows.filter(({ blocks: [block] }) => block.startMin <= startMin && startMin < endOf(block));
    const span = { startMin, endMin: cuts[i + 1]! };
    for (const { row, lane, eyesOn } of shared(plan, curriculum, going, lanes, startMin))
      put(lane, { ...span, blocks: row.blocks, eyesOn });
  });
  return lanes;
}

interface Share {
  row: OrderRow;
  lane: StaffLane;
  eyesOn: boolean;
}

/** Who has which of the groups that go on. */
function shared(
  plan: PlanBody,
  curriculum: Curriculum,
  going: readonly OrderRow[],
  lanes: readonly StaffLane[],
  atMin: number,
): Share[] {
  const shares: Share[] = [];
  const free = new Set(lanes);
  const knows = (lane: StaffLane, { blocks }: OrderRow): number => {
    const last = lane.spans.filter(({ endMin }) => endMin === atMin);
    return last.reduce((sum, span) => sum + alike(span.blocks, blocks, plan.groupSize), 0);
  };
  const eyesOn = (row: OrderRow): boolean => drillOf(curriculum, row.blocks[0])?.supervision === 'eyes-on';
  for (const row of going.filter(eyesOn)) {
    const most = drillOf(curriculum, row.blocks[0])?.group.max ?? plan.groupSize;
    const able = [...free]
      .filter(({ who }) => who === 'instructor')
      .sort((a, b) => knows(b, row) - knows(a, row));
    for (const lane of able.slice(0, Math.ceil(sizeOf(row.blocks, plan.groupSize) / most))) {
      shares.push({ row, lane, eyesOn: true });
      free.delete(lane);
    }
  }
  for (const row of going.filter((one) => !eyesOn(one))) {
    const has = (lane: StaffLane): number => shares.filter((share) => share.lane === lane).length;
    const [lane] = [...free].sort((a, b) => has(a) - has(b) || knows(b, row) - knows(a, row));
    if (lane) shares.push({ row, lane, eyesOn: false });
  }
  return shares;
}

/** Goes on with what he has, or begins. */
function put({ spans }: StaffLane, span: StaffSpan): void {
  const before = spans.find(({ endMin, blocks }) => endMin === span.startMin && blocks === span.blocks);
  if (before?.eyesOn === span.eyesOn) before.endMin = span.endMin;
  else spans.push(span);
}

function sizeOf(blocks: readonly Block[], groupSize: number): number {
  return blocks.some(({ lane }) => lane === null) ? groupSize : blocks.length;
}

/** How many students are in both; a little more where it is the very same. */
function alike(a: readonly Block[], b: readonly Block[], groupSize: number): number {
  const lanesOf = (blocks: readonly Block[]): number[] =>
    blocks.flatMap(({ lane }) => (lane === null ? Array.from({ length: groupSize }, (_, i) => i) : lane));
  const others = new Set(lanesOf(b));
  return lanesOf(a).filter((lane) => others.has(lane)).length + (a === b ? 0.5 : 0);
}

/** Whether more than one teaches, so that it must be said who has whom. */
export function isShared({ instructors, assistants }: Staff): boolean {
  return instructors + assistants > 1;
}
