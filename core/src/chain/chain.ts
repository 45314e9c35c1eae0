import { lengthOf } from './length';

/** A chain of nodes in a plane, joined by segments that may be slack and may not stretch. SI. */
export interface Chain {
  xs: Float64Array;
  ys: Float64Array;
  /** Rest length of the segment from each node to the next. */
  rests: Float64Array;
  /** Tension of each segment after the last step, N; never less than zero. */
  tensions: Float64Array;
}

/** Where each node would go by itself in a step, and how hard it is to bring it elsewhere: a symmetric matrix a node, N/m. */
export interface Pull {
  toX: Float64Array;
  toY: Float64Array;
  rxx: Float64Array;
  rxy: Float64Array;
  ryy: Float64Array;
}

/** What holds a chain besides its segments. */
export interface Bounds {
  /** Whether the first node is where it would go, whatever pulls at it. */
  heldFirst: boolean;
  /** Force at which a segment may be off by its whole length, N: the scale of the forces there are. */
  forceN: number;
  /** Stretch at which a step is taken for solved, as a share of a segment's rest length; the usual one when left out. */
  tolerance?: number;
  /** Ground that no node goes below, and how hard it presses, N, after the last step. */
  floor?: { ys: Float64Array; presses: Float64Array };
  /** Height that no node rises above. */
  roofM?: number;
}

const TOLERANCE = 1e-5;
const ROUNDS = 60;
const TURNS = 15;
/** How stiff a segment is at first: stretched by a thousandth it pulls with the scale of the forces. */
const STIFFNESS = 1000;
const STIFFER = 4;
/** Beyond so many times that, nothing is gained and the arithmetic suffers. */
const STIFFEST = 100;
/** A turn that moves no node by more than this share of a segment is the last of its round. */
const STILL = 1e-6;

/**
 * Room for the pull between the nodes of a chain, to be used again from step to step.
 *
 * @param nodes how many, 2 or more
 */
export function pullOf(nodes: number): Pull {
  const row = (): Float64Array => new Float64Array(nodes + 1);
  return { toX: row(), toY: row(), rxx: row(), rxy: row(), ryy: row() };
}

/**
 * Takes the chain to where its nodes would go, as nearly as their weights allow, with no segment longer than its rest
 * length, no node below the floor and none above the roof. That is convex but for the floor's shape and has one solution;
 * its multipliers are the tensions and what the floor bears. Solved by augmented Lagrangians: Newton steps whose blocks
 * are tridiagonal along the chain, and the multipliers put right in between.
 *
 * @returns the largest stretch that is left, as a share of the rest length
 */
export function solveConstraints(chain: Chain, pull: Pull, bounds: Bounds): number {
  const { xs, ys, rests, tensions } = chain;
  const n = rests.length;
  const shortest = rests.reduce((least, rest) => Math.min(least, rest), Infinity);
  const blocks = workspace(n);
  if (bounds.heldFirst) {
    xs[0] = pull.toX[0]!;
    ys[0] = pull.toY[0]!;
  }
  let stiff = (STIFFNESS * bounds.forceN) / shortest;
  const tolerance = bounds.tolerance ?? TOLERANCE;
  const stiffest = stiff * STIFFEST;
  let [before, worst, stretch] = [Infinity, Infinity, Infinity];
  for (let round = 0; round < ROUNDS && worst > tolerance; round++) {
    for (let turn = 0; turn < TURNS; turn++)
      if (newton(chain, pull, bounds, blocks, stiff) < (STILL * shortest) ** 2) break;
    worst = stretch = 0;
    for (let j = 0; j < n; j++) {
      const over = lengthOf(xs[j + 1]! - xs[j]!, ys[j + 1]! - ys[j]!) - rests[j]!;
      const pulls = Math.max(0, tensions[j]! + stiff * over);
      // A slack segment that still pulled was as wrong as a stretched one: it throws its nodes together.
      worst = Math.max(worst, Math.abs(pulls - tensions[j]!) / (stiff * rests[j]!));
      tensions[j] = pulls;
      stretch = Math.max(stretch, over / rests[j]!);
    }
    const { floor } = bounds;
    if (floor)
      for (let i = 0; i <= n; i++) {
        const bears = Math.max(0, floor.presses[i]! + stiff * (floor.ys[i]! - ys[i]!));
        worst = Math.max(worst, Math.abs(bears - floor.presses[i]!) / (stiff * shortest));
        floor.presses[i] = bears;
      }
    if (worst > before / 4 && stiff < stiffest) stiff *= STIFFER;
    before = worst;
  }
  return stretch;
}

const kept = new Map<number, Float64Array>();

/** Numbers of a node: axx, axy, ayy of its own block; bxx, bxy, byy to the next node (symmetric); the right side. */
function workspace(n: number): Float64Array {
  const known = kept.get(n) ?? new Float64Array((n + 1) * 8);
  kept.set(n, known);
  return known;
}

