import type { BlockKind } from '../plan';
import type { PlaceKind } from '../../water';
import type { Activity, Board, BoardDrill } from './model';
import { isForbidden } from './board/board-drill';
import { countOf, everybody, inTime, isWet, lanesOf } from './activity';
import { actOf } from './exact';
import { notReady } from './hard/students';
import { REST_AFTER_MIN } from './parts/idle';

/** What is no drill: a break, a talk, an hour of fishing. */
export interface Plain {
  kind: BlockKind;
  title: string;
  place: PlaceKind;
  /** Whether the instructor put it there: it may move, and is never left out. */
  stays: boolean;
}

/** Something to be put into a plan as early as those who do it are free. */
export interface Gene {
  /** null for what is no drill. */
  drill: BoardDrill | null;
  /** null for a drill, and for waiting: then nothing is in the plan, and what comes begins later. */
  plain: Plain | null;
  takenMin: number;
  /** Bits of who does it. */
  lanes: number;
  /** What it was when it was put last: put so again it is the same, and what is the same is not judged anew. */
  act: Activity | null;
}

/**
 * A drill, or what is none, for some.
 *
 * @param takenMin how long, minutes
 * @param lanes bits of who does it, a plain number below 256
 */
export function geneOf(what: BoardDrill | Plain | null, takenMin: number, lanes: number): Gene {
  const drill = what && 'drill' in what ? what : null;
  return { drill, plain: drill ? null : (what as Plain | null), takenMin, lanes, act: null };
}

/** A break that the machine puts in. */
export const BREAK: Plain = { kind: 'break', title: 'Break', place: 'anywhere', stays: false };
export const BREAK_MIN = 10;

/**
 * A plan from a list of what is to be done, each put as early as can be in the order of the list: behind what those who do
 * it have done, and around what is locked. A look back comes last of all. What does not fit before the end is left out, and
 * so is a drill that goes on longer than it is good for one of them.
 *
 * @param waits whether a drill that rests on what somebody was not taught yet comes as soon as he was, and is left out
 *   where he never is; else it is put where it stands
 * @returns the plan, of the list what found its place and when each begins, and when each student is free, minutes
 */
export function placed(
  board: Board,
  genes: readonly Gene[],
  { waits = false }: { waits?: boolean } = {},
): { acts: Activity[]; genes: Gene[]; starts: number[]; free: number[] } {
  const free = board.students.map(() => board.task.notBeforeMin ?? 0);
  // What each did last, and for how long by now.
  const last: (BoardDrill | null)[] = free.map(() => null);
  const ran = free.map(() => 0);
  const acts: Activity[] = [...board.locked];
  const kept: Gene[] = [];
  const starts: number[] = [];
  const taught = new Uint8Array(board.skills.length);
  let waiting: Gene[] = [];
  const { lengthMin } = board.task.plan;
  const put = (gene: Gene, untilMin: number): void => {
    const { drill, plain } = gene;
    const lanes = drill ? gene.lanes & drill.who : gene.lanes;
    if (lanes === 0 || (drill && countOf(lanes) < drill.drill.group.min)) return;
    const who = lanesOf(lanes);
    let { takenMin } = gene;
    if (drill) {
      let most = Number.POSITIVE_INFINITY;
      for (const lane of who)
        most = Math.min(most, drill.mostMin[lane]! - (last[lane] === drill ? ran[lane]! : 0));
      if (most < drill.leastMin) return;
      takenMin = Math.max(drill.leastMin, Math.min(takenMin, most));
    }
    let startMin = 0;
    for (const lane of who) startMin = Math.max(startMin, free[lane]!);
    // Around what is locked for any of them; the locked acts lie in the order of time.
    for (const one of board.locked)
      if ((one.lanes & lanes) !== 0 && one.startMin < startMin + takenMin && startMin < one.endMin)
        startMin = one.endMin;
    if (startMin + takenMin > untilMin) return;
    if (drill && waits) {
      for (const one of board.locked) if (one.startMin < startMin) teach(taught, one.on, one.lanes & lanes);
      if ((lanes & notReady(board, drill, taught)) !== 0) {
        waiting.push(gene);
        return;
      }
    }
    const own = takenMin === gene.takenMin && lanes === gene.lanes ? gene : { ...gene, takenMin, lanes };
    // A break of the machine's own that comes too soon is waiting, and called so.
    if (drill || plain?.stays || (plain && startMin >= REST_AFTER_MIN)) {
      const act = actAt(own, startMin);
      if (!act) return;
      const same = sameAt(acts, act);
      if (same < 0) acts.push(act);
      else acts[same] = { ...act, lanes: acts[same]!.lanes | lanes };
    }
    kept.push(own);
    starts.push(startMin);
    for (const lane of who) {
      free[lane] = startMin + takenMin;
      if (!drill && !plain) continue;
      ran[lane] = last[lane] === drill ? ran[lane]! + takenMin : takenMin;
      last[lane] = drill;
    }
    if (!teach(taught, drill, lanes) || waiting.length === 0) return;
    const now = waiting;
    waiting = [];
    for (const one of now) put(one, untilMin);
  };
  let untilMin = lengthMin;
  for (const gene of genes) if (isLast(gene)) untilMin -= gene.takenMin;
  for (const gene of genes) if (!isLast(gene)) put(gene, untilMin);
  if (untilMin < lengthMin) for (const gene of genes) if (isLast(gene)) put(gene, lengthMin);
  return { acts: inTime(acts), genes: kept, starts, free };
}

