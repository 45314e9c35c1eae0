import type { ReplanCost, ReplanReason } from '@doceo/core';

/** What stands above the rest of a day that goes on otherwise. */
export interface ReplanHeading {
  title: string;
  then: string;
  /** The usual caution; empty where there is none. */
  care: string;
}

/** @param end clock time at which the lesson ends as planned */
export function replanHeading(
  why: ReplanReason,
  { lateMin, end, names }: { lateMin: number; end: string; names: string },
): ReplanHeading {
  switch (why) {
    case 'late':
      return { title: `${lateMin} minutes late.`, then: `This still ends at ${end}`, care: '' };
    case 'thunder':
      return {
        title: 'Thunder.',
        then: 'Rods down, away from water and trees, now',
        care: 'Into a building or a car, and wait half an hour after the last thunder. Local rules and those in charge there decide.',
      };
    case 'wind':
      return {
        title: 'Wind.',
        then: 'Short lines, nobody downwind of a hook',
        care: 'What casts more than six metres of line is left out. Glasses stay on.',
      };
    case 'rising':
      return {
        title: 'The river rises.',
        then: 'Out of the water, up the bank, now',
        care: 'Count everybody. Nobody wades again today unless those who know this river say so.',
      };
    case 'absent':
      return { title: `Without ${names}.`, then: 'The rest for those who are here', care: '' };
  }
}

/** What somebody loses by it: `All` and `upstream mend is left out`, `Sam` and `about 6 tries fewer of 60 at …`. */
export function replanCostText(
  { dropped, fewerTries, ofTries }: ReplanCost,
  { names, everybody, drill }: { names: readonly string[]; everybody: boolean; drill: string },
): { who: string; what: string } {
  const who = everybody ? (names.length > 1 ? `All ${names.length}` : names.join('')) : names.join(', ');
  return {
    who,
    what: dropped
      ? `${drill} is left out`
      : fewerTries > 0
        ? `${drill}: about ${fewerTries} ${fewerTries === 1 ? 'try' : 'tries'} fewer of ${ofTries}`
        : `${drill} is shorter`,
  };
}
