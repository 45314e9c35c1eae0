import type { Drill } from '../drill';

/** Safety talks and fish-care drills. They remind; local rules and licensed people decide. */
export const SAFETY_CARE_DRILLS: Drill[] = [
  {
    id: 'hats-and-glasses', name: 'Safety talk', strand: 'safety', skills: ['safety.eyes-hat', 'safety.hook-distance'], minutes: { min: 8, likely: 10, max: 15 }, ground: 'anywhere',
    gear: ['hats', 'glasses', 'first-aid kit'], cue: 'Hat, glasses, look behind.', how: 'Everybody puts on hat and glasses. Two line lengths apart, pace it out. What to do about a hook in skin: eyes and face are for a doctor. Ask about health and swimming.',
    success: { good: 1, of: 1, at: 'all wear both' }, watchFor: ['safety.no-glasses', 'safety.too-near'], lineOutM: 0, attemptsPerMin: 0.2, adaptation: 'Minors: guardian’s number on the card.',
  },
  {
    id: 'wading-dry', name: 'Wade on dry land', strand: 'safety', skills: ['safety.wade-basic'], minutes: { min: 6, likely: 8, max: 12 }, ground: 'anywhere',
    gear: ['staffs', 'belts'], cue: 'Staff, belt, shuffle, exit below.', how: 'On the bank: shuffle side-on with the staff upstream, turn back, fall and roll on grass. Knee depth is the limit unless the instructor says otherwise on the spot.',
    success: { good: 3, of: 3, at: 'shuffle and turn' }, watchFor: ['safety.no-belt', 'water.wades-deep'], lineOutM: 0, attemptsPerMin: 0.5, adaptation: 'Who does not wade stays on the bank: every lie has a dry stand.',
  },
  {
    id: 'thunder-drill', name: 'First thunder', strand: 'safety', skills: ['safety.storm'], minutes: { min: 3, likely: 5, max: 8 }, ground: 'anywhere',
    gear: ['whistle'], cue: 'Whistle: rods down, out, together.', how: 'On the whistle: rods flat, off the water, to the meeting place. Local rule decides when to return, commonly half an hour after the last thunder.',
    success: { good: 1, of: 1, at: 'all at the meeting place' }, watchFor: ['safety.stays-out'], lineOutM: 0, attemptsPerMin: 0.3, adaptation: 'Name a helper for each minor.',
  },
  {
    id: 'wet-hands-net', name: 'Net, wet hands, let go', strand: 'fish-care', skills: ['fish-care.wet-hands', 'fish-care.unhook-in-water', 'fish-care.revive'], minutes: { min: 8, likely: 15, max: 20 }, ground: 'anywhere',
    gear: ['rubber net', 'wet sponge fish', 'forceps'], cue: 'Wet hands. Fly out first.', how: 'With a sponge fish in a bucket or at the edge: wet hands, lead over the net, fly out in the water, hold upright until it goes.',
    success: { good: 3, of: 3, at: 'never dry, never in the air' }, watchFor: ['fish.dry-hands', 'fish.air', 'fish.squeeze', 'fish.chase-net'], lineOutM: 0, attemptsPerMin: 0.4, adaptation: 'Child: two-handed net.',
  },
  {
    id: 'thermometer-first', name: 'Thermometer first', strand: 'fish-care', skills: ['fish-care.temperature-stop'], minutes: { min: 3, likely: 5, max: 8 }, ground: 'anywhere',
    gear: ['thermometer'], cue: 'Read it before the rod is up.', how: 'Read the water in the shade, at depth. Say the limit for the fish here and what we do above it.',
    success: { good: 1, of: 1, at: 'reading and limit said' }, watchFor: ['fish.warm-water'], lineOutM: 0, attemptsPerMin: 0.3, adaptation: 'Read it aloud for the group.',
  },
];
