import {
  sideDrift,
  type SideDrift,
  surfaceDrift,
  type SurfaceDrift,
  DEFAULT_DRIFT,
  DEFAULT_SIDE,
} from '@doceo/core';
import { fastestMs } from './fastest';

const fastLane = [
  { toM: 2.5, speedMs: 0.3 },
  { toM: 5.5, speedMs: 1 },
  { toM: 30, speedMs: 0.4 },
];
const mend = { kind: 'mend', atS: 0.4, sizeM: 1.2, way: 'up', from: 0.1, to: 0.8 } as const;

const TOP: [string, Partial<SurfaceDrift>][] = [
  ['even current, a little up', {}],
  ['fast lane between', { lanes: fastLane, castM: 8, castDeg: 90 }],
  ['the same with a mend', { lanes: fastLane, castM: 8, castDeg: 90, acts: [mend] }],
  [
    'eddy between',
    {
      lanes: [
        { toM: 4, speedMs: -0.3 },
        { toM: 30, speedMs: 0.6 },
      ],
      castM: 7,
      castDeg: 95,
    },
  ],
];
const load = (belowFloatM: number, submergedN: number): SideDrift['loads'][number] => ({
  belowFloatM,
  submergedN,
  massKg: submergedN / 8,
  dragAreaM2: 2e-5,
});
const SIDE: [string, Partial<SideDrift>][] = [
  ['one nymph, 1 m', {}],
  ['tucked', { landing: 'tucked' }],
  [
    'deep and fast, two flies',
    { depthM: 2, surfaceMs: 1.1, leaderM: 2.5, loads: [load(2, 0.002), load(2.5, 0.003)] },
  ],
  ['stony bed', { stonesM: 0.2, surfaceMs: 0.9 }],
];

/** Of so many steps one, and so many times the nodes: the reference. */
const FINER = { step: 10, nodes: 4 };

/** Time of the two drifts against their aims, their errors against a much finer run, and how the cost grows. */
export function benchDrift(): void {
  const top = fastestMs(() =>
    surfaceDrift({ lanes: fastLane, castM: 8, castDeg: 90, nodes: 60, durationS: 10 }),
  );
  console.log(
    `top view, 10 s with 60 nodes: ${top.toFixed(1)} ms of 40 ms (${(top / 40).toFixed(2)} of the aim)`,
  );
  const side = fastestMs(() => sideDrift({ durationS: 20 }));
  console.log(`side view, 20 s: ${side.toFixed(1)} ms of 60 ms (${(side / 60).toFixed(2)} of the aim)`);

  console.log('errors against a tenth of the step and four times the nodes');
  for (const [name, given] of TOP) {
    const coarse = surfaceDrift(given);
    const fine = surfaceDrift({
      ...given,
      stepS: DEFAULT_DRIFT.stepS / FINER.step,
      nodes: DEFAULT_DRIFT.nodes * FINER.nodes,
    });
    const off = Math.hypot(
      coarse.frames.at(-1)!.xs.at(-1)! - fine.frames.at(-1)!.xs.at(-1)!,
      coarse.frames.at(-1)!.ys.at(-1)! - fine.frames.at(-1)!.ys.at(-1)!,
    );
    console.log(
      `  top, ${name}: onset ${coarse.cleanS.toFixed(2)} s, reference ${fine.cleanS.toFixed(2)} s (${percent(coarse.cleanS, fine.cleanS)}); clean ${coarse.cleanM.toFixed(2)} m, reference ${fine.cleanM.toFixed(2)} m; fly off by ${(off * 100).toFixed(1)} cm at the end; stretch ${coarse.overStretch.toExponential(0)}`,
    );
  }
  for (const [name, given] of SIDE) {
    const coarse = sideDrift(given);
    const fine = sideDrift({
      ...given,
      stepS: DEFAULT_SIDE.stepS / FINER.step,
      nodes: DEFAULT_SIDE.nodes * FINER.nodes,
    });
    console.log(
      `  side, ${name}: depth ${coarse.steadyDepthM.toFixed(3)} m, reference ${fine.steadyDepthM.toFixed(3)} m (${percent(coarse.steadyDepthM, fine.steadyDepthM)}); to the zone ${coarse.toZoneS?.toFixed(2) ?? '–'} s, reference ${fine.toZoneS?.toFixed(2) ?? '–'} s; float slower by ${(coarse.floatSlipMs * 100).toFixed(1)} cm/s, reference ${(fine.floatSlipMs * 100).toFixed(1)} cm/s; stretch ${coarse.overStretch.toExponential(0)}`,
    );
  }

  const topOf = (nodes: number, durationS: number): number =>
    fastestMs(() => surfaceDrift({ lanes: fastLane, castM: 8, castDeg: 90, nodes, durationS }), 4);
  const sideOf = (nodes: number, durationS: number): number =>
    fastestMs(() => sideDrift({ nodes, durationS }), 4);
  const [topBase, sideBase] = [topOf(30, 5), sideOf(12, 10)];
  console.log(
    `cost, top view: nodes ×2 ${(topOf(60, 5) / topBase).toFixed(1)}, ×4 ${(topOf(120, 5) / topBase).toFixed(1)}; time ×2 ${(topOf(30, 10) / topBase).toFixed(1)}, ×4 ${(topOf(30, 20) / topBase).toFixed(1)}`,
  );
  console.log(
    `cost, side view: nodes ×2 ${(sideOf(24, 10) / sideBase).toFixed(1)}, ×4 ${(sideOf(48, 10) / sideBase).toFixed(1)}; time ×2 ${(sideOf(12, 20) / sideBase).toFixed(1)}, ×4 ${(sideOf(12, 40) / sideBase).toFixed(1)}`,
  );
}

function percent(found: number, wanted: number): string {
  return `${(Math.abs(found / wanted - 1) * 100).toFixed(1)} %`;
}
