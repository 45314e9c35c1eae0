import type { Drill } from '../drill';

/** Hook-setting drills. */
export const HOOK_SETTING_DRILLS: Drill[] = [
  {
    id: 'finger-trap', name: 'Under the finger', strand: 'hook-setting', skills: ['hook-setting.line-hand-control'], minutes: { min: 5, likely: 8, max: 12 }, ground: 'anywhere',
    gear: ['rod', 'yarn tuft'], cue: 'Land, trap, strip.', how: 'As the line lands it goes under the finger. Partner tugs at any moment: nothing may slip.',
    success: { good: 8, of: 10, at: 'nothing slips on the tug' }, watchFor: ['set.slack', 'set.no-reaction'], lineOutM: 6, attemptsPerMin: 2, adaptation: 'Left hand: mirror.',
  },
  {
    id: 'strip-the-slack', name: 'Keep up with the drift', strand: 'hook-setting', skills: ['hook-setting.slack-management', 'hook-setting.line-hand-control'], minutes: { min: 8, likely: 12, max: 15 }, ground: 'river',
    gear: ['indicator rig, no hook'], cue: 'It comes, you strip.', how: 'Up and across, strip at the speed of the bubbles. On “now” lift: the indicator must jump at once.',
    success: { good: 7, of: 10, at: 'indicator jumps on “now”' }, watchFor: ['set.slack', 'set.late'], lineOutM: 7, attemptsPerMin: 2, adaptation: 'Shoulder: rod tip low, strip only.',
  },
  {
    id: 'partner-takes', name: 'Partner is the fish', strand: 'hook-setting', skills: ['hook-setting.see-take', 'hook-setting.set-timing'], minutes: { min: 6, likely: 10, max: 15 }, ground: 'grass',
    gear: ['rod', 'indicator', 'yarn tuft'], cue: 'Anything it did not do before.', how: 'The partner holds the tuft and moves it: twitch, stop, sideways, dip. Set on each. Swap after ten.',
    success: { good: 8, of: 10, at: 'sets on twitch and stop' }, watchFor: ['set.no-reaction', 'set.late'], lineOutM: 7, attemptsPerMin: 3, adaptation: 'Weak eyes: brighter indicator, sun behind.',
  },
  {
    id: 'set-on-anything', name: 'Set on anything', strand: 'hook-setting', skills: ['hook-setting.see-take', 'hook-setting.set-direction', 'hook-setting.set-timing'], minutes: { min: 15, likely: 25, max: 40 }, ground: 'river',
    gear: ['indicator rig', 'glasses', 'hat', 'net'], cue: 'Low, downstream, a wrist’s length.', how: 'Fish. Every stop, dip and twitch is a take, bottom too. Low and downstream, then look.',
    success: { good: 8, of: 10, at: 'sets within half a second' }, watchFor: ['set.late', 'set.upstream', 'set.slack', 'set.no-reaction', 'set.break', 'set.early'], lineOutM: 7, attemptsPerMin: 1, adaptation: 'Call the takes for the first five.',
  },
  {
    id: 'sweep-low', name: 'Low and downstream', strand: 'hook-setting', skills: ['hook-setting.set-direction'], minutes: { min: 6, likely: 10, max: 15 }, ground: 'anywhere',
    gear: ['rod', 'yarn tuft', 'cane across the shoulder line'], cue: 'Under the cane.', how: 'A cane at shoulder height on the upstream side. Every set goes under it and downstream.',
    success: { good: 8, of: 10, at: 'rod stays under the cane' }, watchFor: ['set.upstream', 'set.slack'], lineOutM: 6, attemptsPerMin: 3, adaptation: 'Left hand: cane on the other side.',
  },
  {
    id: 'strip-set', name: 'Strip, do not lift', strand: 'hook-setting', skills: ['hook-setting.strip-set'], minutes: { min: 6, likely: 10, max: 15 }, ground: 'stillwater',
    gear: ['rod', 'streamer, no hook'], cue: 'Rod points at the fly. Pull.', how: 'Partner or jetty holds the fly. On the tug: long strip, rod stays low. A lift is a fault.',
    success: { good: 8, of: 10, at: 'rod low through the strip' }, watchFor: ['set.trout-lift', 'set.slack', 'set.late'], lineOutM: 8, attemptsPerMin: 2, adaptation: 'Shoulder: easier than lifting.',
  },
  {
    id: 'play-the-partner', name: 'Play the partner', strand: 'hook-setting', skills: ['hook-setting.play-fish'], minutes: { min: 6, likely: 10, max: 15 }, ground: 'grass',
    gear: ['rod', 'leader loop in the partner’s hand'], cue: 'High when it runs, low to turn.', how: 'The partner walks, runs, turns. The student keeps the bend, gives line, turns with the rod low.',
    success: { good: 4, of: 5, at: 'no slack, no snap' }, watchFor: ['fish.tight-drag', 'fish.line-foot', 'set.break'], lineOutM: 9, attemptsPerMin: 0.6, adaptation: 'Child: adult is the fish.',
  },
];
