import type { Kit, KitEntry } from '@doceo/core';

const entry = (
  item: string,
  count: number,
  priceEach: number | null,
  rest: Partial<KitEntry> = {},
): KitEntry => ({
  ...{ item, count, priceEach, lengthM: null, rodFor: 'anybody', reelHand: 'either', note: '' },
  ...rest,
});

/** What the school has: enough for most days, and not for all. */
export const DEMO_KIT: Kit = {
  currency: 'EUR',
  entries: [
    entry('rod', 3, 120, { lengthM: 2.7, reelHand: 'left' }),
    entry('rod', 1, 95, { lengthM: 2.3, rodFor: 'child' }),
    entry('glasses', 8, 14),
    entry('hat', 5, 12),
    entry('net', 2, 45),
    entry('wading boots', 2, 110, { note: 'size 42' }),
    entry('wading belt', 4, 9),
    entry('wading staff', 3, 38),
    entry('thermometer', 1, 16),
    entry('first-aid kit', 1, 32),
    entry('hoop', 6, 4),
  ],
};
