import { endOf, type Overrun, type PlanBody, type PlanChanges, rowKey } from '@doceo/core';

/** Something as it was, beside the lanes; with a loop to where it went. */
export interface Ghost {
  key: string;
  top: number;
  height: number;
  /** Path from the old place to the new one, and its head; null for what goes, or hardly moves. */
  loop: string | null;
  head: string | null;
}

/** More loops than this are a tangle: then only what was there is shown. */
const MAX_LOOPS = 5;
/** Moves of fewer minutes are no loop. */
const LEAST_MOVE_MIN = 10;
/** Where the strip of what was there ends, and how far a loop swings out, pixels. */
const STRIP_PX = 11;
const SWING_PX = 44;

/** What a plan had where it is not any more. */
export function ghostsOf(before: PlanBody, { rows, gone }: PlanChanges, pxPerMin: number): Ghost[] {
  const was = new Map(before.blocks.map((block) => [block.id, block]));
  const moved = rows.flatMap(({ row, change }) => {
    if (change.kind !== 'moves') return [];
    const old = row.blocks.map(({ id }) => was.get(id)).find(Boolean);
    return old ? [{ key: rowKey(row), old, now: row.blocks[0], byMin: change.byMin }] : [];
  });
  const far = moved.filter(({ byMin }) => Math.abs(byMin) >= LEAST_MOVE_MIN);
  const ghostOf = (old: { startMin: number; durationMin: number }): { top: number; height: number } => ({
    top: old.startMin * pxPerMin,
    height: old.durationMin * pxPerMin,
  });
  return [
    ...moved.map(({ key, old, now, byMin }): Ghost => {
      const isLooped = far.length <= MAX_LOOPS && Math.abs(byMin) >= LEAST_MOVE_MIN;
      const from = (old.startMin + old.durationMin / 2) * pxPerMin;
      const to = (now.startMin + endOf(now)) * 0.5 * pxPerMin;
      return {
        ...{ key, ...ghostOf(old) },
        loop: isLooped ? `M${STRIP_PX} ${from}C${SWING_PX} ${from} ${SWING_PX} ${to} 4 ${to}` : null,
        head: isLooped ? `M-3 ${to}l8 -4.5v9z` : null,
      };
    }),
    ...gone.map((row): Ghost => ({
      ...{ key: rowKey(row), ...ghostOf(row.blocks[0]) },
      ...{ loop: null, head: null },
    })),
  ];
}

/** The ends a lesson may have: a hatched band, and a hump where most of them lie. */
export interface HumpBand {
  top: number;
  height: number;
  /** Heights of the lines of the hatching. */
  lines: number[];
  hump: string;
}

/** Widest place of the hump, and the lines of the hatching apart, pixels. */
const HUMP_PX = 28;
const HATCH_PX = 6;
/** Width of one step of the hump, minutes. */
const STEP_MIN = 3;

export function bandOf({ soonestMin, latestMin, endsMin }: Overrun, pxPerMin: number): HumpBand {
  const top = soonestMin * pxPerMin;
  const height = Math.max(2, (latestMin - soonestMin) * pxPerMin);
  const counts: number[] = [];
  const first = endsMin[0] ?? 0;
  for (const end of endsMin) {
    const step = Math.floor((end - first) / STEP_MIN);
    counts[step] = (counts[step] ?? 0) + 1;
  }
  const filled = Array.from(counts, (count) => count ?? 0);
  const most = Math.max(1, ...filled);
  const points = filled.map((count, i) => {
    const y = (first + (i + 0.5) * STEP_MIN) * pxPerMin;
    return `L${((count / most) * HUMP_PX).toFixed(1)} ${y.toFixed(1)}`;
  });
  const last = (first + filled.length * STEP_MIN) * pxPerMin;
  return {
    ...{ top, height },
    lines: Array.from({ length: Math.floor(height / HATCH_PX) }, (_, i) => top + (i + 1) * HATCH_PX),
    hump: `M0 ${(first * pxPerMin).toFixed(1)}${points.join('')}L0 ${last.toFixed(1)}Z`,
  };
}
