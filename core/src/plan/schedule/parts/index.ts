import { SCORE_PARTS, type ScorePart } from '../task';
import type { Activity, Board, BoardDrill, LaneParts } from '../model';
import { PLACE_KINDS } from '../../../water';
import { BLOCK_KINDS } from '../../plan';
import { countOf, isWet, lanesOf } from '../activity';
import { againOf, begunOf, beyondAttention, hurriedOf, sameStrandOf, tiredOf } from './attention';
import { gainOf, type Pupil, wouldGive } from './gain';
import { lostOf, outOfOrderOf } from './keeping';
import { idleOf, MARGIN_MIN } from './idle';
import { backToGrassOf, walksOf, waterShortOf } from './walking';

/**
 * What each part is worth, in skills gained by every student: one point is one whole skill. Rules of thumb; the sliders
 * of the plan multiply them.
 */
const WORTH = {
  /** A minute in which nobody teaches him anything. */
  idle: 0.02,
  walk: 0.05,
  beyondAttention: 0.01,
  sameStrand: 0.03,
  tired: 0.005,
  backToGrass: 0.1,
  /** A minute less than a drill likely takes. */
  hurried: 0.01,
  /** A drill that comes again. */
  again: 0.06,
  /** A minute less at the water than its share of the day. */
  waterShort: 0.02,
  /** A drill told to some that others are told too, or never. */
  telling: 0.05,
  /** Whatever a student begins anew: he must settle into it. */
  begun: 0.06,
  /** A drill that was planned for a student, and is not there any more. */
  lost: 0.3,
  /** Safety that comes late, care of fish that comes early. */
  outOfOrder: 0.1,
  /** A minute of margin at the end, up to ten. */
  margin: 0.005,
  /** A skill by which somebody falls short of what is fair. */
  unfair: 1,
};
/** Nobody falls below this share of what the one gains who gains most. */
const FAIR_SHARE = 0.6;

/**
 * The parts of one student's day; each day is computed once.
 *
 * @param lane his place in the group
 * @param acts his, in the order of time
 */
export function laneParts(board: Board, lane: number, acts: readonly Activity[]): LaneParts {
  const key = keyOf(lane, acts);
  const before = board.known.get(key);
  if (before) return before;
  const parts: LaneParts = {
    gain: gainOf(board, lane, acts),
    idleMin: idleOf(board, acts),
    walks: walksOf(acts),
    beyondMin: beyondAttention(board, acts),
    sameStrand: sameStrandOf(acts),
    tiredMin: tiredOf(acts),
    backToGrass: backToGrassOf(acts),
    waterShortMin: waterShortOf(board, acts),
    hurriedMin: hurriedOf(lane, acts),
    again: againOf(acts),
    begun: begunOf(acts),
    lost: lostOf(board, lane, acts),
    outOfOrder: outOfOrderOf(board, acts),
  };
  if (board.known.size >= MAX_KNOWN) board.known.clear();
  board.known.set(key, parts);
  return parts;
}

const MAX_KNOWN = 2000;

/** A day as a text, four letters for each act: what, from when, to when, where. */
function keyOf(lane: number, acts: readonly Activity[]): string {
  let key = String.fromCharCode(lane);
  for (const { on, kind, startMin, endMin, place } of acts) {
    const what = on?.index ?? FIRST_KIND + BLOCK_KINDS.indexOf(kind);
    key += String.fromCharCode(what, startMin, endMin, PLACE_KINDS.indexOf(place));
  }
  return key;
}

/** Numbers from here on are kinds of blocks without a drill. */
const FIRST_KIND = 60_000;

/**
 * A student's own share of the score: all parts but fairness and margin.
 *
 * @returns points
 */
export function lanePoints({ task: { weights } }: Board, parts: LaneParts): number {
  return (
    weights.gain * parts.gain -
    weights.idle * WORTH.idle * parts.idleMin -
    weights.walking * WORTH.walk * parts.walks -
    weights.attention * attentionPoints(parts) -
    weights.change * changePoints(parts) -
    weights.breaks * WORTH.tired * parts.tiredMin -
    weights['water-after-grass'] * waterPoints(parts) -
    weights.telling * WORTH.begun * parts.begun -
    weights.keeping * WORTH.lost * parts.lost -
    weights.order * WORTH.outOfOrder * parts.outOfOrder
  );
}

/** Time at the water is wanted until there is enough of it: about half of it is. */
const WATER_DRAWS = 0.5;

/**
 * What it costs to tell something to some of the group, in points of one student.
 *
 * @param told to how many, a plain number from 1
 * @returns points, 0 and more
 */
export function tellingPoints({ students, task }: Board, told: number): number {
  return task.weights.telling * WORTH.telling * (students.length - told);
}

/**
 * What a drill more adds to a student's own share, about: what it gives him, and what it costs after what he did last.
 *
 * @param lane his place in the group, a plain number from 0
 * @param pupil what he can then
 * @param day what he has done, in the order of time
 * @param takenMin how long it lasts, minutes
 * @param atMin when it begins, minutes
 * @returns points
 */
