import type { Point } from '../geometry';
import { type Chain, lengthOf, type Pull } from '../chain';
import type { LoopCast } from './loop-cast';

const AIR_KG_M3 = 1.225;
/** Water holds what lies on it, N·s/m for each metre. Estimate: it takes what is left of the cast. */
const HOLDS = 2;

/** The far end of a back cast that was thrown up still rises, m/s. Estimate. */
const BACK_RISES_MS = 4;

/** Inertia, air, gravity and water on each node of a line in the air. */
export interface LoopForces {
  set: (tip: Point, stepS: number) => void;
  note: (stepS: number) => void;
  flyMs: () => number;
}

/**
 * Backward in time and of first order: what that takes from the quickest waves stands in for the line's own stiffness
 * and damping. The air's drag is quadratic with the size of the speed taken from
 * the step before: steps are short against the time in which it changes.
 */
export function loopForces(cast: LoopCast, chain: Chain, pull: Pull, presses: Float64Array): LoopForces {
  const { nodes, stroke } = cast;
  const { xs, ys, rests } = chain;
  const row = (): Float64Array => new Float64Array(nodes + 1);
  const mass = row();
  for (let j = 0; j < nodes; j++) for (const i of [j, j + 1]) mass[i]! += (cast.massPerM * rests[j]!) / 2;
  mass[nodes]! += cast.flyKg;
  const [x1, y1, vx, vy] = [row(), row(), row(), row()];
  const [jxx, jxy, jyy] = [row(), row(), row()];
  for (let i = 0; i <= nodes; i++) vy[i] = (BACK_RISES_MS * i) / nodes;
  // The end of an unfinished back cast still goes back.
  if (stroke.backShare < 1)
    for (let i = 0; i <= nodes; i++) if (i / nodes > stroke.backShare) vx[i] = -stroke.speedMs;
  const across = 0.5 * AIR_KG_M3 * cast.diameterM * cast.acrossDrag;
  const skin = 0.5 * AIR_KG_M3 * Math.PI * cast.diameterM * cast.skinFriction;

  const air = (): void => {
    jxx.fill(0);
    jxy.fill(0);
    jyy.fill(0);
    for (let j = 0; j < nodes; j++) {
      const dx = xs[j + 1]! - xs[j]!;
      const dy = ys[j + 1]! - ys[j]!;
      const length = lengthOf(dx, dy) || 1;
      const [tx, ty] = [dx / length, dy / length];
      const wx = (vx[j]! + vx[j + 1]!) / 2 + cast.headWindMs;
      const wy = (vy[j]! + vy[j + 1]!) / 2;
      const along = wx * tx + wy * ty;
      const over = lengthOf(wx - along * tx, wy - along * ty);
      const n = (across * rests[j]! * over) / 2;
      const less = (skin * rests[j]! * Math.abs(along)) / 2 - n;
      for (const i of [j, j + 1]) {
        jxx[i]! += n + less * tx * tx;
        jxy[i]! += less * tx * ty;
        jyy[i]! += n + less * ty * ty;
      }
    }
    const fly = 0.5 * AIR_KG_M3 * cast.flyDragAreaM2 * lengthOf(vx[nodes]! + cast.headWindMs, vy[nodes]!);
    jxx[nodes]! += fly;
    jyy[nodes]! += fly;
  };

  return {
    flyMs: () => lengthOf(vx[nodes]!, vy[nodes]!),
    set: (tip, stepS) => {
      air();
      for (let i = 0; i <= nodes; i++) {
        const m = mass[i]!;
        const held = presses[i]! > 0 ? (HOLDS * cast.lineM) / nodes : 0;
        const rxx = m / stepS ** 2 + (jxx[i]! + held) / stepS;
        const rxy = jxy[i]! / stepS;
        const ryy = m / stepS ** 2 + (jyy[i]! + held) / stepS;
        const px = (m * vx[i]!) / stepS - jxx[i]! * cast.headWindMs;
        const py = (m * vy[i]!) / stepS - m * cast.gravity - jxy[i]! * cast.headWindMs;
        const det = rxx * ryy - rxy * rxy;
        pull.rxx[i] = rxx;
        pull.rxy[i] = rxy;
        pull.ryy[i] = ryy;
        pull.toX[i] = xs[i]! + (ryy * px - rxy * py) / det;
        pull.toY[i] = ys[i]! + (rxx * py - rxy * px) / det;
      }
      pull.toX[0] = tip.x;
      pull.toY[0] = tip.y;
      x1.set(xs);
      y1.set(ys);
    },
    note: (stepS) => {
      for (let i = 0; i <= nodes; i++) {
        vx[i] = (xs[i]! - x1[i]!) / stepS;
        vy[i] = (ys[i]! - y1[i]!) / stepS;
      }
    },
  };
}
