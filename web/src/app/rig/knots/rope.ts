/** A place in the drawing of a knot, 240 × 130. */
export type XY = readonly [x: number, y: number];

export const STEP_WIDTH = 240;
export const STEP_HEIGHT = 130;

/**
 * What a piece is of: the standing line, the end that works, the other line, a hook or ring, an aid such as a
 * finger, the cross over what must not be.
 */
export type Tone = 'standing' | 'working' | 'second' | 'metal' | 'aid' | 'wrong';

/** A stretch of line at one height above the table: what is higher covers what is lower. */
export interface Piece {
  tone: Tone;
  path: string;
  height: number;
  /** Ends in an arrow: this end moves in the step. */
  moves: boolean;
}

export interface KnotStep {
  say: string;
  pieces: Piece[];
}

const number = (value: number): string => (Math.round(value * 10) / 10).toString();

/** A smooth path through some points. */
export function smooth(points: readonly XY[]): string {
  const at = (i: number): XY => points[Math.min(points.length - 1, Math.max(0, i))] as XY;
  const parts = [`M${number(at(0)[0])} ${number(at(0)[1])}`];
  for (let i = 0; i < points.length - 1; i++) {
    const [before, from, to, after] = [at(i - 1), at(i), at(i + 1), at(i + 2)];
    const control = [
      from[0] + (to[0] - before[0]) / 6,
      from[1] + (to[1] - before[1]) / 6,
      to[0] - (after[0] - from[0]) / 6,
      to[1] - (after[1] - from[1]) / 6,
      to[0],
      to[1],
    ];
    parts.push(`C${control.map(number).join(' ')}`);
  }
  return parts.join(' ');
}

/** A stretch of line through some points. */
export function strand(tone: Tone, height: number, ...points: XY[]): Piece {
  return { tone, height, path: smooth(points), moves: false };
}

/** The same with an arrow at its end. */
export function moving(tone: Tone, height: number, ...points: XY[]): Piece {
  return { ...strand(tone, height, ...points), moves: true };
}

export interface Coil {
  tone: Tone;
  /** Where the first turn begins, on top of what is wrapped. */
  x: number;
  /** Middle of what is wrapped, lying level, and how far the turns stand off it. */
  y: number;
  radius: number;
  /** Way from turn to turn; negative winds to the left. */
  pitch: number;
  turns: number;
}

/** Heights of what a coil wraps, and of its near and far halves. */
export const CORE = 5;
const NEAR = 7;
const FAR = 3;

/** Turns around what lies level at height CORE: near halves above it, far halves below. Ends on top again. */
export function coil({ tone, x, y, radius, pitch, turns }: Coil): Piece[] {
  return Array.from({ length: turns }, (_, i) => {
    const from = x + i * pitch;
    const half = from + pitch / 2;
    const lean = pitch * 0.22;
    const near = `M${number(from)} ${number(y - radius)} C${number(from + lean)} ${number(y - radius)} ${number(half - lean)} ${number(y + radius)} ${number(half)} ${number(y + radius)}`;
    const far = `M${number(half)} ${number(y + radius)} C${number(half + lean)} ${number(y + radius)} ${number(from + pitch - lean)} ${number(y - radius)} ${number(from + pitch)} ${number(y - radius)}`;
    return [
      { tone, path: near, height: NEAR, moves: false },
      { tone, path: far, height: FAR, moves: false },
    ];
  }).flat();
}

/** Two lines side by side through some points, `gap` apart. */
export function pair(tones: readonly [Tone, Tone], height: number, gap: number, ...points: XY[]): Piece[] {
  const shifted = (by: number): XY[] =>
    points.map(([x, y], i) => {
      const [ax, ay] = points[Math.max(0, i - 1)] as XY;
      const [bx, by2] = points[Math.min(points.length - 1, i + 1)] as XY;
      const length = Math.hypot(bx - ax, by2 - ay) || 1;
      return [x - ((by2 - ay) / length) * by, y + ((bx - ax) / length) * by];
    });
  return [strand(tones[0], height, ...shifted(-gap / 2)), strand(tones[1], height, ...shifted(gap / 2))];
}

/** A ring seen flat: an eye, a tippet ring. Its near side lies above `height`, its far side below. */
export function ring(x: number, y: number, radius: number, height = 4): Piece {
  return {
    tone: 'metal',
    height,
    moves: false,
    path: `M${x - radius} ${y} a${radius} ${radius} 0 1 1 ${2 * radius} 0 a${radius} ${radius} 0 1 1 ${-2 * radius} 0`,
  };
}

/** A hook with its eye at the place, shank to the right. */
export function hook(x: number, y: number): Piece[] {
  return [
    ring(x, y, 8),
    {
      tone: 'metal',
      height: 4,
      moves: false,
      path: `M${x + 8} ${y} h14 q14 2 13 19 q-2 16 -15 15 q-9 -2 -9 -10 l-4 4`,
    },
  ];
}

/** Pieces turned upside down and end for end about the middle (120, 60), with the tones of the two lines changed over. */
export function turned(pieces: readonly Piece[], swap: Partial<Record<Tone, Tone>>): Piece[] {
  const turn = (_: string, x: string, y: string): string =>
    `${number(STEP_WIDTH - Number(x))} ${number(TURN_HEIGHT - Number(y))}`;
  return pieces.map((piece) => ({
    ...piece,
    tone: swap[piece.tone] ?? piece.tone,
    path: piece.path.replace(/(-?[\d.]+) (-?[\d.]+)/g, turn),
  }));
}

/** The level knots lie on at y = 60. */
const TURN_HEIGHT = 120;

const ARROW_LENGTH = 15;
const ARROW_HALF = 7;

/** The head of an arrow at the end of a path, as a closed path. */
export function arrowHead(path: string): string {
  const values = (path.match(/-?[\d.]+/g) ?? []).map(Number);
  const [cx = 0, cy = 0, x = 0, y = 0] = values.slice(-4);
  const length = Math.hypot(x - cx, y - cy) || 1;
  const [ux, uy] = [(x - cx) / length, (y - cy) / length];
  const corner = (along: number, across: number): string =>
    `${number(x + ux * along - uy * across)} ${number(y + uy * along + ux * across)}`;
  return `M${corner(ARROW_LENGTH * 0.6, 0)} L${corner(-ARROW_LENGTH * 0.4, ARROW_HALF)} L${corner(-ARROW_LENGTH * 0.4, -ARROW_HALF)} Z`;
}
