import { CoreError } from '../error';
import type { Curriculum } from '../curriculum';
import type { Drill } from '../drill';
import { groundSuits, type PlaceKind } from '../water';
import { carrying, curriculumOf, drillOf } from './carried';
import { type Block, type BlockKind, type PlanBody, STEP_MIN } from './plan';
import { blocksOfLane, endOf, planEnd, resolveOverlaps, shareLane } from './timing';

/** Everything that can be done to a plan. Each edit is data, so that a fix can carry one. */
export type PlanEdit =
  | { kind: 'add'; block: Block }
  | { kind: 'remove'; blockId: string }
  | { kind: 'move'; blockId: string; startMin: number; lane: number | null }
  | { kind: 'resize'; blockId: string; durationMin: number }
  | { kind: 'reorder'; blockId: string; direction: -1 | 1 }
  | {
      kind: 'change';
      blockId: string;
      change: Partial<Omit<Block, 'id' | 'startMin' | 'durationMin' | 'lane'>>;
    }
  /** All that begins at a minute or later, but for what is locked. */
  | { kind: 'shift'; fromMin: number; byMin: number }
  | { kind: 'fit' }
  | { kind: 'all'; edits: PlanEdit[] }
  | { kind: 'set'; change: Partial<Omit<PlanBody, 'blocks'>> };

const DEFAULT_PLACE: Record<Drill['ground'], PlaceKind> = {
  anywhere: 'anywhere',
  grass: 'grass',
  river: 'run',
  stillwater: 'margin',
};

/**
 * A new block made from a drill.
 *
 * @param lane place in the group, from 0; null for everybody
 */
export function blockFromDrill(
  drill: Drill,
  id: string,
  startMin: number,
  lane: number | null = null,
): Block {
  const kind: BlockKind = drill.strand === 'safety' ? 'safety' : 'drill';
  return {
    id,
    kind,
    title: drill.name,
    drillId: drill.id,
    startMin,
    durationMin: roundToStep(drill.minutes.likely),
    lane,
    place: DEFAULT_PLACE[drill.ground],
    rigId: null,
    cue: drill.cue,
    watchFor: drill.watchFor,
    note: '',
  };
}

/** A break or a debrief: a block without a drill. */
export function plainBlock(
  kind: BlockKind,
  title: string,
  id: string,
  startMin: number,
  durationMin: number,
): Block {
  return {
    id,
    kind,
    title,
    drillId: null,
    startMin,
    durationMin,
    lane: null,
    place: 'anywhere',
    rigId: null,
    cue: '',
    watchFor: [],
    note: '',
  };
}

/**
 * A plan after an edit, with copies of what it uses; the plan passed in stays as it was.
 *
 * @throws CoreError 'unknown-id' when the block of the edit does not exist
 */
export function applyEdit(curriculum: Curriculum, plan: PlanBody, edit: PlanEdit): PlanBody {
  return carrying(curriculum, edited(curriculum, plan, edit));
}

function edited(curriculum: Curriculum, plan: PlanBody, edit: PlanEdit): PlanBody {
  switch (edit.kind) {
    case 'add':
      return withBlocks(plan, [...plan.blocks, edit.block], edit.block.id);
    case 'remove':
      return without(plan, find(plan, edit.blockId));
    case 'move':
      return replaced(plan, edit.blockId, {
        startMin: Math.max(0, roundToStep(edit.startMin)),
        lane: edit.lane,
      });
    case 'resize':
      return replaced(
        plan,
        edit.blockId,
        { durationMin: Math.max(STEP_MIN, roundToStep(edit.durationMin)) },
        false,
      );
    case 'change':
      return replaced(plan, edit.blockId, edit.change, false);
    case 'reorder':
      return reordered(plan, find(plan, edit.blockId), edit.direction);
    case 'shift':
      return shifted(plan, edit.fromMin, roundToStep(edit.byMin));
    case 'fit':
      return fitted(curriculumOf(curriculum, plan), plan);
    case 'all':
      return edit.edits.reduce((before, one) => edited(curriculum, before, one), plan);
    case 'set':
      return { ...plan, ...edit.change };
  }
}

/**
 * Where the next block of everybody would start.
 *
 * @returns minutes from the start of the lesson
 */
export function nextStart(plan: PlanBody): number {
  return planEnd(plan);
}

/** Whether a drill can be done on a kind of place. */
export function drillSuits(drill: Drill, place: PlaceKind): boolean {
  return groundSuits(drill.ground, place);
}

function roundToStep(minutes: number): number {
  return Math.round(minutes / STEP_MIN) * STEP_MIN;
}

