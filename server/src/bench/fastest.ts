/** Fastest of several runs, milliseconds: the least disturbed one. */
export function fastestMs(work: () => unknown, runs = 15): number {
  work();
  return Math.min(
    ...Array.from({ length: runs }, () => {
      const start = performance.now();
      work();
      return performance.now() - start;
    }),
  );
}
