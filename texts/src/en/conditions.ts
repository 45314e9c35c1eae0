import type { AlertKind, ConditionAlert, WindowReason } from '@doceo/core';

interface AlertWords {
  title: string;
  reason: string;
}

const WINDY_RIVER: AlertWords = {
  title: 'Too windy for beginners to cast',
  reason:
    'Wind on the casting side brings the hook to the face: glasses on, change banks, roll casts, or practise knots.',
};
const WINDY_LAKE: AlertWords = {
  title: 'Too much wind for small craft',
  reason:
    'Fish from the bank, the wind on the side away from the casting hand. Boats only as the local rule and their keeper say.',
};
const ICE_RIVER: AlertWords = {
  title: 'Frost: ice on stones and banks',
  reason: 'Stones, ladders and rod rings ice up. Studs and staff, short turns, nobody near deep water alone.',
};
const ICE_LAKE: AlertWords = {
  title: 'There may be ice',
  reason: 'Nobody steps on ice, and nobody wades under its edge. Ask who keeps this water; teach on grass.',
};

/** Words of each alert, over running and over still water. */
const ALERTS: Record<AlertKind, { running: AlertWords; still: AlertWords }> = {
  thunder: alike({
    title: 'Thunder is likely',
    reason:
      'Any thunder: off the water at once, rods down, they conduct. Back as the local rule says, commonly 30 min after the last thunder.',
  }),
  rising: alike({
    title: 'The river is rising',
    reason:
      'A rising river means out of the water. Teach on grass or from the bank; ask who knows this river.',
  }),
  'too-warm': alike({
    title: 'The water may be too warm for the fish',
    reason:
      'Take the temperature before the first cast. Above the limit of the species fishing for it stops.',
  }),
  windy: { running: WINDY_RIVER, still: WINDY_LAKE },
  glass: alike({
    title: 'Glass calm',
    reason: 'The hardest surface to fish: finer, farther, slower; or teach something else.',
  }),
  'cold-wading': alike({
    title: 'Cold water to wade in',
    reason:
      'Short turns, dry clothes at hand, from the bank where it can be. Cold takes strength before it is felt.',
  }),
  ice: { running: ICE_RIVER, still: ICE_LAKE },
  'heavy-rain': alike({
    title: 'Heavy rain',
    reason: 'Hoods shut out the voice: say it before. The river answers hours later.',
  }),
};

function alike(words: AlertWords): { running: AlertWords; still: AlertWords } {
  return { running: words, still: words };
}

/** What an alert says, and what to do. */
export function alertText({ kind, still }: Pick<ConditionAlert, 'kind' | 'still'>): AlertWords {
  return ALERTS[kind][still ? 'still' : 'running'];
}

const WINDOW_REASONS: Record<Extract<WindowReason, string>, string> = {
  'cold-water': 'Cold water: fish feed little',
  'warm-water': 'Warm water: fish feed little',
  'little-wind': 'Little wind',
  'light-chop': 'A light chop',
  dry: 'Dry',
};

/** What speaks for or against a stretch of the day. */
export function windowReasonText(reason: WindowReason): string {
  return typeof reason === 'string' ? WINDOW_REASONS[reason] : alertText(reason).title;
}