function find(plan: PlanBody, blockId: string): Block {
  const block = plan.blocks.find((candidate) => candidate.id === blockId);
  if (!block) throw new CoreError('unknown-id', { name: 'block', value: blockId });
  return block;
}

function withBlocks(plan: PlanBody, blocks: Block[], placed: string | null = null): PlanBody {
  return { ...plan, blocks: resolveOverlaps(blocks, placed) };
}

/** Sooner only as far as those who are in it are free. */
function shifted(plan: PlanBody, fromMin: number, byMin: number): PlanBody {
  const moved = plan.blocks.filter(({ startMin, locked }) => startMin >= fromMin && !locked);
  const slackMin = moved.map((block) => {
    const before = plan.blocks.filter((other) => !moved.includes(other) && shareLane(block, other));
    const busyMin = before.flatMap((other) => (other.startMin < block.startMin ? endOf(other) : []));
    return block.startMin - Math.max(0, ...busyMin);
  });
  const by = Math.max(byMin, -Math.max(0, Math.min(...slackMin)));
  if (moved.length === 0 || by === 0) return plan;
  return withBlocks(
    plan,
    plan.blocks.map((block) => (moved.includes(block) ? { ...block, startMin: block.startMin + by } : block)),
  );
}

function without(plan: PlanBody, removed: Block): PlanBody {
  return withBlocks(
    plan,
    plan.blocks.filter((block) => block !== removed),
  );
}

function replaced(plan: PlanBody, blockId: string, change: Partial<Block>, place = true): PlanBody {
  const old = find(plan, blockId);
  return withBlocks(
    plan,
    plan.blocks.map((block) => (block === old ? { ...block, ...change } : block)),
    place ? blockId : null,
  );
}

/** Swaps a block with its neighbour; the two keep the time they covered together. */
function reordered(plan: PlanBody, block: Block, direction: -1 | 1): PlanBody {
  const row = plan.blocks.filter((other) => shareLane(other, block)).sort((a, b) => a.startMin - b.startMin);
  const neighbour = row[row.indexOf(block) + direction];
  if (!neighbour) return plan;
  const [first, second] = direction === 1 ? [block, neighbour] : [neighbour, block];
  const moved = new Map([
    [second.id, first.startMin],
    [first.id, endOf(second) - first.durationMin],
  ]);
  return withBlocks(
    plan,
    plan.blocks.map((other) => ({ ...other, startMin: moved.get(other.id) ?? other.startMin })),
    second.id,
  );
}

/** Closes gaps, then shortens drills towards their least minutes, in proportion, until the plan ends in time. */
function fitted(curriculum: Curriculum, plan: PlanBody): PlanBody {
  const closed = packed(plan);
  const over = planEnd(closed) - plan.lengthMin;
  const total = longestLaneSpare(curriculum, closed);
  if (over <= 0 || total === 0) return closed;
  const share = Math.min(1, over / total);
  const shorter = closed.blocks.map((block) => ({
    ...block,
    durationMin: Math.max(
      STEP_MIN,
      Math.floor((block.durationMin - spareMin(curriculum, block) * share) / STEP_MIN) * STEP_MIN,
    ),
  }));
  return packed({ ...plan, blocks: shorter });
}

/** Minutes a block can give up without falling below its drill's least time. */
function spareMin(curriculum: Curriculum, block: Block): number {
  const least = drillOf(curriculum, block)?.minutes.min ?? block.durationMin;
  return Math.max(0, block.durationMin - least);
}

/** Spare minutes of the lane that ends last. */
function longestLaneSpare(curriculum: Curriculum, plan: PlanBody): number {
  const lanes = [...new Set(plan.blocks.map((block) => block.lane ?? 0))];
  const longest =
    lanes.map((lane) => blocksOfLane(plan, lane)).sort((a, b) => laneMinutes(b) - laneMinutes(a))[0] ?? [];
  return longest.reduce((sum, block) => sum + spareMin(curriculum, block), 0);
}

function laneMinutes(blocks: readonly Block[]): number {
  return blocks.reduce((sum, block) => sum + block.durationMin, 0);
}

/** Every block as early as its students are free, in the order it had. */
function packed(plan: PlanBody): PlanBody {
  const blocks: Block[] = [];
  for (const block of resolveOverlaps(plan.blocks)) {
    const startMin = blocks
      .filter((other) => shareLane(other, block))
      .reduce((end, other) => Math.max(end, endOf(other)), 0);
    blocks.push({ ...block, startMin });
  }
  return withBlocks(plan, blocks);
}
