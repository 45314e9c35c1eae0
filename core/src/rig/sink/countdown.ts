import { inRange } from '../../error';
import { type Measured, measuredOf, NOTHING_MEASURED } from '../measured/measured';
import { measuredKey } from '../measured/measured-key';
import { SINK_SPREAD, sinkRate } from '../tackle/lines';
import { LINE_KINDS, type LineKind } from '../tackle/ids';

/** A count by the watch is good to about this share. Estimate. */
const READING_SPREAD = 0.1;

export interface Countdown {
  line: LineKind;
  /** The watch's reading of this line, if there is one. */
  measured: Measured | null;
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
 * @throws CoreError 'out-of-range'
 * A rule of thumb: leader and fly add to it, a retrieve stops it. Count one more each cast until weed, then one less.
 */
export function countdown(line: LineKind, depthM: number, measured = NOTHING_MEASURED): Countdown | null {
  inRange('depthM', depthM, 0);
  const timed = measuredOf(measured, 'line-sink', measuredKey.line(line));
  const rate = timed?.value ?? sinkRate(line);
  const spread = timed ? READING_SPREAD : SINK_SPREAD;
  if (rate === 0) return null;
  return {
    line,
    measured: timed ?? null,
    seconds: depthM / rate,
    fromSeconds: depthM / (rate * (1 + spread)),
    toSeconds: depthM / (rate * (1 - spread)),
  };
}

/** The countdown of every line that sinks, slowest first. */
export function countdownTable(depthM: number, measured = NOTHING_MEASURED): Countdown[] {
  return LINE_KINDS.flatMap((line) => countdown(line, depthM, measured) ?? []).sort(
    (a, b) => b.seconds - a.seconds,
  );
}
