import type { Skill } from '../../../skill';
import { skill } from './entry';

const s = (...rest: Parameters<typeof skill> extends [unknown, ...infer R] ? R : never): Skill =>
  skill('rigging', ...rest);

/** The rigging strand, from the first knot to keeping a fly afloat. */
export const RIGGING_SKILLS: Skill[] = [
  s(
    'knots.wet-and-seat',
    'Wet and seat',
    'Wet every knot, draw it down slowly, test it.',
    'No curl, no slip on a steady pull.',
    [],
    ['rig.dry-knot', 'rig.knot-slips'],
  ),
  s(
    'knots.clinch',
    'Clinch knot',
    'Tie a fly on so that it stays.',
    'Tied in a minute, holds a steady pull.',
    ['knots.wet-and-seat'],
    ['rig.knot-slips', 'rig.dry-knot', 'rig.tag-long'],
  ),
  s(
    'knots.surgeon',
    'Surgeon’s knot',
    'Join two pieces of line.',
    'Two passes, seated together.',
    ['knots.clinch'],
    ['rig.knot-slips', 'rig.dry-knot'],
  ),
  s(
    'loops',
    'Loops',
    'Make a loop and join two so that they lie square.',
    'Square, not girth-hitched.',
    ['knots.surgeon'],
    ['rig.girth-hitch', 'rig.knot-slips'],
  ),
  s(
    'read-x-sizes',
    'Read X sizes',
    'Know what 5X means and pick it from the spool.',
    'Right spool for the fly, five of five.',
    [],
    ['rig.wrong-size'],
  ),
  s(
    'build-leader',
    'Build a leader',
    'Step down from thick to thin in even steps.',
    'Turns over straight.',
    ['read-x-sizes', 'knots.surgeon'],
    ['rig.wrong-size', 'rig.knot-slips'],
  ),
  s(
    'tippet-choice',
    'Choose the tippet',
    'Fit the tippet to the fly and the fish.',
    'Hook size over three, then think.',
    ['build-leader'],
    ['rig.wrong-size'],
  ),
  s(
    'dropper',
    'Dropper',
    'Hang a second fly where it neither sinks nor tangles the first.',
    'Tag lies clear, dry still floats.',
    ['knots.clinch'],
    ['rig.tangle', 'rig.wrong-size'],
  ),
  s(
    'indicator-depth',
    'Indicator depth',
    'Set the indicator for the water in front of you.',
    'Ticks bottom about one drift in six.',
    ['knots.clinch'],
    ['rig.depth-guess', 'rig.tangle'],
  ),
  s(
    'shot-placement',
    'Shot placement',
    'Put the shot where it sinks the fly and does not slide.',
    'Lightest that works, above a knot.',
    ['indicator-depth'],
    ['rig.shot-slides', 'rig.tangle'],
  ),
  s(
    'depth-order',
    'Depth before fly',
    'When nothing takes: depth, then drift, then fly.',
    'Two depths tried before the fly box opens.',
    ['indicator-depth'],
    ['rig.fly-first'],
  ),
  s(
    'untangle',
    'Untangle',
    'From the point fly upward; past the limit cut and re-rig.',
    'Clear or cut within the limit.',
    ['knots.clinch'],
    ['rig.tangle', 'rig.pulls-tangle'],
  ),
  s(
    'float-care',
    'Float care',
    'Dry the fly, then dress it.',
    'Rides high for ten drifts.',
    [],
    ['rig.wet-dry-fly'],
  ),
];
