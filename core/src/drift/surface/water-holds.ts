import { type Chain, lengthOf, type Pull } from '../../chain';
import { speedAt } from './current-bands';
import type { SurfaceDrift } from './surface-options';

/** Speed at which quadratic resistance is what the linear one is, m/s. */
export const QUADRATIC_AT_MS = 0.3;
/** Slower than this against its water, quadratic resistance falls no further, m/s: so that no part of the line is free. */
const SLOWEST_MS = 0.01;
/** What a line in the air resists, against one on the water. */
const IN_AIR = 0.002;

/** How the water holds each node of a line on it, kept up from step to step. */
export interface WaterHolds {
  /** Fills the pull for a step with the tip there at its end. */
  set: (tipX: number, stepS: number) => void;
  /** Notes how fast each stretch went against its water in the step that was made. */
  note: (stepS: number) => void;
  lift: (metres: number) => void;
  /** The scale of the forces, N. */
  forceN: () => number;
}

/** Resistance across each segment and a share of it along, half of it to each of its nodes; the water carries the rest. */
export function waterHolds(drift: SurfaceDrift, line: Chain, pull: Pull): WaterHolds {
  const { ratio, tip, nodes } = drift;
  const { xs, ys, rests } = line;
  const { toX, toY, rxx, rxy, ryy } = pull;
  const total = rests.reduce((sum, rest) => sum + rest, 0);
  let aboveM = 0;
  const kind = rests.map((rest) => {
    aboveM += rest;
    // A stretch that is partly leader counts as much as is.
    const leader = Math.min(1, Math.max(0, (aboveM - (total - drift.leaderM)) / rest));
    return 1 + leader * (drift.leaderShare - 1);
  });
  const speeds = new Float64Array(nodes).fill(QUADRATIC_AT_MS);
  const fromX = new Float64Array(nodes + 1);
  const fromY = new Float64Array(nodes + 1);
  const water = new Float64Array(nodes + 1);
  let liftedM = drift.liftedM;
  return {
    lift: (metres) => (liftedM = metres),
    forceN: () => drift.acrossNsM2 * total * 0.1,
    set: (tipX, stepS) => {
      let atM = 0;
      rxx.fill(0);
      rxy.fill(0);
      ryy.fill(0);
      for (let j = 0; j < nodes; j++) {
        const air = atM + rests[j]! / 2 < liftedM ? IN_AIR : 1;
        const speed = drift.quadratic ? speeds[j]! / QUADRATIC_AT_MS : 1;
        const full = (drift.acrossNsM2 * rests[j]! * kind[j]! * air * speed) / 2 / stepS;
        atM += rests[j]!;
        const dx = xs[j + 1]! - xs[j]!;
        const dy = ys[j + 1]! - ys[j]!;
        const less = (full / ratio - full) / (dx * dx + dy * dy || 1);
        const [qxx, qxy, qyy] = [full + less * dx * dx, less * dx * dy, full + less * dy * dy];
        rxx[j] = rxx[j]! + qxx;
        rxy[j] = rxy[j]! + qxy;
        ryy[j] = ryy[j]! + qyy;
        rxx[j + 1] = rxx[j + 1]! + qxx;
        rxy[j + 1] = rxy[j + 1]! + qxy;
        ryy[j + 1] = ryy[j + 1]! + qyy;
      }
      fromX.set(xs);
      fromY.set(ys);
      for (let i = 0; i <= nodes; i++) {
        water[i] = speedAt(drift, ys[i]!);
        toX[i] = xs[i]! + water[i]! * stepS;
        toY[i] = ys[i]!;
      }
      toX[0] = tipX;
      toY[0] = tip.outM ?? 0;
    },
    note: (stepS) => {
      if (!drift.quadratic) return;
      for (let j = 0; j < nodes; j++) {
        const ux =
          (xs[j]! - fromX[j]! + xs[j + 1]! - fromX[j + 1]!) / 2 / stepS - (water[j]! + water[j + 1]!) / 2;
        const uy = (ys[j]! - fromY[j]! + ys[j + 1]! - fromY[j + 1]!) / 2 / stepS;
        // The mean with the step before: taken as it is, the weights would swing to and fro.
        speeds[j] = Math.max(SLOWEST_MS, (speeds[j]! + lengthOf(ux, uy)) / 2);
      }
    },
  };
}
