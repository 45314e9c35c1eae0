import { type Beat, waterAt } from './beat';
import type { Point } from '../geometry';

/** Lanes of current across the stream, from the edge on the angler's side. */
export interface LanesAcross {
  lanes: { toM: number; speedMs: number }[];
  /** Of the lie, and of the stand, from that edge; zero when the stand is on land. */
  lieM: number;
  outM: number;
  /** The stand along the stream from the lie; above zero is below it. */
  standM: number;
}

const STEP_M = 0.25;
const NARROWEST_M = 0.4;
const FEWEST = 3;
const MAX = 9;

/**
 * The lanes one casts over from a stand to a lie: a cut across the stream at the lie, from the water's edge on the side of
 * the stand to the first land beyond. Neighbours of the same speed are one lane; the most alike are put together while
 * there are more than nine, and the widest is cut while there are fewer than three.
 *
 * @returns null where the lie is on land
 */
export function lanesAcross(beat: Beat, stand: Point, lie: Point): LanesAcross | null {
  if (!waterAt(beat, lie)) return null;
  const away = lie.y >= stand.y ? 1 : -1;
  const speedFrom = (y: number): number | null => waterAt(beat, { x: lie.x, y })?.speedMs ?? null;
  let edge = lie.y;
  const within = (y: number): boolean => y >= 0 && y <= beat.widthM;
  while (within(edge - away * STEP_M) && speedFrom(edge - away * STEP_M) !== null) edge -= away * STEP_M;
  const lanes: LanesAcross['lanes'] = [];
  for (let out = STEP_M; within(edge + away * (out - STEP_M / 2)); out += STEP_M) {
    const speedMs = speedFrom(edge + away * (out - STEP_M / 2));
    if (speedMs === null) break;
    const last = lanes.at(-1);
    if (last?.speedMs === speedMs) last.toM = out;
    else lanes.push({ toM: out, speedMs });
  }
  if (lanes.length === 0) return null;
  return {
    lanes: inNumber(lanes),
    lieM: Math.abs(lie.y - edge),
    outM: Math.max(0, Math.min(away * (stand.y - edge), Math.abs(lie.y - edge) - 1)),
    standM: stand.x - lie.x,
  };
}

function inNumber(lanes: LanesAcross['lanes']): LanesAcross['lanes'] {
  const widthOf = (list: LanesAcross['lanes'], i: number): number => list[i]!.toM - (list[i - 1]?.toM ?? 0);
  let list = lanes;
  for (;;) {
    const narrow = list.findIndex((_, i) => widthOf(list, i) < NARROWEST_M);
    if (list.length === 1 || (list.length <= MAX && narrow < 0)) break;
    const pairs = list.slice(1).map((lane, i) => ({ i, off: Math.abs(lane.speedMs - list[i]!.speedMs) }));
    const at = narrow >= 0 ? Math.max(0, narrow - 1) : pairs.reduce((a, b) => (b.off < a.off ? b : a)).i;
    const [a, b] = [widthOf(list, at), widthOf(list, at + 1)];
    const speedMs = (list[at]!.speedMs * a + list[at + 1]!.speedMs * b) / (a + b);
    list = [...list.slice(0, at), { toM: list[at + 1]!.toM, speedMs }, ...list.slice(at + 2)];
  }
  while (list.length < FEWEST) {
    const at = list.reduce((widest, _, i) => (widthOf(list, i) > widthOf(list, widest) ? i : widest), 0);
    const { toM, speedMs } = list[at]!;
    list = [...list.slice(0, at), { toM: toM - widthOf(list, at) / 2, speedMs }, ...list.slice(at)];
  }
  return list;
}
