import type { Lineage, PlanVersion } from '@doceo/contract';
import { type MonthTick, monthTicks } from './month-ticks';

/** Room around the streams, and between them, pixels. */
const LEFT_PX = 34;
const RIGHT_PX = 84;
const TOP_PX = 78;
const LANE_PX = 96;
const BOTTOM_PX = 74;
/** How far a stream takes to come over to another lane. */
const BEND_PX = 52;
/** Labels of one lane stand so far apart at the least; what is nearer shows its words when pointed at. */
const LABEL_PX = 128;
const DAY_MS = 86_400_000;
/** What nobody touched or taught for so long is a thin stream, days. */
const UNUSED_DAYS = 90;
/** Most rings that are drawn of lessons. */
const MAX_RINGS = 7;

/** A version as a pool in its stream, or as a stone where nobody was taught by it. */
export interface ValleyPool {
  version: PlanVersion;
  x: number;
  y: number;
  rx: number;
  ry: number;
  rings: { x: number; y: number }[];
  /** Whether there is room for its words. */
  labelled: boolean;
  labelY: number;
  /** Whether the words stand above the stream. */
  above: boolean;
}

export interface ValleyStream {
  planId: string;
  title: string;
  ownerName: string;
  mine: boolean;
  seen: boolean;
  circleName: string | null;
  path: string;
  width: number;
  y: number;
  fromX: number;
  toX: number;
}

export interface Valley {
  widthPx: number;
  heightPx: number;
  streams: ValleyStream[];
  /** Where one comes out of another, or into it again. */
  joins: { key: string; path: string; into: boolean }[];
  pools: ValleyPool[];
  ticks: MonthTick[];
  nowX: number;
  /** Height of the ridge behind which another circle lies; null where there is none. */
  ridgeY: number | null;
}

/**
 * The lineage of a plan as water: a stream for each plan, time from left to right, the origin on top.
 *
 * @param monthText the name of the month of a moment, milliseconds
 */
export function valleyOf(
  { plans, versions }: Lineage,
  widthPx: number,
  nowMs: number,
  monthText: (ms: number) => string,
): Valley {
  const first = Math.min(nowMs - 14 * DAY_MS, ...versions.map(({ at }) => Date.parse(at)));
  const scale = (widthPx - LEFT_PX - RIGHT_PX) / (nowMs - first);
  const xOf = (ms: number): number => Math.round(LEFT_PX + (ms - first) * scale);
  const nowX = xOf(nowMs);
  const lanes = inOrder(plans);
  const yOf = new Map(lanes.map(({ id }, i) => [id, TOP_PX + i * LANE_PX]));
  const byId = new Map(versions.map((version) => [version.id, version]));
  const home = lanes[0]?.circleName ?? null;
  const beyond = lanes.findIndex(({ circleName }) => circleName !== null && circleName !== home);
  const streams = lanes.map(({ id, title, ownerName, mine, seen, circleName }): ValleyStream => {
    const own = versions.filter(({ planId }) => planId === id).map(({ at }) => Date.parse(at));
    const y = yOf.get(id) ?? TOP_PX;
    const from = own.length > 0 ? Math.min(...own) : nowMs - DAY_MS;
    const last = own.length > 0 ? Math.max(...own) : from;
    const isCopy = versions.some((one) => one.planId === id && parentElsewhere(one, byId));
    const fromX = Math.min(xOf(from) + (isCopy ? BEND_PX : 0), nowX - 12);
    return {
      ...{ planId: id, title, ownerName, mine, seen, circleName, y, fromX, toX: nowX },
      width: nowMs - last > UNUSED_DAYS * DAY_MS ? 6 : 13,
      path: `M${fromX} ${y}${rippled(fromX, nowX, y)}`,
    };
  });
  return {
    ...{ widthPx, heightPx: TOP_PX + Math.max(0, lanes.length - 1) * LANE_PX + BOTTOM_PX + 22 },
    ...{ streams, nowX, ticks: monthTicks(first, nowMs, xOf, monthText) },
    joins: forksOf(lanes, versions, byId).flatMap(({ version, from, isLate }) => {
      const [fromY, toY] = [yOf.get(from), yOf.get(version.planId)];
      if (fromY === undefined || toY === undefined) return [];
      const into = version.why === 'merged';
      // What is heard of late is bent back, so that it is there by then.
      const x = xOf(Date.parse(version.at)) - (into || isLate ? BEND_PX : 0);
      return [{ key: version.id, into, path: bend(x, fromY, toY) }];
    }),
    pools: poolsOf(versions, xOf, yOf),
    ridgeY: beyond > 0 ? TOP_PX + (beyond - 0.5) * LANE_PX : null,
  };
}

