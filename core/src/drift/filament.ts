/** A chain of nodes on the water: two coordinates a node, node 0 at the rod tip. SI. */
export interface Filament {
  xs: Float64Array;
  ys: Float64Array;
  /** Rest length of the segment from each node to the next. */
  rests: Float64Array;
  /** Resistance across each segment for each metre a second, N·s/m; along it is a share of that. */
  across: Float64Array;
  /** Tension of each segment after the last step, N; never less than nought. */
  tensions: Float64Array;
}

/** Stretch at which a step is taken for solved, as a share of a segment's rest length. */
const TOLERANCE = 2e-5;
const ROUNDS = 40;
const TURNS = 12;
/** How stiff a segment is against stretching at first, against what moves a node, and by how much that grows. */
const STIFFNESS = 60;
const STIFFER = 4;

/**
 * One step of an inextensible, perfectly flexible filament that the water carries, with resistance across itself `ratio`
 * times that along it, and no inertia: the nodes go where the water would take them, as nearly as the resistance weighs it,
 * with no segment longer than its rest length. That is convex and has one solution; its multipliers are the tensions.
 * Segments may be slack; they never push. Solved by augmented Lagrangians: Newton steps on the nodes, whose blocks are
 * tridiagonal along the chain, and the multipliers put right in between.
 *
 * @param waterX,waterY speed of the water at each node, m/s
 * @param tip where the rod tip is at the end of the step
 * @returns the largest stretch that is left, as a share of the rest length
 */
export function stepFilament(
  line: Filament,
  waterX: ArrayLike<number>,
  waterY: ArrayLike<number>,
  tip: { x: number; y: number },
  stepS: number,
  ratio: number,
): number {
  const { xs, ys, rests, across, tensions } = line;
  const n = rests.length;
  const work = workspace(n);
  const { freeX, freeY, rxx, rxy, ryy, px, py } = work;
  for (let i = 0; i <= n; i++) {
    freeX[i] = i === 0 ? tip.x : xs[i]! + waterX[i]! * stepS;
    freeY[i] = i === 0 ? tip.y : ys[i]! + waterY[i]! * stepS;
    [rxx[i], rxy[i], ryy[i]] = [0, 0, 0];
  }
  for (let j = 0; j < n; j++) {
    const [dx, dy] = [xs[j + 1]! - xs[j]!, ys[j + 1]! - ys[j]!];
    const length = Math.hypot(dx, dy) || 1;
    const full = across[j]! / 2 / stepS;
    const less = full / ratio - full;
    for (const i of [j, j + 1]) {
      rxx[i] = rxx[i]! + full + (less * dx * dx) / (length * length);
      rxy[i] = rxy[i]! + (less * dx * dy) / (length * length);
      ryy[i] = ryy[i]! + full + (less * dy * dy) / (length * length);
    }
  }
  px.set(freeX);
  py.set(freeY);
  let stiff = (STIFFNESS * across[0]!) / stepS;
  let before = Infinity;
  let worst = Infinity;
  for (let round = 0; round < ROUNDS && worst > TOLERANCE; round++) {
    for (let turn = 0; turn < TURNS; turn++) if (newton(line, work, stiff) < 1e-12) break;
    worst = 0;
    for (let j = 0; j < n; j++) {
      const over = Math.hypot(px[j + 1]! - px[j]!, py[j + 1]! - py[j]!) - rests[j]!;
      tensions[j] = Math.max(0, tensions[j]! + stiff * over);
      worst = Math.max(worst, over / rests[j]!);
    }
    if (worst > before / 4) stiff *= STIFFER;
    before = worst;
  }
  xs.set(px);
  ys.set(py);
  return worst;
}

interface Workspace {
  freeX: Float64Array;
  freeY: Float64Array;
  rxx: Float64Array;
  rxy: Float64Array;
  ryy: Float64Array;
  px: Float64Array;
  py: Float64Array;
  /** Blocks of the system: diagonal, the one to the next node, and the right side. */
  blocks: Float64Array;
}
const kept = new Map<number, Workspace>();

function workspace(n: number): Workspace {
  const known = kept.get(n);
  if (known) return known;
  const row = (): Float64Array => new Float64Array(n + 1);
  const made = {
    freeX: row(),
    freeY: row(),
    rxx: row(),
    rxy: row(),
    ryy: row(),
    px: row(),
    py: row(),
    blocks: new Float64Array((n + 1) * 8),
  };
  kept.set(n, made);
  return made;
}

