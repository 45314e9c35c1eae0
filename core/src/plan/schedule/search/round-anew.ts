import type { Activity, Board, BoardDrill } from '../model';
import type { Random } from '../../../random';
import { countOf, lanesOf } from '../activity';
import { actOf } from '../exact';
import { type Gene, geneOf } from '../genes';
import { isAllowedNow, notReady } from '../hard';
import { pointsOfStep, standingAt, stillGoodMin, tellingPoints, worthLater } from '../parts';
import { type Looked, taughtBefore } from './looked';
import { inOne, type Round, roundsOf } from './rounds';

/** A drill that could fill a round, and what each student would have of it, points; nothing where he may not do it. */
interface Choice {
  on: BoardDrill;
  points: Float64Array;
  /** What all would have of it together. */
  sum: number;
}

/** Of so many drills that give most to all two are taken together. */
const PAIRED = 20;

/** How far a choice may seem from what it is: else the same round would be made the same way each time. */
const STRAY = 0.5;

/**
 * The list with one of its rounds made anew: all do the one drill that gives them most together, or each does that of two
 * which gives him more, with what that is worth for what he does later.
 *
 * @param together whether all stay at one drill
 */
export function roundAnew(board: Board, looked: Looked, random: Random, together: boolean): Gene[] {
  const rounds = roundsOf(looked.genes, looked.starts);
  const i = Math.floor(random() * rounds.length);
  const round = rounds[i];
  if (!round || round.genes.some(({ plain }) => plain?.stays)) return [...looked.genes];
  const best = bestAtOnce(board, looked, round, choicesFor(board, looked, round, random), together);
  if (best.length === 0) return [...looked.genes];
  const genes = best.map(({ on, startMin, endMin, lanes }) => geneOf(on, endMin - startMin, lanes));
  return inOne([...rounds.slice(0, i), { genes }, ...rounds.slice(i + 1)]);
}

function choicesFor(
  board: Board,
  { acts, days }: Looked,
  { fromMin, untilMin }: Round,
  random: Random,
): Choice[] {
  const takenMin = untilMin - fromMin;
  const taught = taughtBefore(board, acts, fromMin);
  const standings = days.acts.map((own, lane) => standingAt(board, lane, own, fromMin));
  const worth = days.acts.map((own, lane) => worthLater(board, standings[lane]!.pupil, own, untilMin));
  // What he does later anyway would come again then.
  const later = days.acts.map(
    (own) => new Set(own.filter(({ startMin }) => startMin >= untilMin).map(({ on }) => on)),
  );
  const choices: Choice[] = [];
  for (const on of board.drills) {
    if (on.place === null || takenMin < on.leastMin) continue;
    const points = new Float64Array(standings.length).fill(Number.NEGATIVE_INFINITY);
    let sum = 0;
    const seems = 1 - STRAY * random();
    for (const lane of lanesOf(on.who & ~notReady(board, on, taught))) {
      if (stillGoodMin(standings[lane]!, on) < takenMin) continue;
      const again = later[lane]!.has(on) ? board.costs.again : 0;
      const own = pointsOfStep(board, standings[lane]!, on, takenMin, fromMin, worth[lane]) - again;
      points[lane] = own > 0 ? own * seems : own;
      sum += Math.max(0, points[lane]);
    }
    if (sum > 0) choices.push({ on, points, sum });
  }
  return choices.sort((a, b) => b.sum - a.sum);
}

/** What is worth most to be done from the start of a round to its end, among what may be. */
function bestAtOnce(
  board: Board,
  { acts }: Looked,
  { fromMin, untilMin }: Round,
  choices: readonly Choice[],
  together: boolean,
): Activity[] {
  const waiting = -board.costs.idle * (untilMin - fromMin);
  const first = acts[0] && acts[0].startMin < fromMin ? acts[0] : undefined;
  let most = Number.NEGATIVE_INFINITY;
  let best: Activity[] = [];
  const look = (a: Choice, b: Choice): void => {
    let [sum, lanesA, lanesB] = [0, 0, 0];
    for (let lane = 0; lane < a.points.length; lane++) {
      const [pointsA, pointsB] = [a.points[lane]!, b.points[lane]!];
      if (Math.max(pointsA, pointsB) <= waiting) sum += waiting;
      else if (pointsA >= pointsB) [sum, lanesA] = [sum + pointsA, lanesA | (1 << lane)];
      else [sum, lanesB] = [sum + pointsB, lanesB | (1 << lane)];
    }
    if (lanesA !== 0) sum -= tellingPoints(board, countOf(lanesA));
    if (lanesB !== 0) sum -= tellingPoints(board, countOf(lanesB));
    if (sum <= most) return;
    const made: Activity[] = [];
    for (const [{ on }, lanes] of [[a, lanesA] as const, [b, lanesB] as const]) {
      if (lanes === 0) continue;
      const act = countOf(lanes) < on.drill.group.min ? null : actOf(on, fromMin, untilMin - fromMin, lanes);
      if (!act || !isAllowedNow(board, first, made, act)) return;
      made.push(act);
    }
    if (made.length > 0) [most, best] = [sum, made];
  };
  for (const one of choices) look(one, one);
  const pairs = together ? 0 : Math.min(PAIRED, choices.length);
  for (let i = 1; i < pairs; i++) for (let j = 0; j < i; j++) look(choices[i]!, choices[j]!);
  return best;
}
