import type { Drill } from '../drill';

/** Water-choice drills. */
export const WATER_DRILLS: Drill[] = [
  {
    id: 'read-the-card', name: 'Card before rod', strand: 'water', skills: ['water.rules-check'], minutes: { min: 4, likely: 5, max: 8 }, ground: 'anywhere',
    gear: ['rule card'], cue: 'Season, hooks, who says so.', how: 'The student reads the card aloud and answers three questions: season, hooks, who to ask.',
    success: { good: 3, of: 3, at: 'answers right' }, watchFor: ['water.no-card'], lineOutM: 0, attemptsPerMin: 0.8, adaptation: 'Weak eyes: read it to them.',
  },
  {
    id: 'name-the-water', name: 'Name the water', strand: 'water', skills: ['water.read-units'], minutes: { min: 6, likely: 10, max: 15 }, ground: 'river',
    gear: ['none'], cue: 'What is this called?', how: 'Walk the beat. Point and name: riffle, run, pool, tail-out, pocket. The student says where fish rest and why.',
    success: { good: 5, of: 5, at: 'named right' }, watchFor: ['water.missed-seam'], lineOutM: 0, attemptsPerMin: 0.7, adaptation: 'From a bench with a view where walking is hard.',
  },
  {
    id: 'find-the-seam', name: 'Find the seam', strand: 'water', skills: ['water.find-seam', 'water.read-units'], minutes: { min: 10, likely: 20, max: 25 }, ground: 'river',
    gear: ['oranges or sticks', 'glasses'], cue: 'Follow the bubbles.', how: 'Throw sticks in, watch where they slow. Point at the edge before any cast. Then three casts along it.',
    success: { good: 4, of: 5, at: 'points at the seam first' }, watchFor: ['water.missed-seam'], lineOutM: 7, attemptsPerMin: 0.4, adaptation: 'Glare: change the bank.',
  },
  {
    id: 'low-and-near', name: 'Low and near', strand: 'water', skills: ['water.approach-low', 'water.near-to-far'], minutes: { min: 8, likely: 12, max: 20 }, ground: 'river',
    gear: ['knee pads'], cue: 'First cast the shortest.', how: 'Kneel two metres back from the edge. First cast at your feet, then a metre more each time.',
    success: { good: 4, of: 5, at: 'no fish bolts, near first' }, watchFor: ['water.stomps', 'water.far-first', 'cast.lining'], lineOutM: 6, attemptsPerMin: 0.5, adaptation: 'Bad knees: a low stool behind a bush.',
  },
  {
    id: 'two-steps-down', name: 'Move the feet first', strand: 'water', skills: ['water.angle-choice'], minutes: { min: 8, likely: 12, max: 20 }, ground: 'river',
    gear: ['rod', 'indicator rig'], cue: 'Feet before mend.', how: 'Same lie from three stands: across, two steps down, four down. Count the clean seconds of each.',
    success: { good: 3, of: 4, at: 'picks the longest drift' }, watchFor: ['water.across'], lineOutM: 7, attemptsPerMin: 0.5, adaptation: 'Dry bank only for weak waders.',
  },
  {
    id: 'mend-both-ways', name: 'Mend up, mend down', strand: 'water', skills: ['water.mend-up', 'water.mend-down'], minutes: { min: 15, likely: 25, max: 35 }, ground: 'river',
    gear: ['indicator rig'], cue: 'Faster between: up. Slower: down.', how: 'Name the lane between first. Lift and place the belly; the indicator must not move.',
    success: { good: 6, of: 10, at: 'indicator stays' }, watchFor: ['water.wrong-mend', 'water.mend-moves-indicator', 'water.late-mend'], lineOutM: 8, attemptsPerMin: 1, adaptation: 'Shoulder: roll the wrist, short line.',
  },
  {
    id: 'stones-first', name: 'Three stones', strand: 'water', skills: ['water.match-food'], minutes: { min: 6, likely: 10, max: 15 }, ground: 'river',
    gear: ['white tray', 'fly box'], cue: 'Shape, size, colour.', how: 'Turn three stones in knee-deep water at most, count kinds in the tray, choose a fly by shape, then size. Put the stones back.',
    success: { good: 3, of: 3, at: 'fly named with its reason' }, watchFor: ['rig.fly-first'], lineOutM: 0, attemptsPerMin: 0.3, adaptation: 'The instructor turns the stones.',
  },
  {
    id: 'count-it-down', name: 'Count it down', strand: 'water', skills: ['water.depth-count', 'water.lake-structure'], minutes: { min: 10, likely: 15, max: 25 }, ground: 'stillwater',
    gear: ['sinking or hover line', 'single fly'], cue: 'One more each cast, until weed.', how: 'Count aloud from the landing. One more each cast until weed, then one less. Hold it for three casts.',
    success: { good: 6, of: 8, at: 'same count three times' }, watchFor: ['water.short-sink', 'water.too-fast'], lineOutM: 10, attemptsPerMin: 0.8, adaptation: 'Wheelchair: jetty with a rail.',
  },
];
