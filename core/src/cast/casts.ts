import type { Point } from '../geometry';

export const CAST_IDS = ['overhead', 'roll', 'water-load', 'reach', 'tuck', 'bow-arrow', 'steeple'] as const;
export type CastId = (typeof CAST_IDS)[number];

/** A moment of a cast: where hand and tip are, and points that the line runs through from the tip to the fly. Metres. */
export interface CastKey {
  atS: number;
  hand: Point;
  tip: Point;
  line: Point[];
  /** What happens from here on. */
  say: string;
}

/** A cast that a beginner plan may teach: what the tip does, seen from the side or from above. */
export interface CastKind {
  id: CastId;
  name: string;
  skillId: string;
  seen: 'side' | 'above';
  when: string;
  /** What comes to the water first, and last. */
  entry: readonly ('fly' | 'shot' | 'indicator' | 'line')[];
  keys: readonly CastKey[];
}

const at = (x: number, y: number): Point => ({ x, y });
/** Side view: x forward, y up from the water; from above: x downstream, y across. The hand of one who stands. */
const HAND = at(0.3, 1.25);
const key = (atS: number, tip: Point, line: Point[], say: string, hand: Point = HAND): CastKey => ({
  ...{ atS, hand, tip, say },
  line,
});

/** The casts, in the order in which they are taught. Pictures of what is meant, not computed. */
export const CASTS: readonly CastKind[] = [
  {
    ...{ id: 'overhead', name: 'Overhead', skillId: 'casting.overhead', seen: 'side' },
    when: 'Room behind and an open sky.',
    entry: ['line', 'indicator', 'shot', 'fly'],
    keys: [
      key(
        0,
        at(2.7, 0.6),
        [at(2.7, 0.6), at(4, 0.1), at(6, 0.02), at(8, 0.02), at(9.4, 0.02)],
        'Tip to the water, line straight.',
      ),
      key(
        0.6,
        at(1.3, 3.7),
        [at(1.3, 3.7), at(3, 2.9), at(4.6, 2), at(6, 1.2), at(7.4, 0.4)],
        'Lift, faster and faster.',
      ),
      key(
        0.9,
        at(-0.6, 3.8),
        [at(-0.6, 3.8), at(-2, 3.7), at(-1.8, 4.6), at(0.4, 4.5), at(2.4, 4)],
        'Stop: the loop goes back.',
      ),
      key(
        2.1,
        at(-0.8, 3.7),
        [at(-0.8, 3.7), at(-2.6, 3.9), at(-4.4, 4.1), at(-6, 4.1), at(-7.4, 3.9)],
        'Pause until it is straight.',
      ),
      key(
        2.5,
        at(1.6, 3.7),
        [at(1.6, 3.7), at(2.8, 3.5), at(2.6, 4.4), at(0.6, 4.4), at(-1.4, 4.2)],
        'Forward, late power, stop high.',
      ),
      key(
        3.6,
        at(2.4, 2),
        [at(2.4, 2), at(4, 1.5), at(5.8, 1), at(7.6, 0.6), at(9.2, 0.3)],
        'It unrolls and comes down.',
      ),
      key(
        4.2,
        at(2.7, 0.8),
        [at(2.7, 0.8), at(4, 0.1), at(6, 0.02), at(8, 0.02), at(9.4, 0.02)],
        'Follow it down.',
      ),
    ],
  },
  {
    ...{ id: 'roll', name: 'Roll', skillId: 'casting.roll', seen: 'side' },
    when: 'Trees close behind: the line never goes there.',
    entry: ['line', 'indicator', 'shot', 'fly'],
    keys: [
      key(
        0,
        at(2.7, 0.6),
        [at(2.7, 0.6), at(4, 0.05), at(5.6, 0.02), at(7.2, 0.02), at(8.6, 0.02)],
        'Line on the water in front.',
      ),
      key(
        1,
        at(0.2, 3.8),
        [at(0.2, 3.8), at(0, 1.9), at(0.6, 0.3), at(2.6, 0.02), at(4.6, 0.02)],
        'Draw it back slowly; it hangs in a D beside you.',
      ),
      key(
        1.7,
        at(-0.4, 3.7),
        [at(-0.4, 3.7), at(-0.7, 1.9), at(0, 0.3), at(2, 0.02), at(4, 0.02)],
        'Wait: the D must hang, its end on the water.',
      ),
      key(
        2.1,
        at(2, 3.3),
        [at(2, 3.3), at(2.6, 2.5), at(1.9, 1.2), at(2, 0.3), at(3.8, 0.02)],
        'Forward, and stop.',
      ),
      key(
        2.9,
        at(2.4, 2.2),
        [at(2.4, 2.2), at(4, 1.6), at(5.6, 1.4), at(5.5, 0.7), at(4.6, 0.1)],
        'The loop rolls out over the water.',
      ),
      key(
        3.7,
        at(2.7, 0.8),
        [at(2.7, 0.8), at(4.4, 0.1), at(6, 0.02), at(7.6, 0.02), at(9, 0.02)],
        'Straight.',
      ),
    ],
  },
  {
    ...{ id: 'water-load', name: 'Water-loaded', skillId: 'casting.water-load', seen: 'side' },
    when: 'Heavy or long rigs, brush, wind: the current holds the line while you load the rod.',
    entry: ['indicator', 'line', 'shot', 'fly'],
    keys: [
      key(
        0,
        at(-2.2, 1.2),
        [at(-2.2, 1.2), at(-3.8, 0.3), at(-5.2, 0.02), at(-6.6, 0.02), at(-7.8, -0.4)],
        'Let the current draw the line straight behind.',
      ),
      key(
        0.9,
        at(-1, 3.4),
        [at(-1, 3.4), at(-2.6, 2), at(-4.2, 0.9), at(-5.6, 0.1), at(-6.8, -0.3)],
        'Lift: the water holds the end.',
      ),
      key(
        1.4,
        at(1.6, 3.7),
        [at(1.6, 3.7), at(0.8, 4.2), at(-0.8, 3.6), at(-2.4, 2.6), at(-4, 1.6)],
        'One flick, up and over, no back cast.',
      ),
      key(
        2.2,
        at(2.3, 2.6),
        [at(2.3, 2.6), at(3.6, 2.7), at(4.6, 3.1), at(4.2, 3.9), at(2.6, 4)],
        'An open loop: nothing meets the rod.',
      ),
      key(
        3,
        at(2.6, 1),
        [at(2.6, 1), at(4, 0.4), at(5.6, 0.1), at(7, 0.02), at(8.2, -0.2)],
        'It comes down with the indicator first.',
      ),
    ],
  },
  {
    ...{ id: 'reach', name: 'Reach', skillId: 'casting.reach', seen: 'above' },
    when: 'A mend made before the line lands: faster water between you and the fly.',
    entry: ['fly', 'indicator', 'line', 'shot'],
    keys: [
      key(
        0,
        at(0, 2.4),
        [at(0, 2.4), at(0, 4), at(0, 5.6), at(0, 7.2), at(0, 8.6)],
        'The forward cast is stopped, the line is in the air.',
        at(0, 0.3),
      ),
      key(
        0.4,
        at(-1.1, 2.1),
        [at(-1.1, 2.1), at(-0.8, 3.6), at(-0.5, 5.2), at(-0.2, 7), at(0, 8.6)],
        'Lay the rod up the stream while it falls.',
        at(0, 0.3),
      ),
      key(
        0.9,
        at(-2, 1.5),
        [at(-2, 1.5), at(-1.6, 3.2), at(-1, 5), at(-0.4, 6.9), at(0, 8.6)],
        'It lands slanting up from the fly.',
        at(0, 0.3),
      ),
      key(
        2.4,
        at(0, 2.4),
        [at(0, 2.4), at(0.5, 4), at(0.9, 5.6), at(1.2, 7.2), at(1.2, 8.6)],
        'Follow with the rod as it drifts.',
        at(0, 0.3),
      ),
      key(
        3.6,
        at(1.8, 1.7),
        [at(1.8, 1.7), at(2.1, 3.4), at(2.3, 5.2), at(2.4, 7), at(2.2, 8.6)],
        'The reach is used up: lift off.',
        at(0, 0.3),
      ),
    ],
  },
  {
    ...{ id: 'tuck', name: 'Tuck', skillId: 'casting.tuck', seen: 'side' },
    when: 'The nymph must be down at once: it goes in under a slack leader.',
    entry: ['fly', 'shot', 'indicator', 'line'],
    keys: [
      key(
        0,
        at(-0.8, 3.7),
        [at(-0.8, 3.7), at(-2.6, 3.9), at(-4.4, 4.1), at(-6, 4.1), at(-7.4, 3.9)],
        'Back cast straight.',
      ),
      key(
        0.4,
        at(1.4, 3.8),
        [at(1.4, 3.8), at(2.6, 3.9), at(2.2, 4.7), at(0.4, 4.6), at(-1.4, 4.3)],
        'Stop high, hard.',
      ),
      key(
        0.8,
        at(1.2, 3.9),
        [at(1.2, 3.9), at(3.2, 4), at(5, 4.1), at(5.4, 3.3), at(4.8, 2.8)],
        'Thumb back a couple of centimetres: the fly swings under.',
      ),
      key(
        1.3,
        at(1.3, 3.7),
        [at(1.3, 3.7), at(3, 3.2), at(4.8, 2.6), at(5.6, 1.2), at(5.2, -0.1)],
        'The fly goes in first, under the leader. Not harder: it kicks back at you.',
      ),
      key(
        2,
        at(1.8, 3),
        [at(1.8, 3), at(3.4, 1.6), at(4.8, 0.4), at(5.4, 0.02), at(5.4, -0.8)],
        'Slack above it: it sinks freely.',
      ),
    ],
  },
  {
    ...{ id: 'bow-arrow', name: 'Bow-and-arrow', skillId: 'casting.bow-arrow', seen: 'side' },
    when: 'Under branches, a rod’s length of line and no room at all.',
    entry: ['fly', 'indicator', 'line', 'shot'],
    keys: [
      key(
        0,
        at(2.9, 2),
        [at(2.9, 2), at(2.2, 1.7), at(1.6, 1.5), at(0.9, 1.4), at(0.2, 1.35)],
        'Hold the fly by the bend, behind the point, and draw.',
      ),
      key(
        0.8,
        at(2.4, 2.4),
        [at(2.4, 2.4), at(1.7, 1.9), at(1, 1.6), at(0.3, 1.4), at(-0.4, 1.35)],
        'The rod bends: aim.',
      ),
      key(1, at(3, 1.9), [at(3, 1.9), at(3.4, 2), at(3.2, 1.6), at(2.4, 1.5), at(1.6, 1.5)], 'Let go.'),
      key(
        1.3,
        at(2.9, 1.7),
        [at(2.9, 1.7), at(3.8, 1.5), at(4.6, 1.1), at(5.2, 0.7), at(5.6, 0.3)],
        'It shoots in under the branch.',
      ),
      key(
        1.8,
        at(2.9, 1.5),
        [at(2.9, 1.5), at(3.8, 0.9), at(4.6, 0.3), at(5.2, 0.05), at(5.7, 0.02)],
        'Rod up, line off the water.',
      ),
    ],
  },
  {
    ...{ id: 'steeple', name: 'Steeple', skillId: 'casting.overhead', seen: 'side' },
    when: 'Bushes close behind, sky above them: the back cast goes up.',
    entry: ['line', 'indicator', 'shot', 'fly'],
    keys: [
      key(
        0,
        at(2.7, 0.6),
        [at(2.7, 0.6), at(4, 0.1), at(5.6, 0.02), at(7.2, 0.02), at(8.6, 0.02)],
        'Tip to the water.',
      ),
      key(
        0.6,
        at(1.2, 3.9),
        [at(1.2, 3.9), at(2.4, 3.2), at(3.6, 2.4), at(4.8, 1.6), at(6, 0.8)],
        'Up along your ear.',
      ),
      key(
        0.9,
        at(0.2, 4.1),
        [at(0.2, 4.1), at(-0.3, 5), at(0.8, 5.4), at(1.8, 4.6), at(2.8, 3.8)],
        'Stop with the rod upright.',
      ),
      key(
        1.9,
        at(0, 4.1),
        [at(0, 4.1), at(-0.8, 5.4), at(-1.6, 6.7), at(-2.2, 7.8), at(-2.6, 8.7)],
        'The line stands up behind.',
      ),
      key(
        2.3,
        at(1.8, 3.6),
        [at(1.8, 3.6), at(2.4, 4.2), at(1.4, 5.2), at(0.4, 6), at(-0.4, 6.8)],
        'Forward and down.',
      ),
      key(
        3.3,
        at(2.6, 1.2),
        [at(2.6, 1.2), at(4, 0.8), at(5.6, 0.5), at(7.2, 0.3), at(8.6, 0.2)],
        'It lands steeply: less reach.',
      ),
    ],
  },
];

