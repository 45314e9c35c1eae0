import type { Measured } from './measured';

/** The line of a figure that tells of the readings behind it; none without. */
export function measuredLine(measured: Measured | null | undefined): { label: string; text: string }[] {
  if (!measured) return [];
  return [
    {
      label: 'measured',
      text: `${measured.readings} ${measured.readings === 1 ? 'reading' : 'readings'}, last ${measured.on}`,
    },
  ];
}
