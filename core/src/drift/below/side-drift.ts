import { CoreError, inRange } from '../../error';
import { stonyBed } from './bed';
import { type Chain, pullOf, solveConstraints } from '../../chain';
import { checkColumn } from './profile';
import type { SideDrift } from './side-options';
import { chainForces } from './side-forces';

export interface SideFrame {
  atS: number;
  xs: number[];
  ys: number[];
  /** Speed of the float over the ground, m/s. */
  floatMs: number;
  /** Whether a fly or shot touches the bed. */
  touches: boolean;
}

export interface SideRun {
  /** Until the point fly is in the zone; null when it never is. */
  toZoneS: number | null;
  inZoneS: number;
  /** In the zone and not on the bed. */
  clearS: number;
  /** Of the last fifth of the run: depth of the point fly, and how far the leader leans, degrees; above zero the float leads. */
  steadyDepthM: number;
  steadyDeg: number;
  /** By how much the float is slower than the surface, m/s, then. */
  floatSlipMs: number;
  /** From when on the float is ahead of the fly for good; null when it is not at the end. */
  leadsFromS: number | null;
  /** Times a fly or shot comes to the bed, and the share of the time that one is on it, from reaching the zone on. */
  ticks: number;
  contactShare: number;
  /** The strongest pull down at the float that lasts a tenth of a second, N, and whether it went under. */
  pullN: number;
  goesUnder: boolean;
  overStretch: number;
  frames: SideFrame[];
}

export const DEFAULT_SIDE: SideDrift = {
  depthM: 1,
  surfaceMs: 0.7,
  profile: 'log',
  roughnessM: 0.003,
  leaderM: 1.5,
  diameterM: 0.00018,
  densityKgM3: 1140,
  loads: [{ belowFloatM: 1.5, submergedN: 0.0035, massKg: 0.0005, dragAreaM2: 2.2e-5 }],
  top: { ledMs: null, dragAreaM2: 1e-4, massKg: 0.0004, liftN: null },
  landing: 'straight',
  acrossDrag: 1.1,
  alongShare: 1 / 50,
  byReynolds: false,
  stonesM: 0,
  seed: 'bed',
  friction: 0.5,
  zoneM: 0.25,
  nodes: 24,
  stepS: 0.02,
  durationS: 20,
};

const FRAME_S = 0.1;
const DIVERGED = 0.01;
/** Share of the run at its end that is taken as steady. */
const STEADY = 0.2;
/** A fly this near to the bed touches it, metres; it has left when it is twice as far. */
const TOUCH_M = 0.01;
/** A pull counts over so long. */
const LASTS_S = 0.1;
/** Most loads of a leader. */
const MAX_LOADS = 8;

/**
 * The drift of a leader below a float, or led by the rod: an inextensible chain in water that is slower near the bed,
 * with the flies and shot as point loads, on a bed that does not give and rubs. See docs/models.md.
 *
 * @throws CoreError 'out-of-range' for what cannot be, 'diverged' for a run that does not converge
 */
export function sideDrift(options: Partial<SideDrift> = {}): SideRun {
  const drift = { ...DEFAULT_SIDE, ...options };
  check(drift);
  const { nodes, stepS, durationS, depthM, top } = drift;
  const chain = layOut(drift);
  const pull = pullOf(nodes);
  const floor = { ys: new Float64Array(nodes + 1), presses: new Float64Array(nodes + 1) };
  const stones = stonyBed(drift.stonesM, drift.seed);
  const forces = chainForces(drift, chain, pull, floor);
  const watched = loadNodes(drift);
  const count = sums(drift);
  const frames: SideFrame[] = [];
  let [overStretch, touches, floatMs] = [0, false, drift.surfaceMs];
  const steps = Math.round(durationS / stepS);
  for (let k = 0; k <= steps; k++) {
    const atS = k * stepS;
    if (k > 0) {
      for (let i = 0; i <= nodes; i++) floor.ys[i] = -depthM + stones(chain.xs[i]!);
      const before = chain.xs[0]!;
      forces.set(stepS);
      const stretch = solveConstraints(chain, pull, {
        heldFirst: top.ledMs !== null,
        forceN: forces.scaleN,
        floor,
        roofM: 0,
      });
      if (!(stretch < DIVERGED)) throw new CoreError('diverged', { name: 'stretch', value: stretch, atS });
      overStretch = Math.max(overStretch, stretch);
      forces.note(stepS);
      floatMs = (chain.xs[0]! - before) / stepS;
      const within = touches ? 2 * TOUCH_M : TOUCH_M;
      touches = watched.some((i) => chain.ys[i]! - floor.ys[i]! < within);
      count.step(chain, atS, stepS, floatMs, touches);
    }
    if (Math.floor(atS / FRAME_S + 1e-9) > Math.floor((atS - stepS) / FRAME_S + 1e-9))
      frames.push({ atS, xs: [...chain.xs], ys: [...chain.ys], floatMs, touches });
  }
  return { ...count.result(), overStretch, frames };
}