/**
 * A Newton step on ½(x − x*)ᵀR(x − x*) + Σ Math.max(0, T + k·stretch)²/2k. A stretched segment is stiff along itself and by its
 * tension across; a slack one is not there. Never an indefinite block, so each step goes down.
 *
 * @returns the square of the longest way a node went, metres
 */
function newton(
  { xs, ys, rests, tensions }: Chain,
  { toX, toY, rxx, rxy, ryy }: Pull,
  { heldFirst, floor, roofM }: Bounds,
  blocks: Float64Array,
  stiff: number,
): number {
  const n = rests.length;
  const first = heldFirst ? 1 : 0;
  for (let i = first; i <= n; i++) {
    const at = i * 8;
    const ex = xs[i]! - toX[i]!;
    const ey = ys[i]! - toY[i]!;
    blocks[at] = rxx[i]!;
    blocks[at + 1] = rxy[i]!;
    blocks[at + 2] = ryy[i]!;
    blocks[at + 3] = 0;
    blocks[at + 4] = 0;
    blocks[at + 5] = 0;
    blocks[at + 6] = -(rxx[i]! * ex + rxy[i]! * ey);
    blocks[at + 7] = -(rxy[i]! * ex + ryy[i]! * ey);
    if (floor) {
      const press = floor.presses[i]! + stiff * (floor.ys[i]! - ys[i]!);
      if (press > 0) {
        blocks[at + 2] = blocks[at + 2]! + stiff;
        blocks[at + 7] = blocks[at + 7]! + press;
      }
    }
    if (roofM !== undefined && ys[i]! > roofM) {
      blocks[at + 2] = blocks[at + 2]! + stiff;
      blocks[at + 7] = blocks[at + 7]! - stiff * (ys[i]! - roofM);
    }
  }
  for (let j = 0; j < n; j++) {
    const dx = xs[j + 1]! - xs[j]!;
    const dy = ys[j + 1]! - ys[j]!;
    const length = lengthOf(dx, dy) || 1e-12;
    const force = tensions[j]! + stiff * (length - rests[j]!);
    if (force <= 0) continue;
    const tx = dx / length;
    const ty = dy / length;
    const side = force / length;
    const kxx = side + (stiff - side) * tx * tx;
    const kxy = (stiff - side) * tx * ty;
    const kyy = side + (stiff - side) * ty * ty;
    const next = j * 8 + 8;
    blocks[next] = blocks[next]! + kxx;
    blocks[next + 1] = blocks[next + 1]! + kxy;
    blocks[next + 2] = blocks[next + 2]! + kyy;
    blocks[next + 6] = blocks[next + 6]! - force * tx;
    blocks[next + 7] = blocks[next + 7]! - force * ty;
    if (j < first) continue;
    const at = j * 8;
    blocks[at] = blocks[at]! + kxx;
    blocks[at + 1] = blocks[at + 1]! + kxy;
    blocks[at + 2] = blocks[at + 2]! + kyy;
    blocks[at + 3] = -kxx;
    blocks[at + 4] = -kxy;
    blocks[at + 5] = -kyy;
    blocks[at + 6] = blocks[at + 6]! + force * tx;
    blocks[at + 7] = blocks[at + 7]! + force * ty;
  }
  for (let i = first; i < n; i++) {
    const at = i * 8;
    const next = at + 8;
    const a = blocks[at]!;
    const b = blocks[at + 1]!;
    const d = blocks[at + 2]!;
    const det = a * d - b * b;
    const e = blocks[at + 3]!;
    const f = blocks[at + 4]!;
    const h = blocks[at + 5]!;
    // C = Bᵀ A⁻¹, with B symmetric.
    const cxx = (e * d - f * b) / det;
    const cxy = (f * a - e * b) / det;
    const cyx = (f * d - h * b) / det;
    const cyy = (h * a - f * b) / det;
    blocks[next] = blocks[next]! - (cxx * e + cxy * f);
    blocks[next + 1] = blocks[next + 1]! - (cxx * f + cxy * h);
    blocks[next + 2] = blocks[next + 2]! - (cyx * f + cyy * h);
    blocks[next + 6] = blocks[next + 6]! - (cxx * blocks[at + 6]! + cxy * blocks[at + 7]!);
    blocks[next + 7] = blocks[next + 7]! - (cyx * blocks[at + 6]! + cyy * blocks[at + 7]!);
  }
  let sx = 0;
  let sy = 0;
  let far = 0;
  for (let i = n; i >= first; i--) {
    const at = i * 8;
    const gx = blocks[at + 6]! - (i < n ? blocks[at + 3]! * sx + blocks[at + 4]! * sy : 0);
    const gy = blocks[at + 7]! - (i < n ? blocks[at + 4]! * sx + blocks[at + 5]! * sy : 0);
    const a = blocks[at]!;
    const b = blocks[at + 1]!;
    const d = blocks[at + 2]!;
    const det = a * d - b * b;
    sx = (d * gx - b * gy) / det;
    sy = (a * gy - b * gx) / det;
    xs[i] = xs[i]! + sx;
    ys[i] = ys[i]! + sy;
    far = Math.max(far, sx * sx + sy * sy);
  }
  return far;
}