/** Room a cast needs behind the angler and above, metres, with so much line beyond the tip. Rules of thumb. */
export function castRoom(id: CastId, lineM: number, rodM: number): { behindM: number; aboveM: number } {
  const tip = rodM * 0.5;
  switch (id) {
    case 'overhead':
    case 'reach':
    case 'tuck':
      return { behindM: lineM + tip, aboveM: rodM + 2 };
    case 'steeple':
      return { behindM: 0.35 * lineM + tip, aboveM: rodM + 0.8 * lineM };
    case 'roll':
      return { behindM: 0.5 * rodM, aboveM: rodM + 1.2 };
    case 'water-load':
      return { behindM: tip, aboveM: rodM + 1.5 };
    case 'bow-arrow':
      return { behindM: 0.5, aboveM: rodM };
  }
}

/** A cast at a time: between two of its moments everything goes evenly. */
export function castAt(cast: CastKind, atS: number): CastKey {
  const { keys } = cast;
  const next = keys.findIndex((one) => one.atS > atS);
  if (next < 0) return keys.at(-1)!;
  if (next === 0) return keys[0]!;
  const [a, b] = [keys[next - 1]!, keys[next]!];
  const share = (atS - a.atS) / (b.atS - a.atS);
  const mix = (one: Point, two: Point): Point =>
    at(one.x + (two.x - one.x) * share, one.y + (two.y - one.y) * share);
  return {
    atS,
    hand: mix(a.hand, b.hand),
    tip: mix(a.tip, b.tip),
    line: a.line.map((point, i) => mix(point, b.line[i]!)),
    say: a.say,
  };
}
