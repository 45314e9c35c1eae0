/** How tall a line of the running order is, pixels; and what of the timeline one minute takes at the least. */
export const ROW_PX = 44;
const MIN_PX_PER_MIN = 1.9;
/** A block of the least length still holds its number. */
const SHORTEST_PX = 15;

/** Where the timeline and its lines stand. */
export interface OrderLayout {
  pxPerMin: number;
  heightPx: number;
  /** Top of each line, in their order. */
  rowTops: number[];
}

/**
 * Places the lines of a running order beside their blocks: each at its hour, pushed down where the one before needs the
 * room. The timeline is so tall that lines seldom move far.
 *
 * @param startMins start of each line in minutes, rising
 * @param shortestMin the shortest block, minutes
 * @param belowPx what stands below a line and needs room, by the line's place
 */
export function layOut(
  startMins: readonly number[],
  totalMin: number,
  shortestMin: number,
  belowPx: readonly number[] = [],
): OrderLayout {
  const pxPerMin = Math.max(
    MIN_PX_PER_MIN,
    (startMins.length * ROW_PX) / totalMin,
    shortestMin > 0 ? SHORTEST_PX / shortestMin : 0,
  );
  let free = 0;
  const rowTops = startMins.map((startMin, i) => {
    const top = Math.max(startMin * pxPerMin, free);
    free = top + ROW_PX + (belowPx[i] ?? 0);
    return top;
  });
  return { pxPerMin, heightPx: Math.max(totalMin * pxPerMin, free), rowTops };
}
