import type { Point } from '../geometry';

export const CAST_IDS = ['overhead', 'roll', 'water-load', 'reach', 'tuck', 'bow-arrow', 'steeple'] as const;
export type CastId = (typeof CAST_IDS)[number];

/** A moment of a cast: where hand and tip are, and points that the line runs through from the tip to the fly. Metres. */
export interface CastKey {
  atS: number;
  hand: Point;
  tip: Point;
  line: Point[];
}

/** A cast that a beginner plan may teach: what the tip does, seen from the side or from above. */
export interface CastKind {
  id: CastId;
  skillId: string;
  seen: 'side' | 'above';
  /** What comes to the water first, and last. */
  entry: readonly ('fly' | 'shot' | 'indicator' | 'line')[];
  keys: readonly CastKey[];
}

const at = (x: number, y: number): Point => ({ x, y });
/** Side view: x forward, y up from the water; from above: x downstream, y across. The hand of one who stands. */
const HAND = at(0.3, 1.25);
const key = (atS: number, tip: Point, line: Point[], hand: Point = HAND): CastKey => ({
  atS,
  hand,
  tip,
  line,
});

/** The casts, in the order in which they are taught. Pictures of what is meant, not computed. */
export const CASTS: readonly CastKind[] = [
  {
    ...{ id: 'overhead', skillId: 'casting.overhead', seen: 'side' },
    entry: ['line', 'indicator', 'shot', 'fly'],
    keys: [
      key(0, at(2.7, 0.6), [at(2.7, 0.6), at(4, 0.1), at(6, 0.02), at(8, 0.02), at(9.4, 0.02)]),
      key(0.6, at(1.3, 3.7), [at(1.3, 3.7), at(3, 2.9), at(4.6, 2), at(6, 1.2), at(7.4, 0.4)]),
      key(0.9, at(-0.6, 3.8), [at(-0.6, 3.8), at(-2, 3.7), at(-1.8, 4.6), at(0.4, 4.5), at(2.4, 4)]),
      key(2.1, at(-0.8, 3.7), [at(-0.8, 3.7), at(-2.6, 3.9), at(-4.4, 4.1), at(-6, 4.1), at(-7.4, 3.9)]),
      key(2.5, at(1.6, 3.7), [at(1.6, 3.7), at(2.8, 3.5), at(2.6, 4.4), at(0.6, 4.4), at(-1.4, 4.2)]),
      key(3.6, at(2.4, 2), [at(2.4, 2), at(4, 1.5), at(5.8, 1), at(7.6, 0.6), at(9.2, 0.3)]),
      key(4.2, at(2.7, 0.8), [at(2.7, 0.8), at(4, 0.1), at(6, 0.02), at(8, 0.02), at(9.4, 0.02)]),
    ],
  },
  {
    ...{ id: 'roll', skillId: 'casting.roll', seen: 'side' },
    entry: ['line', 'indicator', 'shot', 'fly'],
    keys: [
      key(0, at(2.7, 0.6), [at(2.7, 0.6), at(4, 0.05), at(5.6, 0.02), at(7.2, 0.02), at(8.6, 0.02)]),
      key(1, at(0.2, 3.8), [at(0.2, 3.8), at(0, 1.9), at(0.6, 0.3), at(2.6, 0.02), at(4.6, 0.02)]),
      key(1.7, at(-0.4, 3.7), [at(-0.4, 3.7), at(-0.7, 1.9), at(0, 0.3), at(2, 0.02), at(4, 0.02)]),
      key(2.1, at(2, 3.3), [at(2, 3.3), at(2.6, 2.5), at(1.9, 1.2), at(2, 0.3), at(3.8, 0.02)]),
      key(2.9, at(2.4, 2.2), [at(2.4, 2.2), at(4, 1.6), at(5.6, 1.4), at(5.5, 0.7), at(4.6, 0.1)]),
      key(3.7, at(2.7, 0.8), [at(2.7, 0.8), at(4.4, 0.1), at(6, 0.02), at(7.6, 0.02), at(9, 0.02)]),
    ],
  },
  {
    ...{ id: 'water-load', skillId: 'casting.water-load', seen: 'side' },
    entry: ['indicator', 'line', 'shot', 'fly'],
    keys: [
      key(0, at(-2.2, 1.2), [at(-2.2, 1.2), at(-3.8, 0.3), at(-5.2, 0.02), at(-6.6, 0.02), at(-7.8, -0.4)]),
      key(0.9, at(-1, 3.4), [at(-1, 3.4), at(-2.6, 2), at(-4.2, 0.9), at(-5.6, 0.1), at(-6.8, -0.3)]),
      key(1.4, at(1.6, 3.7), [at(1.6, 3.7), at(0.8, 4.2), at(-0.8, 3.6), at(-2.4, 2.6), at(-4, 1.6)]),
      key(2.2, at(2.3, 2.6), [at(2.3, 2.6), at(3.6, 2.7), at(4.6, 3.1), at(4.2, 3.9), at(2.6, 4)]),
      key(3, at(2.6, 1), [at(2.6, 1), at(4, 0.4), at(5.6, 0.1), at(7, 0.02), at(8.2, -0.2)]),
    ],
  },
  {
    ...{ id: 'reach', skillId: 'casting.reach', seen: 'above' },
    entry: ['fly', 'indicator', 'line', 'shot'],
    keys: [
      key(0, at(0, 2.4), [at(0, 2.4), at(0, 4), at(0, 5.6), at(0, 7.2), at(0, 8.6)], at(0, 0.3)),
      key(
        0.4,
        at(-1.1, 2.1),
        [at(-1.1, 2.1), at(-0.8, 3.6), at(-0.5, 5.2), at(-0.2, 7), at(0, 8.6)],
        at(0, 0.3),
      ),
      key(0.9, at(-2, 1.5), [at(-2, 1.5), at(-1.6, 3.2), at(-1, 5), at(-0.4, 6.9), at(0, 8.6)], at(0, 0.3)),
      key(2.4, at(0, 2.4), [at(0, 2.4), at(0.5, 4), at(0.9, 5.6), at(1.2, 7.2), at(1.2, 8.6)], at(0, 0.3)),
      key(
        3.6,
        at(1.8, 1.7),
        [at(1.8, 1.7), at(2.1, 3.4), at(2.3, 5.2), at(2.4, 7), at(2.2, 8.6)],
        at(0, 0.3),
      ),
    ],
  },
  {
    ...{ id: 'tuck', skillId: 'casting.tuck', seen: 'side' },
    entry: ['fly', 'shot', 'indicator', 'line'],
    keys: [
      key(0, at(-0.8, 3.7), [at(-0.8, 3.7), at(-2.6, 3.9), at(-4.4, 4.1), at(-6, 4.1), at(-7.4, 3.9)]),
      key(0.4, at(1.4, 3.8), [at(1.4, 3.8), at(2.6, 3.9), at(2.2, 4.7), at(0.4, 4.6), at(-1.4, 4.3)]),
      key(0.8, at(1.2, 3.9), [at(1.2, 3.9), at(3.2, 4), at(5, 4.1), at(5.4, 3.3), at(4.8, 2.8)]),
      key(1.3, at(1.3, 3.7), [at(1.3, 3.7), at(3, 3.2), at(4.8, 2.6), at(5.6, 1.2), at(5.2, -0.1)]),
      key(2, at(1.8, 3), [at(1.8, 3), at(3.4, 1.6), at(4.8, 0.4), at(5.4, 0.02), at(5.4, -0.8)]),
    ],
  },
  {
    ...{ id: 'bow-arrow', skillId: 'casting.bow-arrow', seen: 'side' },
    entry: ['fly', 'indicator', 'line', 'shot'],
    keys: [
      key(0, at(2.9, 2), [at(2.9, 2), at(2.2, 1.7), at(1.6, 1.5), at(0.9, 1.4), at(0.2, 1.35)]),
      key(0.8, at(2.4, 2.4), [at(2.4, 2.4), at(1.7, 1.9), at(1, 1.6), at(0.3, 1.4), at(-0.4, 1.35)]),
      key(1, at(3, 1.9), [at(3, 1.9), at(3.4, 2), at(3.2, 1.6), at(2.4, 1.5), at(1.6, 1.5)]),
      key(1.3, at(2.9, 1.7), [at(2.9, 1.7), at(3.8, 1.5), at(4.6, 1.1), at(5.2, 0.7), at(5.6, 0.3)]),
      key(1.8, at(2.9, 1.5), [at(2.9, 1.5), at(3.8, 0.9), at(4.6, 0.3), at(5.2, 0.05), at(5.7, 0.02)]),
    ],
  },
  {
    ...{ id: 'steeple', skillId: 'casting.overhead', seen: 'side' },
    entry: ['line', 'indicator', 'shot', 'fly'],
    keys: [
      key(0, at(2.7, 0.6), [at(2.7, 0.6), at(4, 0.1), at(5.6, 0.02), at(7.2, 0.02), at(8.6, 0.02)]),
      key(0.6, at(1.2, 3.9), [at(1.2, 3.9), at(2.4, 3.2), at(3.6, 2.4), at(4.8, 1.6), at(6, 0.8)]),
      key(0.9, at(0.2, 4.1), [at(0.2, 4.1), at(-0.3, 5), at(0.8, 5.4), at(1.8, 4.6), at(2.8, 3.8)]),
      key(1.9, at(0, 4.1), [at(0, 4.1), at(-0.8, 5.4), at(-1.6, 6.7), at(-2.2, 7.8), at(-2.6, 8.7)]),
      key(2.3, at(1.8, 3.6), [at(1.8, 3.6), at(2.4, 4.2), at(1.4, 5.2), at(0.4, 6), at(-0.4, 6.8)]),
      key(3.3, at(2.6, 1.2), [at(2.6, 1.2), at(4, 0.8), at(5.6, 0.5), at(7.2, 0.3), at(8.6, 0.2)]),
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

/**
 * The moment of a cast that has come last.
 *
 * @returns its number among the moments, from 0
 */
export function momentAt({ keys }: CastKind, atS: number): number {
  return Math.max(
    0,
    keys.findLastIndex((one) => one.atS <= atS),
  );
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
  };
}