/**
 * A Newton step on ½(x − x*)ᵀR(x − x*) + Σ max(0, T + k·stretch)²/2k. A stretched segment is stiff along itself and by its
 * tension across; a slack one is not there. Never an indefinite block, so each step goes down.
 *
 * @returns the square of the longest way a node went, metres
 */
function newton(
  { rests, tensions }: Filament,
  { freeX, freeY, rxx, rxy, ryy, px, py, blocks }: Workspace,
  stiff: number,
): number {
  const n = rests.length;
  // A block holds: axx, axy, ayy of the diagonal; bxx, bxy, byy to the next node (symmetric); the right side.
  for (let i = 1; i <= n; i++) {
    const at = i * 8;
    const [ex, ey] = [px[i]! - freeX[i]!, py[i]! - freeY[i]!];
    blocks[at] = rxx[i]!;
    blocks[at + 1] = rxy[i]!;
    blocks[at + 2] = ryy[i]!;
    blocks[at + 3] = 0;
    blocks[at + 4] = 0;
    blocks[at + 5] = 0;
    blocks[at + 6] = -(rxx[i]! * ex + rxy[i]! * ey);
    blocks[at + 7] = -(rxy[i]! * ex + ryy[i]! * ey);
  }
  for (let j = 0; j < n; j++) {
    const [dx, dy] = [px[j + 1]! - px[j]!, py[j + 1]! - py[j]!];
    const length = Math.hypot(dx, dy) || 1e-12;
    const pull = tensions[j]! + stiff * (length - rests[j]!);
    if (pull <= 0) continue;
    const [tx, ty] = [dx / length, dy / length];
    const side = pull / length;
    const kxx = side + (stiff - side) * tx * tx;
    const kxy = (stiff - side) * tx * ty;
    const kyy = side + (stiff - side) * ty * ty;
    for (const [i, sign] of [
      [j, 1],
      [j + 1, -1],
    ] as const) {
      if (i === 0) continue;
      const at = i * 8;
      blocks[at] = blocks[at]! + kxx;
      blocks[at + 1] = blocks[at + 1]! + kxy;
      blocks[at + 2] = blocks[at + 2]! + kyy;
      blocks[at + 6] = blocks[at + 6]! + sign * pull * tx;
      blocks[at + 7] = blocks[at + 7]! + sign * pull * ty;
    }
    if (j > 0) {
      blocks[j * 8 + 3] = -kxx;
      blocks[j * 8 + 4] = -kxy;
      blocks[j * 8 + 5] = -kyy;
    }
  }
  for (let i = 1; i < n; i++) {
    const [at, next] = [i * 8, i * 8 + 8];
    const [a, b, d] = [blocks[at]!, blocks[at + 1]!, blocks[at + 2]!];
    const det = a * d - b * b;
    const [e, f, h] = [blocks[at + 3]!, blocks[at + 4]!, blocks[at + 5]!];
    // C = Bᵀ A⁻¹, with B symmetric.
    const [cxx, cxy] = [(e * d - f * b) / det, (f * a - e * b) / det];
    const [cyx, cyy] = [(f * d - h * b) / det, (h * a - f * b) / det];
    blocks[next] = blocks[next]! - (cxx * e + cxy * f);
    blocks[next + 1] = blocks[next + 1]! - (cxx * f + cxy * h);
    blocks[next + 2] = blocks[next + 2]! - (cyx * f + cyy * h);
    blocks[next + 6] = blocks[next + 6]! - (cxx * blocks[at + 6]! + cxy * blocks[at + 7]!);
    blocks[next + 7] = blocks[next + 7]! - (cyx * blocks[at + 6]! + cyy * blocks[at + 7]!);
  }
  let [sx, sy, far] = [0, 0, 0];
  for (let i = n; i >= 1; i--) {
    const at = i * 8;
    const gx = blocks[at + 6]! - (i < n ? blocks[at + 3]! * sx + blocks[at + 4]! * sy : 0);
    const gy = blocks[at + 7]! - (i < n ? blocks[at + 4]! * sx + blocks[at + 5]! * sy : 0);
    const [a, b, d] = [blocks[at]!, blocks[at + 1]!, blocks[at + 2]!];
    const det = a * d - b * b;
    sx = (d * gx - b * gy) / det;
    sy = (a * gy - b * gx) / det;
    px[i] = px[i]! + sx;
    py[i] = py[i]! + sy;
    far = Math.max(far, sx * sx + sy * sy);
  }
  return far;
}