/** Each plan below the one it was copied from; the circles of others last. */
function inOrder(plans: Lineage['plans']): Lineage['plans'] {
  const known = new Set(plans.map(({ id }) => id));
  const below = (originId: string | null): Lineage['plans'] =>
    plans
      .filter((plan) => (plan.originId && known.has(plan.originId) ? plan.originId : null) === originId)
      .flatMap((plan) => [plan, ...below(plan.id)]);
  const all = below(null);
  const home = all[0]?.circleName ?? null;
  const isHome = ({ circleName }: Lineage['plans'][number]): boolean =>
    circleName === null || circleName === home;
  return [...all.filter(isHome), ...all.filter((plan) => !isHome(plan))];
}

/** A version, and the plan from which something ran into it. */
interface Fork {
  version: PlanVersion;
  from: string;
  /** Whether it ran there before, and one hears of it only now. */
  isLate: boolean;
}

/** Where one plan runs into another. A copy whose beginning is not told comes out of its origin where it is first heard of. */
function forksOf(
  plans: Lineage['plans'],
  versions: readonly PlanVersion[],
  byId: ReadonlyMap<string, PlanVersion>,
): Fork[] {
  const seen = versions.flatMap((version): Fork[] => {
    const other = parentElsewhere(version, byId);
    return other ? [{ version, from: other.planId, isLate: false }] : [];
  });
  const late = plans.flatMap(({ id, originId }): Fork[] => {
    const version = versions.find(({ planId }) => planId === id);
    const isSeen = seen.some((fork) => fork.version.planId === id);
    return originId && version && !isSeen ? [{ version, from: originId, isLate: true }] : [];
  });
  return [...seen, ...late];
}

/** The version of another plan that went into this one, or that it was copied from. */
function parentElsewhere(
  version: PlanVersion,
  byId: ReadonlyMap<string, PlanVersion>,
): PlanVersion | undefined {
  return version.parents.flatMap((id) => byId.get(id) ?? []).find(({ planId }) => planId !== version.planId);
}

function poolsOf(
  versions: readonly PlanVersion[],
  xOf: (ms: number) => number,
  yOf: ReadonlyMap<string, number>,
): ValleyPool[] {
  const lastLabel = new Map<string, number>();
  const newestFirst = [...versions].reverse();
  return newestFirst
    .map((version): ValleyPool => {
      const y = yOf.get(version.planId) ?? TOP_PX;
      const isCopy = version.why === 'copied' && version.parents.length > 0;
      const x = xOf(Date.parse(version.at)) + (isCopy ? BEND_PX : 0);
      const rings = Math.min(MAX_RINGS, version.taught);
      const inRow = Math.ceil(rings / 2);
      const ry = rings === 0 ? 7 : rings > 1 ? 20 : 15;
      const last = lastLabel.get(version.planId);
      const labelled = last === undefined || last - x >= LABEL_PX;
      if (labelled) lastLabel.set(version.planId, x);
      const above = y === TOP_PX;
      return {
        ...{ version, x, y, labelled, above, labelY: above ? y - 24 : y + ry + 14 },
        ...{ rx: rings === 0 ? 7 : 16 + 9 * inRow, ry },
        rings: Array.from({ length: rings }, (_, i) => ({
          x: x + ((i % Math.max(1, inRow)) - (inRow - 1) / 2) * 17,
          y: y + (rings > 1 ? (i < inRow ? -7 : 7) : 0),
        })),
      };
    })
    .reverse();
}

/** A gentle bend from one lane into another. */
function bend(x: number, fromY: number, toY: number): string {
  return `M${x} ${fromY}C${x + BEND_PX * 0.6} ${fromY} ${x + BEND_PX * 0.4} ${toY} ${x + BEND_PX} ${toY}`;
}

/** Water does not run straight. */
function rippled(fromX: number, toX: number, y: number): string {
  const steps = Math.max(1, Math.round((toX - fromX) / 90));
  const step = (toX - fromX) / steps;
  return Array.from({ length: steps }, (_, i) => {
    const x = fromX + i * step;
    const lift = i % 2 === 0 ? -5 : 5;
    return `Q${(x + step / 2).toFixed(1)} ${y + lift} ${(x + step).toFixed(1)} ${y}`;
  }).join('');
}
