import type { GoodThing, Sureness } from '@doceo/core';

/** Something good of a day in words, and what it was seen by. */
export function goodThingText(good: GoodThing): { text: string; evidence: string } {
  if (good.kind === 'fish')
    return {
      text: good.count === 1 ? 'A fish to hand' : `${good.count} fish to hand`,
      evidence: 'and let go again',
    };
  const { name, goods, n, rise } = good;
  const more = rise === null ? '' : `, ${Math.round(rise * 100)} in a hundred more than before`;
  return {
    text: `${name} ${rise === null ? 'went well' : 'is coming on'}`,
    evidence: `${goods} good of ${n}${more}`,
  };
}

/** How sure an estimate is. */
export const SURENESS_TEXTS: Record<Sureness, string> = {
  'not-seen': 'not seen yet',
  barely: 'barely sure',
  fairly: 'fairly sure',
  sure: 'sure',
};
