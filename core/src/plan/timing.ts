import type { Curriculum } from '../curriculum';
import type { GearItem } from '../drill';
import type { Strand } from '../skill';
import { curriculumOf, drillOf } from './carried';
import type { Block, PlanBody } from './plan';

/** Whether two blocks ask for the same student. */
export function shareLane(a: Block, b: Block): boolean {
  return a.lane === null || b.lane === null || a.lane === b.lane;
}

/**
 * When a block ends.
 *
 * @returns minutes from the start of the lesson
 */
export function endOf(block: Block): number {
  return block.startMin + block.durationMin;
}

/**
 * Last minute of the plan, 0 when it is empty.
 *
 * @returns minutes from the start of the lesson
 */
export function planEnd(plan: PlanBody): number {
  return plan.blocks.reduce((end, block) => Math.max(end, endOf(block)), 0);
}

/**
 * Blocks in the order of time with nobody asked to be in two places: a later block is pushed back until its students
 * are free; gaps stay.
 *
 * @param placed id of a block just put somewhere; it goes before any block whose middle lies after its start
 */
export function resolveOverlaps(blocks: readonly Block[], placed: string | null = null): Block[] {
  const others = blocks
    .filter((block) => block.id !== placed)
    .sort((a, b) => a.startMin - b.startMin || laneOrder(a) - laneOrder(b));
  const moved = blocks.find((block) => block.id === placed);
  if (moved) {
    const at = others.findIndex(
      (other) => shareLane(other, moved) && other.startMin + other.durationMin / 2 > moved.startMin,
    );
    others.splice(at < 0 ? others.length : at, 0, moved);
  }
  const settled: Block[] = [];
  for (const block of others) {
    const free = settled
      .filter((other) => shareLane(other, block))
      .reduce((end, other) => Math.max(end, endOf(other)), 0);
    settled.push(free > block.startMin ? { ...block, startMin: free } : block);
  }
  return settled.sort((a, b) => a.startMin - b.startMin || laneOrder(a) - laneOrder(b));
}

function laneOrder(block: Block): number {
  return block.lane ?? -1;
}

/**
 * The blocks one place in the group goes through, in order.
 *
 * @param lane place in the group, from 0
 */
export function blocksOfLane(plan: PlanBody, lane: number): Block[] {
  return plan.blocks
    .filter((block) => block.lane === null || block.lane === lane)
    .sort((a, b) => a.startMin - b.startMin);
}

/** The strand a block belongs to; null for a break or a block without one. */
export function strandOf(curriculum: Curriculum, block: Block): Strand | null {
  if (block.kind === 'safety') return 'safety';
  return drillOf(curriculum, block)?.strand ?? null;
}

/** Share of student time by strand, breaks left out; empty for an empty plan. */
export function strandShares(curriculum: Curriculum, plan: PlanBody): { strand: Strand; share: number }[] {
  const own = curriculumOf(curriculum, plan);
  const minutes = new Map<Strand, number>();
  for (const block of plan.blocks) {
    const strand = strandOf(own, block);
    if (strand)
      minutes.set(
        strand,
        (minutes.get(strand) ?? 0) + block.durationMin * (block.lane === null ? plan.groupSize : 1),
      );
  }
  const total = [...minutes.values()].reduce((sum, value) => sum + value, 0);
  return [...minutes]
    .map(([strand, value]) => ({ strand, share: value / total }))
    .sort((a, b) => b.share - a.share);
}

/**
 * Things to pack for a plan and its plan B: every drill's gear for those who use it at the most at once, one each, one for two or one for the group,
 * and what everybody has all day for all.
 */
export function gearList(curriculum: Curriculum, plan: PlanBody): { item: string; count: number }[] {
  const own = curriculumOf(curriculum, plan);
  const gearOf = (block: Block): GearItem[] => drillOf(own, block)?.gear ?? [];
  const counts = new Map<string, number>();
  const days = [plan.blocks, plan.planB?.blocks ?? []];
  for (const { blocks, block } of days.flatMap((all) => all.map((one) => ({ blocks: all, block: one })))) {
    for (const { item, per } of gearOf(block)) {
      const users = blocks
        .filter((other) => gearOf(other).some((one) => one.item === item) && isOnAt(other, block.startMin))
        .reduce((sum, { lane }) => sum + (lane === null ? plan.groupSize : 1), 0);
      const needed = { group: 1, pair: Math.ceil(users / 2), student: users, day: plan.groupSize }[per];
      counts.set(item, Math.max(counts.get(item) ?? 0, needed));
    }
  }
  return [...counts]
    .map(([item, count]) => ({ item, count }))
    .sort((a, b) => a.item.localeCompare(b.item, 'en'));
}

function isOnAt(block: Block, minute: number): boolean {
  return block.startMin <= minute && minute < endOf(block);
}
