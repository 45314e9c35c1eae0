import type { Point } from '../geometry';
import { inRange } from '../error';

/** The way of the rod tip in a forward cast, seen from the side: x forward, y up from where it starts. SI. */
export interface TipStroke {
  /** The path goes smoothly through these; the first is the start. */
  points: Point[];
  /** Speed of the tip when it is stopped, or would be, m/s. */
  speedMs: number;
  /** When the power comes: 2 all the way alike, less is early, more is late. Way gone = (time)^power. */
  power: number;
  /** How long the tip takes to come to rest, and how far it then falls below its path. */
  stopS: number;
  dropM: number;
  /** How much of the back cast had unrolled when the stroke began, a share of the line. */
  backShare: number;
}

export const STROKES = [
  'straight',
  'wide-arc',
  'dip',
  'creep',
  'soon',
  'early-stop',
  'late-stop',
  'no-stop',
] as const;
export type StrokeKind = (typeof STROKES)[number];

const along = (lengthM: number, riseM: number, bowM: number): Point[] =>
  [0, 0.25, 0.5, 0.75, 1].map((share) => ({
    x: lengthM * share,
    y: riseM * share + 4 * bowM * share * (1 - share),
  }));

/** What a beginner does, as a way of the tip with nine metres of line; estimates that show what is meant. */
export function strokeOf(kind: StrokeKind): TipStroke {
  const good: TipStroke = {
    points: along(2.2, 0.25, 0.04),
    ...{ speedMs: 20, power: 2, stopS: 0.025, dropM: 0.6, backShare: 1 },
  };
  switch (kind) {
    case 'straight':
      return good;
    case 'wide-arc':
      return { ...good, points: along(2.5, -0.7, 0.6), stopS: 0.05, dropM: 1.2 };
    case 'dip':
      return { ...good, points: along(2, 0.4, -0.35), power: 1.6, dropM: 0.1 };
    case 'creep':
      return { ...good, points: along(1.2, 0.3, -0.25), power: 1.5, speedMs: 18, dropM: 0.1 };
    case 'soon':
      return { ...good, backShare: 0.6 };
    case 'early-stop':
      return { ...good, points: along(1.2, 0.6, 0.05), speedMs: 11 };
    case 'late-stop':
      return { ...good, points: along(3.2, -1.1, 0.55), stopS: 0.05, dropM: 0.6 };
    case 'no-stop':
      return { ...good, points: along(2.4, -0.1, 0.3), speedMs: 13, stopS: 0.35, dropM: 1.3 };
  }
}

export interface TipWay {
  /** Seconds from the start until the stop begins. */
  strokeS: number;
  at: (atS: number) => Point;
}

/** After the stop the tip falls for so long, seconds. */
const FALLS_S = 0.1;
const SAMPLES = 200;

/** Where the tip is at each time. */
export function tipTrajectory(stroke: TipStroke): TipWay {
  checkStroke(stroke);
  const samples = Array.from({ length: SAMPLES + 1 }, (_, i) => splineAt(stroke.points, i / SAMPLES));
  const ways = [0];
  for (let i = 1; i <= SAMPLES; i++)
    ways.push(
      ways[i - 1]! + Math.hypot(samples[i]!.x - samples[i - 1]!.x, samples[i]!.y - samples[i - 1]!.y),
    );
  const lengthM = ways[SAMPLES]!;
  const { speedMs, power, stopS, dropM } = stroke;
  const strokeS = (power * lengthM) / speedMs;
  const [last, before] = [samples[SAMPLES]!, samples[SAMPLES - 4]!];
  const size = Math.hypot(last.x - before.x, last.y - before.y) || 1;
  const goes = { x: (last.x - before.x) / size, y: (last.y - before.y) / size };
  const onPath = (wayM: number): Point => {
    let low = 0;
    let high = SAMPLES;
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (ways[middle]! <= wayM) low = middle;
      else high = middle;
    }
    const share = (wayM - ways[low]!) / (ways[high]! - ways[low]! || 1);
    const [a, b] = [samples[low]!, samples[high]!];
    return { x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share };
  };
  return {
    strokeS,
    at: (atS) => {
      if (atS < strokeS) return onPath(lengthM * (atS / strokeS) ** power);
      const slowing = Math.min(1, (atS - strokeS) / stopS);
      const on = speedMs * stopS * (slowing - slowing ** 2 / 2);
      const falling = Math.min(1, (atS - strokeS) / Math.max(FALLS_S, stopS));
      return {
        x: last.x + goes.x * on,
        y: last.y + goes.y * on - dropM * falling ** 2 * (3 - 2 * falling),
      };
    },
  };
}

/** Catmull and Rom's spline through the points, by a share of the whole. */
function splineAt(points: readonly Point[], share: number): Point {
  const spans = points.length - 1;
  const at = Math.min(spans - 1e-9, share * spans);
  const k = Math.floor(at);
  const t = at - k;
  const p = (i: number): Point => points[Math.max(0, Math.min(spans, i))]!;
  const [a, b, c, d] = [p(k - 1), p(k), p(k + 1), p(k + 2)];
  const one = (u: number, v: number, w: number, z: number): number =>
    0.5 * (2 * v + (w - u) * t + (2 * u - 5 * v + 4 * w - z) * t * t + (3 * v - u - 3 * w + z) * t ** 3);
  return { x: one(a.x, b.x, c.x, d.x), y: one(a.y, b.y, c.y, d.y) };
}

function checkStroke({ points, speedMs, power, stopS, dropM, backShare }: TipStroke): void {
  inRange('points', points.length, 2, 40);
  points.forEach(({ x, y }, i) => {
    inRange(`points[${i}].x`, x, -6, 6);
    inRange(`points[${i}].y`, y, -4, 4);
  });
  const length = points
    .slice(1)
    .reduce((sum, { x, y }, i) => sum + Math.hypot(x - points[i]!.x, y - points[i]!.y), 0);
  inRange('length of the path', length, 0.2, 10);
  inRange('speedMs', speedMs, 2, 40);
  inRange('power', power, 1.1, 6);
  inRange('stopS', stopS, 0.01, 1);
  inRange('dropM', dropM, 0, 3);
  inRange('backShare', backShare, 0.3, 1);
}
