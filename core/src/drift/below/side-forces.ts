import { WATER_DENSITY } from '../../rig';
import { GRAVITY } from '../../units';
import { type Bounds, type Chain, lengthOf, type Pull } from '../../chain';
import { columnSpeed } from './profile';
import type { SideDrift } from './side-options';

/** Kinematic viscosity of water at 10 °C, m²/s. */
const VISCOSITY = 1.3e-6;
/** Resistance is put in as if no part were slower against its water, m/s; what comes out at rest does not depend on it. */
const MIN_MS = 0.02;
/** A node that rubs slower than this rubs as if at this speed, m/s. */
const RUBS_MS = 0.02;
/** Added mass of a line across, and of a fly, as shares of the water they displace. */
const ADDED_LINE = 1;
const ADDED_LOAD = 0.5;
/** Speed with which flies and shot go in when the cast was tucked, m/s. Estimate. */
const PLUNGE_MS = 1;
/** How hard the float is held to the surface, N/m. */
const FLOATS = 1e4;

/** Forces on each node of a leader, linearised about the speeds of the step before, with the inertia of the loads. */
export interface ChainForces {
  set: (stepS: number) => void;
  /** Notes the speeds that the step came to. */
  note: (stepS: number) => void;
  scaleN: number;
}

/**
 * Drag F(U) = ½ρ·C·|U|·U is taken as F(U₀) + J·(U − U₀), with J its derivative: one step of Newton's method a time step,
 * which keeps the quadratic law from swinging to and fro, and is exact once nothing changes.
 */
