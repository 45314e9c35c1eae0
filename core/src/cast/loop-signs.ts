import type { LoopFrame } from './loop-cast';

/** What is seen of a cast. */
export interface LoopSigns {
  /** Height of the loop when the fly passes over the tip, metres; null when it never does. */
  loopM: number | null;
  /** How far the fly leg came below the rod leg soon after the stop, metres; zero when it never did. */
  crossesM: number;
  /** Fastest the fly was behind the angler, against the tip's speed at the stop: a whip that cracks is several times as fast. */
  whip: number;
  /** How straight the line lies when the fly comes down: from tip to fly as a share of the line; null while it is in the air. */
  laidShare: number | null;
  /** How near the fly came to the tip of the rod on its way over, metres. */
  nearestM: number;
  faults: LoopFault[];
}

/** Faults of the catalogue that a cast shows. */
export type LoopFault = 'cast.wide-loop' | 'cast.tailing' | 'cast.crack' | 'cast.pile';

/** From these on a sign is a fault. Estimates, set on the strokes that are named after the faults. */
export const WIDE_M = 1.3;
export const CROSSED_M = 0.5;
export const WHIP = 3;
export const PILED = 0.65;

interface Thrown {
  strokeS: number;
  lineM: number;
  tipHeightM: number;
  peakMs: number;
  speedMs: number;
}

/** Reads the signs off a cast's frames. */
export function signsOf(frames: readonly LoopFrame[], thrown: Thrown): LoopSigns {
  const { strokeS, lineM, tipHeightM } = thrown;
  const after = frames.filter(({ atS }) => atS > strokeS);
  const flying = after.filter(({ ys }) => ys.at(-1)! > -tipHeightM + 0.05);
  const over = flying.find(({ xs }) => xs.at(-1)! >= xs[0]!);
  const down = after.find(({ ys }) => ys.at(-1)! <= -tipHeightM + 0.05);
  const laid = down ?? null;
  const gaps = flying
    .filter(({ atS }) => atS < strokeS + EARLY_S)
    .map(legGap)
    .filter((gap) => gap !== null);
  const crossesM = Math.max(0, -Math.min(0, ...gaps.map(({ least }) => least)));
  const loopM = over ? (legGap(over)?.mean ?? null) : null;
  const laidShare =
    laid &&
    Math.abs(laid.xs.at(-1)! - laid.xs[0]!) / Math.sqrt(lineM ** 2 - Math.min(lineM, tipHeightM) ** 2 * 0.9);
  const whip = thrown.peakMs / thrown.speedMs;
  const signs = {
    loopM,
    crossesM,
    whip,
    laidShare: laidShare === null ? null : Math.min(1, laidShare),
    nearestM: Math.min(...flying.map(({ xs, ys }) => Math.hypot(xs.at(-1)! - xs[0]!, ys.at(-1)! - ys[0]!))),
  };
  return { ...signs, faults: faultsOf(signs) };
}

function faultsOf({ loopM, crossesM, whip, laidShare }: Omit<LoopSigns, 'faults'>): LoopFault[] {
  return [
    ...(whip > WHIP ? ['cast.crack' as const] : []),
    ...(crossesM > CROSSED_M ? ['cast.tailing' as const] : []),
    ...(loopM !== null && loopM > WIDE_M ? ['cast.wide-loop' as const] : []),
    ...(loopM === null || (laidShare !== null && laidShare < PILED) ? ['cast.pile' as const] : []),
  ];
}

/** A loop that tails does so soon after the stop; a fly leg that sinks through later is only slow. Estimate, seconds. */
const EARLY_S = 0.3;
/** The end of the fly leg sinks in every cast and is not looked at: this share of the line. */
const TAIL = 0.2;

/** How far the fly leg lies above the rod leg, where both are: on the mean, and at the least; null without two legs. */
function legGap({ xs, ys }: LoopFrame): { mean: number; least: number } | null {
  const front = xs.reduce((best, x, i) => (x > xs[best]! ? i : best), 0);
  if (front < 3 || front > xs.length - 4) return null;
  const gaps: number[] = [];
  for (let i = front + 2; i < xs.length * (1 - TAIL); i++) {
    const x = xs[i]!;
    if (x < xs[0]!) break;
    for (let j = 1; j < front - 1; j++) {
      const [a, b] = [xs[j]!, xs[j + 1]!];
      if ((a - x) * (b - x) > 0 || a === b) continue;
      gaps.push(ys[i]! - (ys[j]! + ((x - a) / (b - a)) * (ys[j + 1]! - ys[j]!)));
      break;
    }
  }
  if (gaps.length < 2) return null;
  return { mean: gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length, least: Math.min(...gaps) };
}