/** Notes what some are taught by a drill. @returns whether anything of it is new to one of them */
function teach(taught: Uint8Array, drill: BoardDrill | null, lanes: number): boolean {
  let isNew = false;
  for (const { skill } of drill?.trains ?? []) {
    if ((lanes & ~taught[skill]!) !== 0) isNew = true;
    taught[skill]! |= lanes;
  }
  return isNew;
}

/** What a gene is from a minute on; null for a drill without a place. */
function actAt(gene: Gene, startMin: number): Activity | null {
  const { drill, plain, takenMin, lanes, act: before } = gene;
  const isBefore =
    before?.startMin === startMin &&
    before.endMin === startMin + takenMin &&
    before.lanes === lanes &&
    before.on === drill;
  if (isBefore) return before;
  const act = drill ? actOf(drill, startMin, takenMin, lanes) : plainAct(plain!, startMin, takenMin, lanes);
  gene.act = act;
  return act;
}

/** Where among acts one is that is the same at the same time: it is done together, as it is read from a plan. */
function sameAt(acts: readonly Activity[], act: Activity): number {
  for (let i = 0; i < acts.length; i++) {
    const one = acts[i]!;
    if (
      one.startMin === act.startMin &&
      one.endMin === act.endMin &&
      one.drillId === act.drillId &&
      one.kind === act.kind &&
      one.title === act.title &&
      one.place === act.place &&
      one.blockIds.length === 0
    )
      return i;
  }
  return -1;
}

function isLast({ plain }: Gene): boolean {
  return plain?.kind === 'debrief';
}

function plainAct(
  { kind, title, place }: Plain,
  startMin: number,
  takenMin: number,
  lanes: number,
): Activity {
  return {
    ...{ drillId: null, on: null, kind, title, place, wet: isWet(place), rigForbidden: false, blockIds: [] },
    ...{ startMin, endMin: startMin + takenMin, lanes },
  };
}

/** What a plan has besides what is locked, as a list to be put again. */
export function genesOf(board: Board, acts: readonly Activity[]): Gene[] {
  const kept = new Set(board.locked.flatMap(({ blockIds }) => blockIds));
  return acts
    .filter(({ blockIds }) => blockIds.length === 0 || !blockIds.some((id) => kept.has(id)))
    .flatMap((act): Gene[] => {
      const { on: drill, kind, title, place, drillId } = act;
      // A drill that the school no longer has cannot be judged: it is kept only where it is locked. So is one whose rig
      // must not be fished.
      if (drill ? isForbidden(drill) : drillId !== null) return [];
      const plain = drill ? null : { kind, title, place, stays: true };
      const lanes = act.lanes & everybody(board.students.length);
      return [geneOf(drill ?? plain, act.endMin - act.startMin, lanes)];
    });
}
