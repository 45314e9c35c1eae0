import { type DepthGrid, type Lake, lakeDepths } from '@doceo/core';

/** Rows between two words on how far it is. */
const TELL_EVERY = 4;

/** Most cells along a side. */
const MAX = 1000;

/** Depths of a lake in square cells, as many as a square of so many each way has. */
export async function computeDepths(
  lake: Lake,
  cells: number,
  tell: (share: number) => unknown,
): Promise<DepthGrid> {
  const shape = Math.sqrt(lake.lengthM / lake.widthM);
  const count = (side: number): number => Math.max(2, Math.min(MAX, Math.round(side)));
  const size = { columns: count(cells * shape), rows: count(cells / shape) };
  const steps = lakeDepths(lake, size);
  for (let row = 1; ; row++) {
    const step = steps.next();
    if (step.done) return step.value;
    if (row % TELL_EVERY === 0) await tell(step.value);
  }
}
