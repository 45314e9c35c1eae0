/** Room for the name of a month, and for *today*, which begins so far left of its place, pixels. */
const MONTH_PX = 36;
const TODAY_PX = 14;
/** How many months one name stands for, where there is no room for all. */
const MONTHS_A_NAME = [1, 2, 3, 6, 12];
const DAY_MS = 86_400_000;

/** The first of a month; without words where there is no room for them. */
export interface MonthTick {
  x: number;
  text: string | null;
}

/**
 * The firsts of the months between two moments, named as far as names do not lie over each other or over *today*.
 *
 * @param xOf where a moment lies, pixels
 */
export function monthTicks(
  fromMs: number,
  nowMs: number,
  xOf: (ms: number) => number,
  monthText: (ms: number) => string,
): MonthTick[] {
  const firsts = months(fromMs, nowMs);
  const monthPx = (xOf(nowMs) - xOf(fromMs)) / ((nowMs - fromMs) / (30 * DAY_MS));
  const each = MONTHS_A_NAME.find((count) => count * monthPx >= MONTH_PX) ?? 12;
  const untilX = xOf(nowMs) - TODAY_PX;
  return firsts.flatMap((ms) => {
    const x = xOf(ms);
    const isNamed = new Date(ms).getUTCMonth() % each === 0 && x + MONTH_PX <= untilX;
    return x < untilX ? [{ x, text: isNamed ? monthText(ms) : null }] : [];
  });
}

/** The first of each month between two moments. */
function months(fromMs: number, toMs: number): number[] {
  const at = new Date(fromMs);
  const found: number[] = [];
  for (let month = 1; ; month++) {
    const ms = Date.UTC(at.getUTCFullYear(), at.getUTCMonth() + month, 1);
    if (ms >= toMs) return found;
    found.push(ms);
  }
}
