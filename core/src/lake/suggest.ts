import { countdownTable, type LineKind, sinkRate } from '../rig';
import { comfortBand, type DepthReading, type Species } from '../water';
import { type Chop, chopOf } from './chop';
import { fansForGroup, type GroupFans, type LakeCaster } from './group-fans';
import type { DepthGrid } from './grid';
import type { Lake } from './lake';
import { retrieveRun, type RetrieveWay, secondsIn } from './retrieve';

export interface LakeOptions {
  /** Who is to stand on the shore. */
  people: readonly LakeCaster[];
  /** A cast of one of whom nobody has seen any, metres. */
  castM: number;
  rodM: number;
  species: Species;
  /** Temperatures by depth, one reading or more. */
  profile: DepthReading[];
  windMs: number;
  /** Where it comes from, degrees from north. */
  windFromDeg: number;
  way: RetrieveWay;
}

/** A line, how long to count, and how long its retrieve stays in the band. */
export interface LineWay {
  line: LineKind;
  countS: number;
  inBandS: number;
  touched: boolean;
}

export interface LakeAdvice extends GroupFans {
  /** Depths to fish; null when nothing is within the best temperatures. */
  band: { fromM: number; toM: number } | null;
  /** Every reading is at or over the temperature at which fishing for it stops. */
  stop: boolean;
  chop: Chop;
  lines: LineWay[];
}

/** Where a fly sinks to the bottom first it is not in the band. Lines longer counted than this are not told, seconds. */
const LONGEST_COUNT_S = 90;

/** Depth band, lines, and places on the shore for still water. The caller tells what cannot be known from a map. */
export function suggestLake(lake: Lake, grid: DepthGrid, options: LakeOptions): LakeAdvice {
  const { bands, stop } = comfortBand(options.profile, options.species);
  const deepest = grid.depthsM.reduce((most, depth) => (depth > most ? depth : most), 0);
  const first = bands[0];
  const band =
    first && first.fromM < deepest ? { fromM: first.fromM, toM: Math.min(first.toM, deepest) } : null;
  const { castM, windMs, windFromDeg } = options;
  return {
    band,
    stop,
    chop: chopOf(windMs),
    lines: band ? waysTo(band, deepest, options) : [],
    ...fansForGroup(lake, grid, options.people, { castM, band, windMs, windFromDeg }),
  };
}

function waysTo(
  band: { fromM: number; toM: number },
  bottomM: number,
  { castM, rodM, way }: LakeOptions,
): LineWay[] {
  const target = (band.fromM + band.toM) / 2;
  return countdownTable(target)
    .filter(({ seconds }) => seconds <= LONGEST_COUNT_S)
    .map(({ line, seconds }) => {
      const run = retrieveRun({ castM, countS: seconds, sinkMs: sinkRate(line), way, rodM, bottomM });
      return { line, countS: seconds, inBandS: secondsIn(run, band), touched: run.touched };
    })
    .sort((a, b) => b.inBandS - a.inBandS);
}
