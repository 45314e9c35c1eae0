import type { CastId } from '@doceo/core';

/** A cast in words: when it is taken, and what happens from each of its moments on. */
export interface CastWords {
  name: string;
  when: string;
  moments: readonly string[];
}

/** The words of every cast. */
export const CAST_WORDS: Record<CastId, CastWords> = {
  overhead: {
    name: 'Overhead',
    when: 'Room behind and an open sky.',
    moments: [
      'Tip to the water, line straight.',
      'Lift, faster and faster.',
      'Stop: the loop goes back.',
      'Pause until it is straight.',
      'Forward, late power, stop high.',
      'It unrolls and comes down.',
      'Follow it down.',
    ],
  },
  roll: {
    name: 'Roll',
    when: 'Trees close behind: the line never goes there.',
    moments: [
      'Line on the water in front.',
      'Draw it back slowly; it hangs in a D beside you.',
      'Wait: the D must hang, its end on the water.',
      'Forward, and stop.',
      'The loop rolls out over the water.',
      'Straight.',
    ],
  },
  'water-load': {
    name: 'Water-loaded',
    when: 'Heavy or long rigs, brush, wind: the current holds the line while you load the rod.',
    moments: [
      'Let the current draw the line straight behind.',
      'Lift: the water holds the end.',
      'One flick, up and over, no back cast.',
      'An open loop: nothing meets the rod.',
      'It comes down with the indicator first.',
    ],
  },
  reach: {
    name: 'Reach',
    when: 'A mend made before the line lands: faster water between you and the fly.',
    moments: [
      'The forward cast is stopped, the line is in the air.',
      'Lay the rod up the stream while it falls.',
      'It lands slanting up from the fly.',
      'Follow with the rod as it drifts.',
      'The reach is used up: lift off.',
    ],
  },
  tuck: {
    name: 'Tuck',
    when: 'The nymph must be down at once: it goes in under a slack leader.',
    moments: [
      'Back cast straight.',
      'Stop high, hard.',
      'Thumb back a couple of centimetres: the fly swings under.',
      'The fly goes in first, under the leader. Not harder: it kicks back at you.',
      'Slack above it: it sinks freely.',
    ],
  },
  'bow-arrow': {
    name: 'Bow-and-arrow',
    when: 'Under branches, a rod’s length of line and no room at all.',
    moments: [
      'Hold the fly by the bend, behind the point, and draw.',
      'The rod bends: aim.',
      'Let go.',
      'It shoots in under the branch.',
      'Rod up, line off the water.',
    ],
  },
  steeple: {
    name: 'Steeple',
    when: 'Bushes close behind, sky above them: the back cast goes up.',
    moments: [
      'Tip to the water.',
      'Up along your ear.',
      'Stop with the rod upright.',
      'The line stands up behind.',
      'Forward and down.',
      'It lands steeply: less reach.',
    ],
  },
};
