import { SCORE_PARTS, type ScorePart } from '../task';
import type { Activity, Board, LaneParts } from '../model';
import { countOf } from '../activity';
import { riseIn } from './gain';
import { MARGIN_MIN } from './idle';
import { attentionPoints, changePoints, daysOf, lanePoints, waterPoints } from './lane';
import { WORTH } from './worth';

/** Nobody falls below this share of what the one gains who gains most. */
const FAIR_SHARE = 0.6;

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
  const { costs, task } = board;
  const { weights } = task;
  const { acts: own, parts: days } = daysOf(board, acts);
  const mean = (of: (parts: LaneParts) => number): number => meanOf(days, of);
  const parts: Record<ScorePart, number> = {
    gain: costs.gain * mean(({ gain }) => gain),
    fairness: -weights.fairness * WORTH.unfair * unfairness(days),
    idle: -costs.idle * mean(({ idleMin }) => idleMin),
    walking: -costs.walk * mean(({ walked }) => walked),
    attention: -mean((day) => attentionPoints(costs, day)),
    change: -mean((day) => changePoints(costs, day)),
    breaks: -costs.tired * mean(({ tiredMin }) => tiredMin),
    'water-after-grass': -mean((day) => waterPoints(costs, day)),
    telling:
      -weights.telling * WORTH.telling * tellings(acts, days.length) -
      costs.begun * mean(({ begun }) => begun),
    margin: marginPoints(board, acts),
    order: -costs.outOfOrder * mean(({ outOfOrder }) => outOfOrder),
    keeping: -costs.lost * mean(({ lost }) => lost),
  };
  const figures = {
    gainSkills: own.reduce((sum, his, lane) => sum + riseIn(board, lane, his), 0) / Math.max(1, own.length),
    idleMin: mean(({ idleMin }) => idleMin),
    walks: mean(({ walks }) => walks),
  };
  return { total: SCORE_PARTS.reduce((sum, part) => sum + parts[part], 0), parts, figures };
}

/**
 * The total of a score whose days are known.
 *
 * @param acts in the order of time
 * @param days the parts of each student's
 * @returns points
 */
export function totalOf(board: Board, acts: readonly Activity[], days: readonly LaneParts[]): number {
  const { weights } = board.task;
  return (
    meanOf(days, (parts) => lanePoints(board, parts)) -
    weights.fairness * WORTH.unfair * unfairness(days) -
    weights.telling * WORTH.telling * tellings(acts, days.length) +
    marginPoints(board, acts)
  );
}

function meanOf(days: readonly LaneParts[], of: (parts: LaneParts) => number): number {
  let sum = 0;
  for (const parts of days) sum += of(parts);
  return days.length === 0 ? 0 : sum / days.length;
}

/** Skills by which those who gain least fall short of what is fair, the mean over all. */
function unfairness(days: readonly LaneParts[]): number {
  let most = 0;
  for (const { gain } of days) most = Math.max(most, gain);
  return meanOf(days, ({ gain }) => Math.max(0, FAIR_SHARE * most - gain));
}

function marginPoints({ task: { plan, weights } }: Board, acts: readonly Activity[]): number {
  let end = 0;
  for (const { endMin } of acts) end = Math.max(end, endMin);
  return weights.margin * WORTH.margin * Math.min(MARGIN_MIN, Math.max(0, plan.lengthMin - end));
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
 * The most that fairness and margin can add to the students' own shares.
 *
 * @returns points, a plain number of 0 and more
 */
export function mostBesides({ task: { weights } }: Board): number {
  return weights.margin * WORTH.margin * MARGIN_MIN;
}
