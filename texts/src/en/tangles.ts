import { formatRoundLength, LONG_LEADER_M, type TanglePart, type UnitSystem } from '@doceo/core';
import type { Evidence } from './problem';

/** What adds to the tangles of a rig, and how many an hour. */
export function tangleText({ of, count, adds }: TanglePart, units: UnitSystem): Evidence {
  return { label: WORDS[of](count ?? 0, units), text: `+${adds.toFixed(1)}` };
}

const WORDS: Record<TanglePart['of'], (count: number, units: UnitSystem) => string> = {
  casting: () => 'casting at all',
  'more-flies': (count) => `${count} more ${count === 1 ? 'fly' : 'flies'}`,
  tags: () => 'length of tags',
  indicator: () => 'indicator',
  shot: (count) => (count === 1 ? 'shot' : `${count} shot`),
  hinges: () => 'hinges',
  'long-leader': (_, units) => `leader beyond ${formatRoundLength(LONG_LEADER_M, units)}`,
};
