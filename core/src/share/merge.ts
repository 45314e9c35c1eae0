import type { Drill } from '../drill';
import { type Block, blocksInOrder, type PlanB, resolveOverlaps } from '../plan';
import { canonicalPlan, isSame, type SharedPlan } from './canonical';
import { CARRIED_LISTS, type Cells, cellsOf, entityOf, hasSameParts, isSameCells, planOf } from './cells';
import { MERGE_SIDES, type MergeSide } from './merge-sides';
import { movedIds } from './moved';

/** Something that both changed, each otherwise, or that one changed and the other took out. */
export interface MergeConflict {
  /** `aim`, `blocks/<id>/cue`, `blocks/<id>` where it is gone on one side. */
  path: string;
  /** What each has there; undefined where it has nothing. */
  origin: unknown;
  mine: unknown;
  theirs: unknown;
}

/** By path which side is taken; of several the longest path counts, and an empty one is of the whole plan. */
export type MergeChoices = Readonly<Record<string, MergeSide>>;

export interface Merge {
  /** As it is so far: what waits for a choice is as it was in the origin. */
  plan: SharedPlan;
  /** What waits for a choice. */
  conflicts: MergeConflict[];
  /** Paths of what each side alone changed, and of what was made of both. */
  from: { mine: string[]; theirs: string[]; both: string[] };
}

/**
 * Two plans that come from one put together. Changes apart are both taken; a change of the same thing is a conflict, as is
 * one of a thing that the other side took out. Times follow: what both pushed is pushed by both, and nobody is in two places.
 */
export function mergePlans(
  origin: SharedPlan,
  mine: SharedPlan,
  theirs: SharedPlan,
  choices: MergeChoices = {},
): Merge {
  const merging = new Merging(origin, mine, theirs, choices);
  const chosen = Object.keys(choices);
  const alone = chosen.length === 0 ? merging.onlySide() : chosen.length === 1 ? choices[''] : undefined;
  const { cells, conflicts, from } = merging.merged();
  if (alone && conflicts.length === 0) return { plan: { origin, mine, theirs }[alone], conflicts, from };
  return { plan: canonicalPlan(settled(planOf(cells))), conflicts, from };
}

/** Blocks pushed back until their students are free; plans that were so already stay as they are. */
function settled({ title, body }: SharedPlan): SharedPlan {
  return { title, body: { ...body, blocks: resolveOverlaps(blocksInOrder(body.blocks)) } };
}

/** Most that a block watches for. */
const MAX_WATCHED = 12;

class Merging {
  private readonly sides: Record<MergeSide, Cells>;
  private readonly moved: Record<'mine' | 'theirs', Set<string>>;
  private readonly result: Omit<Merge, 'plan'> & { cells: Cells } = {
    cells: new Map(),
    conflicts: [],
    from: { mine: [], theirs: [], both: [] },
  };

  constructor(
    origin: SharedPlan,
    mine: SharedPlan,
    theirs: SharedPlan,
    private readonly choices: MergeChoices,
  ) {
    const isWhole = (rigId: string): boolean => {
      const [first, ...others] = [origin, mine, theirs].flatMap(
        ({ body }) => body.rigs.find(({ id }) => id === rigId)?.rig ?? [],
      );
      return first !== undefined && others.some((other) => !hasSameParts(first, other));
    };
    this.sides = {
      origin: cellsOf(origin, isWhole),
      mine: cellsOf(mine, isWhole),
      theirs: cellsOf(theirs, isWhole),
    };
    this.moved = {
      mine: movedIds(origin.body.blocks, mine.body.blocks),
      theirs: movedIds(origin.body.blocks, theirs.body.blocks),
    };
  }

  /** The side that alone changed anything; mine where neither did, or both the same. */
  onlySide(): MergeSide | null {
    const { origin, mine, theirs } = this.sides;
    if (isSameCells(mine, theirs) || isSameCells(origin, theirs)) return 'mine';
    return isSameCells(origin, mine) ? 'theirs' : null;
  }

  merged(): Omit<Merge, 'plan'> & { cells: Cells } {
    const { origin, mine, theirs } = this.sides;
    const paths = [...new Set([...origin.keys(), ...mine.keys(), ...theirs.keys()])];
    const standing = new Map<string, MergeSide[]>();
    for (const path of paths) if (entityOf(path) === path) standing.set(path, this.entity(path, paths));
    for (const path of paths) {
      const entity = entityOf(path);
      const sides = entity === null ? [...MERGE_SIDES] : (standing.get(entity) ?? []);
      if (sides.length === 0) continue;
      const value = this.cell(path, sides);
      if (value !== undefined) this.result.cells.set(path, value);
    }
    this.withWhatIsUsed();
    return this.result;
  }

  /** The sides that a thing with an id is merged of; none where it is gone. */
  private entity(path: string, paths: readonly string[]): MergeSide[] {
    const has = MERGE_SIDES.filter((side) => this.sides[side].has(path));
    const chosen = this.choiceOf(path);
    if (chosen) return has.includes(chosen) ? this.chosenOf(path, chosen, has) : [];
    if (has.length === 3 || !has.includes('origin')) return has;
    const left = has.filter((side) => side !== 'origin');
    const [side] = left;
    if (side === undefined) return [];
    const gone = side === 'mine' ? 'theirs' : 'mine';
    const within = paths.filter((one) => one === path || one.startsWith(`${path}/`));
    if (!within.some((one) => this.isChanged(one, side))) {
      this.result.from[gone].push(path);
      return [];
    }
    const there = (of: MergeSide): unknown => this.sides[of].get(path);
    this.result.conflicts.push({
      ...{ path, origin: there('origin'), mine: there('mine'), theirs: there('theirs') },
    });
    return ['origin'];
  }