export function pointsOfStep(
  board: Board,
  lane: number,
  pupil: Pupil,
  day: readonly Activity[],
  on: BoardDrill,
  takenMin: number,
  atMin: number,
): number {
  const { weights } = board.task;
  const place = on.place ?? 'anywhere';
  const last = day.findLast((one) => one.on !== null)?.on;
  const was = day.findLast((one) => one.place !== 'anywhere');
  const moves = place !== 'anywhere' && was !== undefined && was.place !== place;
  const isAgain = day.some((act) => act.on === on);
  const isAlike = last !== undefined && last !== null && last !== on && last.drill.strand === on.drill.strand;
  return (
    weights.gain * wouldGive(board, pupil, on, takenMin) -
    weights.walking * (moves ? WORTH.walk : 0) -
    weights['water-after-grass'] * (moves && place === 'grass' ? WORTH.backToGrass : 0) +
    weights['water-after-grass'] * (isWet(place) ? WORTH.waterShort * takenMin * WATER_DRAWS : 0) -
    weights.telling * WORTH.begun -
    weights.order * WORTH.outOfOrder * outOfOrderOf(board, [{ on, startMin: atMin }]) +
    (!isAgain && board.had[lane]!.has(on.index) ? weights.keeping * WORTH.lost : 0) -
    weights.change * ((isAgain ? WORTH.again : 0) + (isAlike ? WORTH.sameStrand : 0))
  );
}

function attentionPoints({ beyondMin, hurriedMin }: LaneParts): number {
  return WORTH.beyondAttention * beyondMin + WORTH.hurried * hurriedMin;
}

function changePoints({ sameStrand, again }: LaneParts): number {
  return WORTH.sameStrand * sameStrand + WORTH.again * again;
}

function waterPoints({ backToGrass, waterShortMin }: LaneParts): number {
  return WORTH.backToGrass * backToGrass + WORTH.waterShort * waterShortMin;
}

/** A score with its parts, in points; a part that speaks against the plan is below zero. */
export interface Score {
  total: number;
  parts: Record<ScorePart, number>;
  figures: ScoreFigures;
}

/** What a plan is in plain figures: the mean over its students. */
export interface ScoreFigures {
  /** Skills each is expected to gain, counted by their goals. */
  gainSkills: number;
  /** Minutes in which each has nothing to do. */
  idleMin: number;
  /** How often each goes from one place to another. */
  walks: number;
}

/**
 * What a plan is worth. @param acts in the order of time
 */
export function scoreOf(board: Board, acts: readonly Activity[]): Score {
  const { weights, plan } = board.task;
  const days = byLane(board, acts).map((own, lane) => laneParts(board, lane, own));
  const mean = (of: (parts: LaneParts) => number): number =>
    days.length === 0 ? 0 : days.reduce((sum, parts) => sum + of(parts), 0) / days.length;
  const most = Math.max(0, ...days.map(({ gain }) => gain));
  const endMin = acts.reduce((end, act) => Math.max(end, act.endMin), 0);
  const left = Math.min(MARGIN_MIN, Math.max(0, plan.lengthMin - endMin));
  const parts: Record<ScorePart, number> = {
    gain: weights.gain * mean(({ gain }) => gain),
    fairness: -weights.fairness * WORTH.unfair * mean(({ gain }) => Math.max(0, FAIR_SHARE * most - gain)),
    idle: -weights.idle * WORTH.idle * mean(({ idleMin }) => idleMin),
    walking: -weights.walking * WORTH.walk * mean(({ walks }) => walks),
    attention: -weights.attention * mean(attentionPoints),
    change: -weights.change * mean(changePoints),
    breaks: -weights.breaks * WORTH.tired * mean(({ tiredMin }) => tiredMin),
    'water-after-grass': -weights['water-after-grass'] * mean(waterPoints),
    telling:
      -weights.telling *
      (WORTH.telling * tellings(acts, days.length) + WORTH.begun * mean(({ begun }) => begun)),
    margin: weights.margin * WORTH.margin * left,
    order: -weights.order * WORTH.outOfOrder * mean(({ outOfOrder }) => outOfOrder),
    keeping: -weights.keeping * WORTH.lost * mean(({ lost }) => lost),
  };
  const figures = {
    gainSkills: mean(({ gain }) => gain),
    idleMin: mean(({ idleMin }) => idleMin),
    walks: mean(({ walks }) => walks),
  };
  return { total: SCORE_PARTS.reduce((sum, part) => sum + parts[part], 0), parts, figures };
}

/** What each student does, in the order of time. */
function byLane({ students }: Board, acts: readonly Activity[]): Activity[][] {
  const days: Activity[][] = students.map(() => []);
  for (const act of acts) for (const lane of lanesOf(act.lanes)) days[lane]?.push(act);
  return days;
}

/**
 * How often something is told beyond what each student hears: what is told once to all costs nothing.
 *
 * @returns a plain number of 0 and more
 */
function tellings(acts: readonly Activity[], students: number): number {
  let [told, heard] = [0, 0];
  for (const { on, lanes } of acts) {
    if (!on) continue;
    told += 1;
    heard += countOf(lanes);
  }
  return students === 0 ? 0 : told - heard / students;
}

/**
 * What one student does, in the order of time.
 *
 * @param lane his place in the group, a plain number from 0
 */
export function actsOfLane(acts: readonly Activity[], lane: number): Activity[] {
  return acts.filter(({ lanes }) => (lanes & (1 << lane)) !== 0);
}

/**
 * The most that fairness and margin can add to the students' own shares.
 *
 * @returns points, a plain number of 0 and more
 */
export function mostBesides({ task: { weights } }: Board): number {
  return weights.margin * WORTH.margin * MARGIN_MIN;
}
