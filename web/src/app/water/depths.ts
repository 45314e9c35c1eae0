import { type DepthGrid, type Lake, lakeDepths } from '@doceo/core';

/** Rows between two words on how far it is. */
const TELL_EVERY = 4;

/** Depths of a lake in cells, its longer side divided into so many. */
export async function computeDepths(
  lake: Lake,
  cells: number,
  tell: (share: number) => unknown,
): Promise<DepthGrid> {
  const longer = Math.max(lake.lengthM, lake.widthM);
  const count = (lengthM: number): number => Math.max(2, Math.round((cells * lengthM) / longer));
  const size = { columns: count(lake.lengthM), rows: count(lake.widthM) };
  const steps = lakeDepths(lake, size);
  for (let row = 1; ; row++) {
    const step = steps.next();
    if (step.done) return step.value;
    if (row % TELL_EVERY === 0) await tell(step.value);
  }
}