  /** A thing taken whole from one side, unless something in it has a choice of its own. */
  private chosenOf(path: string, chosen: MergeSide, has: MergeSide[]): MergeSide[] {
    const within = Object.keys(this.choices).some((one) => one.startsWith(`${path}/`));
    return within ? has : [chosen];
  }

  private cell(path: string, sides: readonly MergeSide[]): unknown {
    const at = (side: MergeSide): unknown => (sides.includes(side) ? this.sides[side].get(path) : undefined);
    if (sides.length === 1) return at(sides[0]!);
    const chosen = this.choiceOf(path);
    if (chosen && sides.includes(chosen)) return at(chosen);
    const [origin, mine, theirs] = [at('origin'), at('mine'), at('theirs')];
    if (!sides.includes('mine')) return theirs;
    if (!sides.includes('theirs')) return mine;
    if (isSame(mine, theirs)) return mine;
    if (isSame(mine, origin)) return this.take('theirs', path, theirs);
    if (isSame(theirs, origin)) return this.take('mine', path, mine);
    const both = this.ofBoth(path, origin, mine, theirs);
    if (both !== undefined) return this.take('both', path, both);
    this.result.conflicts.push({ path, origin, mine, theirs });
    // Both brought it: either of them keeps it whole until one is chosen.
    return sides.includes('origin') ? origin : lesser(mine, theirs);
  }

  /** What both changes come to, where they can stand together. */
  private ofBoth(path: string, origin: unknown, mine: unknown, theirs: unknown): unknown {
    const [kind, id, field] = path.split('/');
    if (kind !== 'blocks' || id === undefined) return undefined;
    if (field === 'watchFor') return joined(origin ?? [], mine, theirs);
    if (field !== 'startMin' || origin === undefined) return undefined;
    const [here, there] = [this.moved.mine.has(id), this.moved.theirs.has(id)];
    if (here && there) return undefined;
    if (here) return mine;
    if (there) return theirs;
    return Math.max(0, (mine as number) + (theirs as number) - (origin as number));
  }

  /** That a block only comes later does not count as a change of it. */
  private isChanged(path: string, side: 'mine' | 'theirs'): boolean {
    const [kind, id = '', field] = path.split('/');
    if (kind === 'blocks' && field === 'startMin') return this.moved[side].has(id);
    return !isSame(this.sides.origin.get(path), this.sides[side].get(path));
  }

  private take<T>(from: keyof Merge['from'], path: string, value: T): T {
    this.result.from[from].push(path);
    return value;
  }

  private choiceOf(path: string): MergeSide | undefined {
    for (let at = path; at !== ''; at = at.slice(0, Math.max(0, at.lastIndexOf('/')))) {
      const chosen = this.choices[at];
      if (chosen) return chosen;
    }
    return this.choices[''];
  }

  /** A block that one side brought or kept has its rig and its drill, though the other side had no use for them any more. */
  private withWhatIsUsed(): void {
    const { cells } = this.result;
    const used = new Set<string>();
    const uses = ({ rigId, drillId, watchFor = [] }: Partial<Block>): void => {
      if (rigId) used.add(`rigs/${rigId}`);
      if (drillId) used.add(`carries/drills/${drillId}`);
      for (const id of watchFor) used.add(`carries/faults/${id}`);
    };
    for (const [path, value] of cells) {
      if (path.startsWith('blocks/')) uses({ [path.slice(path.lastIndexOf('/') + 1)]: value });
      else if (path === 'planB') (value as PlanB).blocks.forEach(uses);
    }
    // What a drill needs comes behind it.
    for (const entity of used) {
      this.bringBack(entity);
      if (!entity.startsWith('carries/drills/')) continue;
      const { trains = [], watchFor = [] } = (cells.get(entity) ?? {}) as Partial<Drill>;
      for (const { skillId } of trains) used.add(`carries/skills/${skillId}`);
      for (const id of watchFor) used.add(`carries/faults/${id}`);
    }
    if (CARRIED_LISTS.some((list) => [...cells.keys()].some((path) => path.startsWith(`carries/${list}/`))))
      cells.set('carries', true);
  }

  private bringBack(entity: string): void {
    const { cells } = this.result;
    const side = (['theirs', 'mine', 'origin'] as const).find((one) => this.sides[one].has(entity));
    if (cells.has(entity) || !side) return;
    for (const [path, value] of this.sides[side])
      if (path === entity || path.startsWith(`${entity}/`)) cells.set(path, value);
  }
}

/** A list with what either side put in and without what either took out; nothing where that is too long. */
function joined(origin: unknown, mine: unknown, theirs: unknown): string[] | undefined {
  const [was, here, there] = [origin, mine, theirs] as [string[], string[], string[]];
  const kept = was.filter((one) => here.includes(one) && there.includes(one));
  const come = [...here, ...there].filter((one) => !was.includes(one));
  const list = [...kept, ...[...new Set(come)].sort()];
  return list.length > MAX_WATCHED ? undefined : list;
}

/** One of two, whichever side it comes from. */
function lesser(a: unknown, b: unknown): unknown {
  return JSON.stringify(a) <= JSON.stringify(b) ? a : b;
}
