import { readFileSync } from 'node:fs';

/** /proc/stat counts in hundredths of a second. */
const TICK_MS = 10;

/**
 * For how long so far each processor of a virtual machine had work to do and its host let another one go first,
 * milliseconds.
 */
export function stolenMs(): number[] {
  // cpu0 user nice system idle iowait irq softirq steal ...
  return [...readFileSync('/proc/stat', 'utf8').matchAll(/^cpu\d+((?: \d+){8})/gm)].map(
    ([, counts = '']) => Number(counts.split(' ').at(-1)) * TICK_MS,
  );
}

/** The most that any processor was kept back since, milliseconds. */
export function stolenSince(before: readonly number[]): number {
  return Math.max(0, ...stolenMs().map((now, i) => now - (before[i] ?? now)));
}
