import type { Board, BoardDrill } from '../model';
import type { Random } from '../../../random';
import { lanesOf } from '../activity';
import { type Gene, geneOf } from '../genes';
import { notReady } from '../hard';
import { pointsOfStep, type Standing, standingAt, stillGoodMin, tellingPoints, worthLater } from '../parts';
import { type Looked, taughtBefore } from './looked';

/** Of so many drills the best is taken, a plain number each: now by a draw, now nearly all are looked at. */
const LOOKED_AT = [3, 8, 20, 60];

/**
 * The list with one drill in the place of another, or put in, that gives those who do it much then: of some that are drawn
 * the one that gives most a minute, with what it is worth for what they do later.
 */
export function guided(board: Board, looked: Looked, random: Random): Gene[] {
  const { genes, starts } = looked;
  const next = [...genes];
  const i = Math.floor(random() * genes.length);
  const gene = genes[i];
  if (!gene) return next;
  const replaces = random() < 0.7 && !gene.plain?.stays;
  const lanes = gene.lanes;
  const taken = replaces && random() < 0.7 ? gene.takenMin : null;
  const atMin = starts[i]!;
  const untilMin = atMin + (replaces ? gene.takenMin : 0);
  const best = bestDrill(board, looked, lanes, { atMin, untilMin }, taken, random);
  if (!best) return next;
  next.splice(i, replaces ? 1 : 0, geneOf(best, taken ?? best.likelyMin, lanes));
  return next;
}

function bestDrill(
  board: Board,
  { acts, days }: Looked,
  lanes: number,
  { atMin, untilMin }: { atMin: number; untilMin: number },
  taken: number | null,
  random: Random,
): BoardDrill | null {
  const standings: Standing[] = [];
  const later: Float64Array[] = [];
  for (const lane of lanesOf(lanes)) {
    standings[lane] = standingAt(board, lane, days.acts[lane]!, atMin);
    later[lane] = worthLater(board, standings[lane].pupil, days.acts[lane]!, untilMin);
  }
  const taught = taughtBefore(board, acts, atMin);
  let best: BoardDrill | null = null;
  let most = Number.NEGATIVE_INFINITY;
  const looks = LOOKED_AT[Math.floor(random() * LOOKED_AT.length)]!;
  for (let k = 0; k < looks; k++) {
    const on = board.drills[Math.floor(random() * board.drills.length)];
    if (!on || on.place === null) continue;
    const who = lanes & on.who & ~notReady(board, on, taught);
    const each = lanesOf(who);
    if (who === 0 || each.length < on.drill.group.min) continue;
    let takenMin = taken ?? on.likelyMin;
    for (const lane of each) takenMin = Math.min(takenMin, stillGoodMin(standings[lane]!, on));
    if (takenMin < on.leastMin) continue;
    let sum = -tellingPoints(board, each.length);
    for (const lane of each) sum += pointsOfStep(board, standings[lane]!, on, takenMin, atMin, later[lane]);
    const worth = sum / takenMin;
    if (worth > most) [best, most] = [on, worth];
  }
  return best;
}
