import { readFileSync } from 'node:fs';

/** /proc/stat counts in hundredths of a second. */
const TICK_MS = 10;

/** For how long so far a virtual machine had work to do and its host let another one go first, milliseconds. */
export function stolenMs(): number {
  // cpu user nice system idle iowait irq softirq steal ...
  const [, , , , , , , , steal] = readFileSync('/proc/stat', 'utf8').split(/\s+/);
  return Number(steal) * TICK_MS;
}
