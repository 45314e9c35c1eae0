import { quantileSorted } from 'd3-array';
import type { Curriculum } from '../curriculum';
import { seededRandom } from '../random';
import { curriculumOf, drillOf } from './carried';
import type { Block, BlockKind, PlanBody } from './plan';
import { type OrderRow, runningOrder } from './running-order';
import { endOf } from './timing';

/** How long something may take, minutes: the least, the likely and the most. */
export interface SoftMinutes {
  leastMin: number;
  likelyMin: number;
  mostMin: number;
}

/** Of what is no drill, the least and the most as shares of what is planned. Rules of thumb: a break runs over easily. */
const PLAIN_SPREAD: Readonly<Record<BlockKind, readonly [number, number]>> = {
  safety: [0.8, 1.3],
  talk: [0.8, 1.4],
  'warm-up': [0.8, 1.2],
  demonstration: [0.8, 1.4],
  drill: [0.8, 1.3],
  fishing: [0.9, 1.2],
  break: [0.9, 1.5],
  debrief: [0.7, 1.3],
};

/**
 * How long a block may take: as its instructor said; else as its drill spreads about its likely time; else by a rule of
 * thumb of its kind.
 */
export function softMinutes(curriculum: Curriculum, block: Block): SoftMinutes {
  const { durationMin: likelyMin, soonestMin, latestMin, kind } = block;
  const drill = drillOf(curriculum, block);
  const [less, more] = drill
    ? [steered(drill.minutes.min / drill.minutes.likely), steered(drill.minutes.max / drill.minutes.likely)]
    : PLAIN_SPREAD[kind];
  return {
    leastMin: Math.min(likelyMin, soonestMin ?? likelyMin * less),
    likelyMin,
    mostMin: Math.max(likelyMin, latestMin ?? likelyMin * more),
  };
}

/** Who teaches keeps an eye on the clock: a drill strays half as far as it could. A rule of thumb. */
function steered(share: number): number {
  return 1 + (share - 1) / 2;
}

/** When a lesson ends if each block takes as long as it takes. */
export interface Overrun {
  /** In one lesson of ten it ends sooner, in half, in nine of ten; minutes from its start. */
  soonestMin: number;
  likelyMin: number;
  latestMin: number;
  /** Chance that it ends after its planned end, 0…1. */
  late: number;
  /** Ends of all lessons that were run, minutes, in rising order. */
  endsMin: readonly number[];
}

const RUNS = 4000;

/**
 * When a plan ends: many lessons are run, in each of which every block takes a time drawn from its least, likely and most
 * minutes (a triangular distribution), what several do alike one time for all. A block begins when all who do it are
 * free; a gap on purpose is waited for. Null for an empty plan.
 *
 * @param runs how many lessons, a plain number from 1
 */
export function overrun(
  curriculum: Curriculum,
  plan: PlanBody,
  { seed = 'overrun', runs = RUNS }: { seed?: string; runs?: number } = {},
): Overrun | null {
  const own = curriculumOf(curriculum, plan);
  const rows = runningOrder(plan).map((row) => toRow(own, row, plan));
  if (rows.length === 0) return null;
  const random = seededRandom(seed);
  const free = new Float64Array(plan.groupSize);
  const endsMin = new Float64Array(runs);
  for (let run = 0; run < runs; run++) {
    free.fill(0);
    let end = 0;
    for (const { lanes, soft, notBeforeMin } of rows) {
      let start = notBeforeMin;
      for (const lane of lanes) start = Math.max(start, free[lane]!);
      const at = start + drawn(soft, random());
      for (const lane of lanes) free[lane] = at;
      end = Math.max(end, at);
    }
    endsMin[run] = end;
  }
  const sorted = [...endsMin.sort()];
  return {
    soonestMin: quantileSorted(sorted, 0.1) ?? 0,
    likelyMin: quantileSorted(sorted, 0.5) ?? 0,
    latestMin: quantileSorted(sorted, 0.9) ?? 0,
    late: sorted.filter((end) => end > plan.lengthMin).length / runs,
    endsMin: sorted,
  };
}

interface Row {
  lanes: readonly number[];
  soft: SoftMinutes;
  /** A gap before it is on purpose: it does not begin sooner, minutes. */
  notBeforeMin: number;
}

function toRow(curriculum: Curriculum, { blocks }: OrderRow, plan: PlanBody): Row {
  const everybody = Array.from({ length: plan.groupSize }, (_, lane) => lane);
  const lanes = blocks.some(({ lane }) => lane === null)
    ? everybody
    : blocks.flatMap(({ lane }) => (lane !== null && lane < plan.groupSize ? lane : []));
  const [block] = blocks;
  const lastEnd = plan.blocks
    .filter((one) => endOf(one) <= block.startMin && (one.lane === null || lanes.includes(one.lane)))
    .reduce((end, one) => Math.max(end, endOf(one)), 0);
  return {
    lanes,
    soft: softMinutes(curriculum, block),
    notBeforeMin: block.startMin > lastEnd ? block.startMin : 0,
  };
}

/**
 * A time from a triangular distribution.
 *
 * @param share of all times how many are shorter, 0…1
 * @returns minutes
 */
function drawn({ leastMin, likelyMin, mostMin }: SoftMinutes, share: number): number {
  const width = mostMin - leastMin;
  if (width <= 0) return likelyMin;
  const peak = (likelyMin - leastMin) / width;
  return share < peak
    ? leastMin + Math.sqrt(share * width * (likelyMin - leastMin))
    : mostMin - Math.sqrt((1 - share) * width * (mostMin - likelyMin));
}
