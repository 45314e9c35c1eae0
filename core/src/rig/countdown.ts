import { inRange } from '../error';
import { LINE_KINDS, type LineKind, SINK_SPREAD, sinkRate } from './lines';

export interface Countdown {
  line: LineKind;
  /** Seconds to the depth, and with the spread of lines. */
  seconds: number;
  fromSeconds: number;
  toSeconds: number;
}

/**
 * Seconds to count until a line has sunk to a depth: depth ÷ sink rate.
 *
 * @param depthM metres, ≥ 0
 * @returns null for a line that does not sink
 * A rule of thumb: leader and fly add to it, a retrieve stops it. Count one more each cast until weed, then one less.
 */
export function countdown(line: LineKind, depthM: number): Countdown | null {
  inRange('depthM', depthM, 0);
  const rate = sinkRate(line);
  if (rate === 0) return null;
  return {
    line,
    seconds: depthM / rate,
    fromSeconds: depthM / (rate * (1 + SINK_SPREAD)),
    toSeconds: depthM / (rate * (1 - SINK_SPREAD)),
  };
}

/** The countdown of every line that sinks, slowest first. */
export function countdownTable(depthM: number): Countdown[] {
  return LINE_KINDS.flatMap((line) => countdown(line, depthM) ?? []).sort((a, b) => b.seconds - a.seconds);
}