export function chainForces(
  drift: SideDrift,
  { xs, ys, rests }: Chain,
  { toX, toY, rxx, rxy, ryy }: Pull,
  floor: NonNullable<Bounds['floor']>,
): ChainForces {
  const { nodes, diameterM, top, depthM } = drift;
  const row = (): Float64Array => new Float64Array(nodes + 1);
  const [mass, weight, drag] = [row(), row(), row()];
  const [fromX, fromY, speedX, speedY, water] = [row(), row(), row(), row(), row()];
  const [jxx, jxy, jyy, fx, fy] = [row(), row(), row(), row(), row()];
  const area = (Math.PI / 4) * diameterM ** 2;
  const addTo = (at: number, add: (node: number, share: number) => void): void => {
    const low = Math.min(nodes - 1, Math.floor(at));
    add(low, 1 - (at - low));
    add(low + 1, at - low);
  };
  for (let j = 0; j < nodes; j++)
    for (const i of [j, j + 1]) {
      mass[i]! += (area * rests[j]! * (drift.densityKgM3 + ADDED_LINE * WATER_DENSITY)) / 2;
      weight[i]! += (area * rests[j]! * (drift.densityKgM3 - WATER_DENSITY) * GRAVITY) / 2;
    }
  const loaded = row();
  for (const load of drift.loads)
    addTo((load.belowFloatM / drift.leaderM) * nodes, (i, share) => {
      const displaced = load.massKg - load.submergedN / GRAVITY;
      mass[i]! += share * (load.massKg + ADDED_LOAD * Math.max(0, displaced));
      weight[i]! += share * load.submergedN;
      drag[i]! += share * 0.5 * WATER_DENSITY * load.dragAreaM2;
      loaded[i] = 1;
    });
  mass[0]! += top.massKg;
  drag[0]! += 0.5 * WATER_DENSITY * top.dragAreaM2;
  speedX.fill(drift.surfaceMs);
  if (drift.landing === 'tucked') loaded.forEach((one, i) => (speedY[i] = one > 0 ? -PLUNGE_MS : 0));
  const scaleN =
    weight.reduce((sum, one) => sum + Math.abs(one), 0) +
    0.5 * WATER_DENSITY * diameterM * drift.leaderM * drift.acrossDrag * 0.05 +
    1e-5;

  const across = (speed: number): number => {
    const cn = drift.byReynolds
      ? drift.acrossDrag * (1 + 10 * ((Math.max(MIN_MS, speed) * diameterM) / VISCOSITY) ** (-2 / 3)) * 0.9
      : drift.acrossDrag;
    return 0.5 * WATER_DENSITY * diameterM * cn;
  };
  return {
    scaleN,
    set: (stepS) => {
      fromX.set(xs);
      fromY.set(ys);
      for (let i = 0; i <= nodes; i++) {
        water[i] = columnSpeed(drift, depthM + ys[i]!);
        const [ux, uy] = [speedX[i]! - water[i]!, speedY[i]!];
        const size = lengthOf(ux, uy);
        const steady = drag[i]! * Math.max(size, MIN_MS);
        const more = size > MIN_MS ? drag[i]! / size : 0;
        jxx[i] = steady + more * ux * ux;
        jxy[i] = more * ux * uy;
        jyy[i] = steady + more * uy * uy;
        // J·U₀ − F(U₀), with F(U₀) the drag as it is.
        fx[i] = jxx[i]! * ux + jxy[i]! * uy - drag[i]! * size * ux;
        fy[i] = jxy[i]! * ux + jyy[i]! * uy - drag[i]! * size * uy - weight[i]!;
        const rub = (drift.friction * floor.presses[i]!) / Math.max(RUBS_MS, Math.abs(speedX[i]!));
        rxx[i] = mass[i]! / stepS ** 2 + rub / stepS;
        rxy[i] = 0;
        ryy[i] = mass[i]! / stepS ** 2;
        // Rubbing draws towards the ground, which stands still.
        fx[i] = fx[i]! - rub * speedX[i]!;
      }
      for (let j = 0; j < nodes; j++) {
        const dx = xs[j + 1]! - xs[j]!;
        const dy = ys[j + 1]! - ys[j]!;
        const length = lengthOf(dx, dy) || 1;
        const [tx, ty] = [dx / length, dy / length];
        const ux = (speedX[j]! + speedX[j + 1]! - water[j]! - water[j + 1]!) / 2;
        const uy = (speedY[j]! + speedY[j + 1]!) / 2;
        const along = ux * tx + uy * ty;
        const [nx, ny] = [ux - along * tx, uy - along * ty];
        const over = lengthOf(nx, ny);
        const c = (across(over) * rests[j]!) / 2;
        const [cn, ct] = [
          2 * c * Math.max(over, MIN_MS),
          2 * c * drift.alongShare * Math.max(Math.abs(along), MIN_MS),
        ];
        const [kxx, kxy, kyy] = [cn + (ct - cn) * tx * tx, (ct - cn) * tx * ty, cn + (ct - cn) * ty * ty];
        const still = c * drift.alongShare * Math.abs(along) * along;
        const gx = c * over * nx + still * tx;
        const gy = c * over * ny + still * ty;
        for (const i of [j, j + 1]) {
          jxx[i]! += kxx;
          jxy[i]! += kxy;
          jyy[i]! += kyy;
          fx[i]! += kxx * ux + kxy * uy - gx;
          fy[i]! += kxy * ux + kyy * uy - gy;
        }
      }
      for (let i = 0; i <= nodes; i++) {
        rxx[i]! += jxx[i]! / stepS;
        rxy[i]! += jxy[i]! / stepS;
        ryy[i]! += jyy[i]! / stepS;
        // From where it is: R·(x* − x) = J·water + what drag leaves over + weight + inertia.
        const px = jxx[i]! * water[i]! + fx[i]! + (mass[i]! * speedX[i]!) / stepS;
        const py = jxy[i]! * water[i]! + fy[i]! + (mass[i]! * speedY[i]!) / stepS;
        const det = rxx[i]! * ryy[i]! - rxy[i]! * rxy[i]! || 1;
        toX[i] = xs[i]! + (ryy[i]! * px - rxy[i]! * py) / det;
        toY[i] = ys[i]! + (rxx[i]! * py - rxy[i]! * px) / det;
      }
      ryy[0] = FLOATS;
      rxy[0] = 0;
      toY[0] = 0;
      if (top.ledMs !== null) toX[0] = xs[0]! + top.ledMs * stepS;
    },
    note: (stepS) => {
      for (let i = 0; i <= nodes; i++) {
        speedX[i] = (xs[i]! - fromX[i]!) / stepS;
        speedY[i] = (ys[i]! - fromY[i]!) / stepS;
      }
    },
  };
}