/** Gathers the figures of a run step by step. */
function sums({ depthM, zoneM, durationS, surfaceMs, top, nodes }: SideDrift): {
  step: (chain: Chain, atS: number, stepS: number, floatMs: number, touches: boolean) => void;
  result: () => Omit<SideRun, 'overStretch' | 'frames'>;
} {
  let [toZoneS, inZoneS, clearS, leadsFromS] = [null as number | null, 0, 0, null as number | null];
  let [depths, leans, slips, steadyS] = [0, 0, 0, 0];
  let [ticks, onBedS, sinceZoneS, pullN, smoothN, touched] = [0, 0, 0, 0, 0, false];
  return {
    step: ({ xs, ys, tensions, rests }, atS, stepS, floatMs, touches) => {
      const [back, deep] = [xs[0]! - xs[nodes]!, -ys[nodes]!];
      if (deep >= depthM - zoneM) {
        toZoneS ??= atS;
        inZoneS += stepS;
        if (!touches) clearS += stepS;
      }
      if (back <= 0) leadsFromS = null;
      else leadsFromS ??= atS;
      if (atS > durationS * (1 - STEADY)) {
        steadyS += stepS;
        depths += deep * stepS;
        leans += Math.atan2(back, deep) * stepS;
        slips += (surfaceMs - floatMs) * stepS;
      }
      if (toZoneS !== null) {
        sinceZoneS += stepS;
        if (touches) onBedS += stepS;
      }
      if (touches && !touched) ticks += 1;
      touched = touches;
      const nowN = (tensions[0]! * (ys[0]! - ys[1]!)) / rests[0]!;
      smoothN += (nowN - smoothN) * Math.min(1, stepS / LASTS_S);
      pullN = Math.max(pullN, smoothN);
    },
    result: () => ({
      toZoneS,
      inZoneS,
      clearS,
      leadsFromS,
      steadyDepthM: depths / steadyS,
      steadyDeg: ((leans / steadyS) * 180) / Math.PI,
      floatSlipMs: slips / steadyS,
      ticks,
      contactShare: sinceZoneS > 0 ? onBedS / sinceZoneS : 0,
      pullN,
      goesUnder: top.liftN !== null && pullN > top.liftN,
    }),
  };
}

/** How much of the leader lies straight when it is tucked. */
const TUCKED_SHARE = 0.2;

function layOut({ leaderM, nodes, landing }: SideDrift): Chain {
  const rest = leaderM / nodes;
  const share = landing === 'tucked' ? TUCKED_SHARE : 1;
  return {
    xs: Float64Array.from({ length: nodes + 1 }, (_, i) => -i * rest * share),
    ys: new Float64Array(nodes + 1),
    rests: new Float64Array(nodes).fill(rest),
    tensions: new Float64Array(nodes),
  };
}

/** Nodes at which the loads hang. */
function loadNodes({ loads, leaderM, nodes }: SideDrift): number[] {
  return loads.map(({ belowFloatM }) => Math.round((belowFloatM / leaderM) * nodes));
}

function check(drift: SideDrift): void {
  checkColumn(drift);
  inRange('leaderM', drift.leaderM, 0.1, 12);
  inRange('diameterM', drift.diameterM, 5e-5, 0.002);
  inRange('densityKgM3', drift.densityKgM3, 500, 3000);
  inRange('loads', drift.loads.length, 0, MAX_LOADS);
  drift.loads.forEach((load, i) => {
    inRange(`loads[${i}].belowFloatM`, load.belowFloatM, 0, drift.leaderM + 1e-9);
    inRange(`loads[${i}].submergedN`, load.submergedN, -0.1, 0.5);
    inRange(`loads[${i}].massKg`, load.massKg, 0, 0.05);
    inRange(`loads[${i}].dragAreaM2`, load.dragAreaM2, 0, 0.01);
  });
  if (drift.top.ledMs !== null) inRange('top.ledMs', drift.top.ledMs, -4, 4);
  inRange('top.dragAreaM2', drift.top.dragAreaM2, 0, 0.1);
  inRange('top.massKg', drift.top.massKg, 0, 0.1);
  inRange('acrossDrag', drift.acrossDrag, 0, 10);
  inRange('alongShare', drift.alongShare, 0, 1);
  inRange('stonesM', drift.stonesM, 0, drift.depthM / 2);
  inRange('friction', drift.friction, 0, 2);
  inRange('zoneM', drift.zoneM, 0.01, 10);
  inRange('nodes', drift.nodes, 4, 400);
  inRange('stepS', drift.stepS, 0.001, 0.05);
  inRange('durationS', drift.durationS, drift.stepS * 10, 60);
}
