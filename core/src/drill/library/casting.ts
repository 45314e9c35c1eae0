import type { Drill } from '../drill';

/** Casting drills. All can start on grass with a yarn tuft. */
export const CASTING_DRILLS: Drill[] = [
  {
    id: 'grip-and-stance', name: 'Handshake and side-on', strand: 'casting', skills: ['casting.grip-stance'], minutes: { min: 5, likely: 8, max: 10 }, ground: 'anywhere',
    gear: ['rod without line'], cue: 'Shake hands with it. Thumb on top.', how: 'No line. Grip, stance side-on, look behind. Change hands once to feel the difference.',
    success: { good: 5, of: 5, at: 'grip and stance taken on call' }, watchFor: ['cast.wide-loop'], lineOutM: 0, attemptsPerMin: 2, adaptation: 'Shoulder: elbow low, rod tip at eye height. Left hand: face the other way.',
  },
  {
    id: 'draw-the-line', name: 'Draw along the wall', strand: 'casting', skills: ['casting.straight-path'], minutes: { min: 6, likely: 10, max: 15 }, ground: 'grass',
    gear: ['rod', 'yarn tuft', 'string on pegs, 3 m'], cue: 'Paint a straight line.', how: 'The tip follows a string stretched at head height. First without line, then with 5 m.',
    success: { good: 8, of: 10, at: '5 m, loop sides parallel' }, watchFor: ['cast.wide-loop', 'cast.slack-start', 'cast.tailing'], lineOutM: 5, attemptsPerMin: 3, adaptation: 'Child: short rod, 4 m of line. Wheelchair: string at seat height, cast to the open side.',
  },
  {
    id: 'stop-and-say', name: 'Stop and say it', strand: 'casting', skills: ['casting.stop'], minutes: { min: 6, likely: 10, max: 15 }, ground: 'grass',
    gear: ['rod', 'yarn tuft'], cue: 'Say “stop” when you stop.', how: 'The student says the word at each stop, back and forward. Partner listens: word and rod must agree.',
    success: { good: 8, of: 10, at: '6 m, clear stops both ways' }, watchFor: ['cast.low-back', 'cast.pile', 'cast.wide-loop'], lineOutM: 6, attemptsPerMin: 3, adaptation: 'Shoulder: stop at one o’clock, half the casts.',
  },
  {
    id: 'count-the-pause', name: 'Count the pause', strand: 'casting', skills: ['casting.pause', 'casting.stop'], minutes: { min: 8, likely: 12, max: 15 }, ground: 'grass',
    gear: ['rod', 'yarn tuft', 'line marked at 7 m'], cue: 'Stop. And. Wait.', how: 'Side-on, watch the back cast unroll, say “and wait” aloud before going forward. Add a metre: add a word.',
    success: { good: 8, of: 10, at: '7 m, no crack behind' }, watchFor: ['cast.crack', 'cast.pile', 'cast.low-back'], lineOutM: 7, attemptsPerMin: 3, adaptation: 'For one who hurries: close the eyes and wait for the tug.',
  },
  {
    id: 'lay-it-down', name: 'Pick up, lay down', strand: 'casting', skills: ['casting.pick-up-lay-down', 'casting.pause'], minutes: { min: 8, likely: 12, max: 18 }, ground: 'anywhere',
    gear: ['rod', 'yarn tuft', 'hoop'], cue: 'Slow off, stop, wait, lay down.', how: 'Rod tip at the ground, peel the line off slowly, one back cast, lay it down. No false cast.',
    success: { good: 8, of: 10, at: '7 m, straight line' }, watchFor: ['cast.slack-start', 'cast.crack', 'cast.low-back', 'cast.pile'], lineOutM: 7, attemptsPerMin: 2.5, adaptation: 'Shoulder: 5 m of line and rest every ten.',
  },
  {
    id: 'hoops', name: 'Three hoops', strand: 'casting', skills: ['casting.overhead', 'casting.pick-up-lay-down'], minutes: { min: 10, likely: 12, max: 20 }, ground: 'grass',
    gear: ['rod', 'yarn tuft', '3 hoops'], cue: 'Near hoop first.', how: 'Hoops at 6, 8 and 10 m. Move out only after three in a row. Miss twice: one hoop back.',
    success: { good: 6, of: 10, at: 'in the hoop at 8 m' }, watchFor: ['cast.crack', 'cast.wide-loop', 'cast.too-much-line', 'cast.tailing'], lineOutM: 9, attemptsPerMin: 2, adaptation: 'Child: hoops at 4, 6 and 7 m.',
  },
  {
    id: 'two-and-down', name: 'Two false casts and down', strand: 'casting', skills: ['casting.false-cast', 'casting.loop-control'], minutes: { min: 8, likely: 10, max: 15 }, ground: 'grass',
    gear: ['rod', 'yarn tuft'], cue: 'One, two, down.', how: 'Two false casts, no more, then present. Partner counts aloud; a third one is a fault.',
    success: { good: 7, of: 10, at: '8 m, two false casts' }, watchFor: ['cast.false-casts', 'cast.tailing', 'cast.crack'], lineOutM: 8, attemptsPerMin: 2, adaptation: 'Shoulder: one false cast.',
  },
  {
    id: 'roll-the-d', name: 'Roll cast, still loop', strand: 'casting', skills: ['casting.roll'], minutes: { min: 8, likely: 12, max: 18 }, ground: 'anywhere',
    gear: ['rod', 'yarn tuft'], cue: 'Drag it back, stop, then flick.', how: 'Slide the line back until a loop hangs beside you. Stop. Then forward along it. Best on water.',
    success: { good: 7, of: 10, at: '7 m, turns over' }, watchFor: ['cast.pile', 'cast.slack-start', 'cast.wide-loop'], lineOutM: 7, attemptsPerMin: 2, adaptation: 'Good for a tired shoulder: no back cast. Wheelchair: parallel to the bank.',
  },
  {
    id: 'water-load', name: 'Let the river load it', strand: 'casting', skills: ['casting.water-load', 'casting.roll'], minutes: { min: 8, likely: 12, max: 20 }, ground: 'river',
    gear: ['rod', 'indicator rig', 'hat', 'glasses'], cue: 'Let it hang. Lift. Flick.', how: 'The current pulls the line straight below you; lift to the indicator, flick up and over. No false cast.',
    success: { good: 8, of: 10, at: '6 m, lands open' }, watchFor: ['cast.sidearm-heavy', 'cast.slack-start', 'cast.tight-loop-heavy'], lineOutM: 6, attemptsPerMin: 1.5, adaptation: 'Shoulder: this instead of the overhead cast.',
  },
  {
    id: 'reach-over', name: 'Reach before it lands', strand: 'casting', skills: ['casting.reach'], minutes: { min: 8, likely: 12, max: 15 }, ground: 'anywhere',
    gear: ['rod', 'yarn tuft', 'rope as the seam'], cue: 'Cast, then point upstream.', how: 'After the stop lay the rod over, arm out, before the line is down. Rope marks where the line must lie.',
    success: { good: 6, of: 10, at: '8 m, line above the rope' }, watchFor: ['cast.pile', 'cast.lining'], lineOutM: 8, attemptsPerMin: 2, adaptation: 'Left hand: mirror the rope.',
  },
  {
    id: 'tuck-over', name: 'Tuck it in', strand: 'casting', skills: ['casting.tuck'], minutes: { min: 8, likely: 12, max: 15 }, ground: 'river',
    gear: ['rod', 'weighted rig', 'hat', 'glasses'], cue: 'Stop high, thumb back.', how: 'Stop high and pull the thumb back two centimetres, so that the fly dives in first. Too much kicks it back at your face.',
    success: { good: 6, of: 10, at: '7 m, fly enters first' }, watchFor: ['cast.tight-loop-heavy', 'cast.pile', 'cast.wide-loop'], lineOutM: 7, attemptsPerMin: 1.5, adaptation: 'Shoulder: water-load instead.',
  },
  {
    id: 'under-the-branch', name: 'Bow and arrow', strand: 'casting', skills: ['casting.bow-arrow'], minutes: { min: 5, likely: 8, max: 12 }, ground: 'anywhere',
    gear: ['rod', 'fly without a point', 'branch or rope'], cue: 'Hold the bend, never the point.', how: 'Line as long as the rod, fly held by the bend behind the point, bend the rod, aim low, let go.',
    success: { good: 6, of: 10, at: 'under a rope at 1 m' }, watchFor: ['cast.slack-start'], lineOutM: 3, attemptsPerMin: 2, adaptation: 'Child: only with the point cut off.',
  },
];
