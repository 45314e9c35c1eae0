import type { Drill } from '../drill';

/** Rigging drills, most of them at a table or on the bank. */
export const RIGGING_DRILLS: Drill[] = [
  {
    id: 'wet-and-pull', name: 'Wet it, seat it, pull it', strand: 'rigging', skills: ['rigging.knots.wet-and-seat'], minutes: { min: 5, likely: 8, max: 12 }, ground: 'anywhere',
    gear: ['cord, 5 mm', 'tippet', 'hand scale'], cue: 'Wet. Slow. Pull.', how: 'Tie the same knot dry and wet and pull both on the scale. The student reads the two numbers aloud.',
    success: { good: 3, of: 3, at: 'holds a steady pull' }, watchFor: ['rig.dry-knot', 'rig.knot-slips'], lineOutM: 0, attemptsPerMin: 0.5, adaptation: 'Stiff fingers: thicker cord first.',
  },
  {
    id: 'clinch-race', name: 'Clinch against the clock', strand: 'rigging', skills: ['rigging.knots.clinch', 'rigging.knots.wet-and-seat'], minutes: { min: 8, likely: 12, max: 15 }, ground: 'anywhere',
    gear: ['tippet 4X', 'hooks without point', 'nippers'], cue: 'Five turns, wet, pull.', how: 'Five times with cord, then five with tippet, then eyes shut. Every knot is pulled before it counts.',
    success: { good: 4, of: 5, at: 'under a minute, holds' }, watchFor: ['rig.knot-slips', 'rig.dry-knot', 'rig.tag-long'], lineOutM: 0, attemptsPerMin: 0.6, adaptation: 'Weak eyes: large hook, magnifier, white card behind.',
  },
  {
    id: 'surgeon-pairs', name: 'Two lines, one knot', strand: 'rigging', skills: ['rigging.knots.surgeon', 'rigging.knots.wet-and-seat'], minutes: { min: 8, likely: 12, max: 15 }, ground: 'anywhere',
    gear: ['tippet 3X', 'tippet 5X', 'nippers'], cue: 'Loop, through, through, wet.', how: 'Join 3X to 5X, leave one tag long as a dropper. Pull all four ends together.',
    success: { good: 4, of: 5, at: 'four ends seated' }, watchFor: ['rig.knot-slips', 'rig.dry-knot'], lineOutM: 0, attemptsPerMin: 0.5, adaptation: 'Cold hands: do it in the car.',
  },
  {
    id: 'spool-game', name: 'Spool game', strand: 'rigging', skills: ['rigging.read-x-sizes'], minutes: { min: 5, likely: 8, max: 10 }, ground: 'anywhere',
    gear: ['five spools', 'five flies'], cue: 'Hook over three.', how: 'Put a spool beside each fly. Say the diameter of each. Swap and check.',
    success: { good: 5, of: 5, at: 'right spool for the fly' }, watchFor: ['rig.wrong-size'], lineOutM: 0, attemptsPerMin: 1, adaptation: 'Child: three of each.',
  },
  {
    id: 'indicator-rig', name: 'Build the indicator rig', strand: 'rigging', skills: ['rigging.indicator-depth', 'rigging.knots.clinch'], minutes: { min: 15, likely: 20, max: 30 }, ground: 'anywhere',
    gear: ['leader 9 ft', 'tippet', 'indicator', 'tin shot', 'two nymphs'], cue: 'Measure depth, then set.', how: 'From the card: depth of the water with a marked staff, then indicator, then fly. Say each length aloud.',
    success: { good: 2, of: 2, at: 'indicator within a hand of the card' }, watchFor: ['rig.depth-guess', 'rig.knot-slips', 'rig.tangle'], lineOutM: 0, attemptsPerMin: 0.1, adaptation: 'One fly instead of two for a first season.',
  },
  {
    id: 'shot-ladder', name: 'Shot ladder', strand: 'rigging', skills: ['rigging.shot-placement', 'rigging.indicator-depth'], minutes: { min: 8, likely: 12, max: 20 }, ground: 'river',
    gear: ['tin shot, three sizes', 'indicator rig'], cue: 'Lightest first.', how: 'Start with the smallest. Six drifts. No tick: one size up. Ticks every drift: one down.',
    success: { good: 3, of: 4, at: 'one tick in about six drifts' }, watchFor: ['rig.shot-slides', 'rig.tangle', 'rig.depth-guess'], lineOutM: 7, attemptsPerMin: 0.5, adaptation: 'Weak fingers: putty weight.',
  },
  {
    id: 'depth-before-fly', name: 'Closed fly box', strand: 'rigging', skills: ['rigging.depth-order', 'rigging.indicator-depth'], minutes: { min: 10, likely: 15, max: 25 }, ground: 'river',
    gear: ['indicator rig', 'rubber band for the box'], cue: 'Depth. Drift. Then fly.', how: 'A rubber band round the fly box. Two depths and two drifts must be tried, and said, before it comes off.',
    success: { good: 3, of: 4, at: 'change named in the right order' }, watchFor: ['rig.fly-first', 'rig.depth-guess'], lineOutM: 7, attemptsPerMin: 0.4, adaptation: 'In pairs: the partner holds the box.',
  },
  {
    id: 'untangle-clock', name: 'Thirty seconds', strand: 'rigging', skills: ['rigging.untangle'], minutes: { min: 5, likely: 8, max: 12 }, ground: 'anywhere',
    gear: ['prepared tangles', 'watch', 'nippers'], cue: 'From the point fly up. Or cut.', how: 'One prepared tangle each. Start at the point fly. At the limit: cut and say what is re-tied.',
    success: { good: 3, of: 4, at: 'clear or cut in the limit' }, watchFor: ['rig.pulls-tangle', 'rig.tangle'], lineOutM: 0, attemptsPerMin: 0.6, adaptation: 'Limit of two minutes for a first season.',
  },
];
