import fc from 'fast-check';
import { buildRig } from '../../rig';
import { columnSpeed } from './profile';
import { hangingRig } from './rig-side';
import { sideDrift, DEFAULT_SIDE } from './side-drift';
import type { SideDrift } from './side-options';
import { sweepCell, sweepCells, sweepDistances, sweptDrift } from './side-sweep';

const load = (belowFloatM: number, submergedN: number): SideDrift['loads'][number] => ({
  belowFloatM,
  submergedN,
  massKg: submergedN / 8,
  dragAreaM2: 2e-5,
});
const deep: Partial<SideDrift> = { depthM: 3, leaderM: 1.5, loads: [load(1.5, 0.003)] };

/**
 * Where the fly hangs when nothing changes, another way: from the fly upwards the tension is summed piece by piece; the
 * depth of the fly and the speed of the whole are sought at which the top is at the surface and the float is in balance.
 */
function shooting(given: Partial<SideDrift>): { depthM: number; slipMs: number } {
  const drift = { ...DEFAULT_SIDE, ...given };
  const pieces = 1500;
  const length = drift.leaderM / pieces;
  const fly = drift.loads[0] as SideDrift['loads'][number];
  const perM = 0.5 * 1000 * drift.diameterM * drift.acrossDrag;
  const weightPerM = (Math.PI / 4) * drift.diameterM ** 2 * (drift.densityKgM3 - 1000) * 9.80665;
  const climb = (depthM: number, speed: number): { y: number; pullX: number } => {
    let y = -depthM;
    const slip = columnSpeed(drift, drift.depthM + y) - speed;
    // What the piece below hands up: the water's push on the fly along the stream, and its weight.
    let fx = 500 * fly.dragAreaM2 * slip * Math.abs(slip);
    let fy = -fly.submergedN;
    for (let i = 0; i < pieces; i++) {
      const size = Math.hypot(fx, fy);
      const [tx, ty] = [-fx / size, -fy / size];
      const u = columnSpeed(drift, drift.depthM + y + (ty * length) / 2) - speed;
      const along = u * tx;
      const [nx, ny] = [u - along * tx, -along * ty];
      const across = perM * Math.hypot(nx, ny) * length;
      const rub = perM * drift.alongShare * Math.abs(along) * along * length;
      fx += across * nx + rub * tx;
      fy += across * ny + rub * ty - weightPerM * length;
      y += ty * length;
    }
    return { y, pullX: fx };
  };
  const depthAt = (speed: number): number => {
    let [low, high] = [0.01, drift.leaderM];
    for (let i = 0; i < 30; i++) {
      const middle = (low + high) / 2;
      if (climb(middle, speed).y > 0) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  };
  let [low, high] = [0, drift.surfaceMs];
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    const slip = drift.surfaceMs - middle;
    const balance = climb(depthAt(middle), middle).pullX + 500 * drift.top.dragAreaM2 * slip * Math.abs(slip);
    if (balance > 0) low = middle;
    else high = middle;
  }
  return { depthM: depthAt(low), slipMs: drift.surfaceMs - low };
}

describe('a leader in the current', () => {
  it('held, weightless and thin, leans by drag ÷ weight', () => {
    const one = { ...load(1, 0.004), dragAreaM2: 4e-5 };
    const run = sideDrift({
      ...{ profile: 'even', surfaceMs: 0.4, depthM: 3, leaderM: 1, loads: [one] },
      ...{ diameterM: 5e-5, densityKgM3: 1000, acrossDrag: 0, durationS: 30 },
      top: { ledMs: 0, dragAreaM2: 0, massKg: 0, liftN: null },
    });
    const drag = 500 * 4e-5 * 0.4 ** 2;
    expect(Math.tan((-run.steadyDeg * Math.PI) / 180)).toBeCloseTo(drag / 0.004, 3);
  });

  it('free in water of one speed hangs plumb and does not slip', () => {
    const run = sideDrift({ ...deep, profile: 'even' });
    expect(run.steadyDeg).toBeCloseTo(0, 1);
    expect(run.floatSlipMs).toBeCloseTo(0, 4);
    expect(run.steadyDepthM).toBeCloseTo(1.5, 3);
  });

  it('reaches its length in still water', () =>
    expect(sideDrift({ ...deep, surfaceMs: 0 }).steadyDepthM).toBeCloseTo(1.5, 3));

  it('in sheared water slows the float, and the fly trails up the stream of it', () => {
    const run = sideDrift(deep);
    expect(run.floatSlipMs).toBeGreaterThan(0.01);
    expect(run.steadyDeg).toBeGreaterThan(0.5);
  });

  it.each<[string, Partial<SideDrift>]>([
    ['a log law', {}],
    ['a power law', { profile: 'power' }],
    ['fast water and a light fly', { surfaceMs: 1.3, loads: [load(1.5, 0.0008)] }],
  ])('agrees to a millimetre with shooting along the leader, in %s', (_, given) => {
    const wanted = shooting({ ...deep, ...given });
    const found = sideDrift({ ...deep, ...given, nodes: 60, stepS: 0.03, durationS: 60 });
    expect(Math.abs(found.steadyDepthM - wanted.depthM)).toBeLessThan(0.001);
    expect(found.floatSlipMs).toBeCloseTo(wanted.slipMs, 3);
  });

  it('half the step and twice the nodes move the depth by less than one in a hundred', () => {
    const wanted = sideDrift(deep).steadyDepthM;
    expect(Math.abs(sideDrift({ ...deep, stepS: 0.01 }).steadyDepthM / wanted - 1)).toBeLessThan(0.01);
    expect(Math.abs(sideDrift({ ...deep, nodes: 48 }).steadyDepthM / wanted - 1)).toBeLessThan(0.01);
  });

  it('never hangs shallower when it is heavier, and does not stretch', () => {
    const weights = fc.double({ min: 0.0003, max: 0.006, noNaN: true });
    const speeds = fc.double({ min: 0.1, max: 1.5, noNaN: true });
    fc.assert(
      fc.property(weights, weights, speeds, (a, b, surfaceMs) => {
        const [light, heavy] = [Math.min(a, b), Math.max(a, b)].map((weight) =>
          sideDrift({ ...deep, surfaceMs, durationS: 6, loads: [{ ...load(1.5, weight), massKg: 0.0005 }] }),
        );
        expect(heavy!.steadyDepthM).toBeGreaterThan(light!.steadyDepthM - 1e-4);
        expect(Math.max(heavy!.overStretch, light!.overStretch)).toBeLessThan(1e-3);
      }),
      { numRuns: 10 },
    );
  });

  it('reaches the zone sooner when it was tucked', () => {
    const straight = sideDrift({ depthM: 1.2, leaderM: 1.6, loads: [load(1.6, 0.0035)] });
    const tucked = sideDrift({ depthM: 1.2, leaderM: 1.6, loads: [load(1.6, 0.0035)], landing: 'tucked' });
    expect(tucked.toZoneS!).toBeLessThan(straight.toZoneS! - 0.2);
  });

  it('stays on the bed and above, ticks on stones, and rubs', () => {
    const run = sideDrift({ stonesM: 0.2, seed: 'a' });
    expect(run.ticks).toBeGreaterThan(1);
    expect(Math.min(...run.frames.flatMap(({ ys }) => ys))).toBeGreaterThan(-1.005);
    expect(Math.max(...run.frames.flatMap(({ ys }) => ys))).toBeLessThan(0.005);
    expect(sideDrift({ friction: 1.5 }).floatSlipMs).toBeGreaterThan(sideDrift({ friction: 0 }).floatSlipMs);
    expect(sideDrift({ stonesM: 0.2, seed: 'a' }).ticks).toBe(run.ticks);
  });

  it('goes under when more hangs than it lifts', () => {
    const top = { ...DEFAULT_SIDE.top, liftN: 0.002 };
    expect(sideDrift({ ...deep, top }).goesUnder).toBe(true);
    expect(sideDrift({ ...deep, top: { ...top, liftN: 0.02 } }).goesUnder).toBe(false);
  });

  it('the double rule over-reaches in slow water and holds in fast with a light fly', () => {
    const at = (surfaceMs: number, leaderM: number): number =>
      sideDrift({ surfaceMs, leaderM, loads: [load(leaderM, 0.0009)] }).contactShare;
    expect(at(0.2, 2)).toBeGreaterThan(0.8);
    expect(at(1.5, 2)).toBeLessThan(0.2);
  });

  it.each<[string, Partial<SideDrift>]>([
    ['surfaceMs', { surfaceMs: 5 }],
    ['nodes', { nodes: 10_000 }],
    ['loads[0].belowFloatM', { loads: [load(9, 0.003)] }],
    ['depthM', { depthM: 0 }],
    ['stonesM', { stonesM: 0.9 }],
  ])('refuses %s that cannot be', (name, given) =>
    expect(() => sideDrift(given)).toThrow(
      expect.objectContaining({ code: 'out-of-range', facts: expect.objectContaining({ name }) }),
    ),
  );
});

describe('the rig below its float', () => {
  it('hangs what is below the indicator, with its weights', () => {
    const rig = buildRig('indicator-nymph', { waterDepthM: 1, flyCount: 2, shotMassKg: 0.0003 });
    const hung = hangingRig(rig, 1, 0.5);
    expect(hung.top.ledMs).toBeNull();
    expect(hung.loads.at(-1)!.belowFloatM).toBeCloseTo(hung.leaderM, 9);
    expect(hung.loads).toHaveLength(3);
    expect(sideDrift({ ...hung, depthM: 1 }).toZoneS).not.toBeNull();
  });

  it('a tight line is led by the rod', () => {
    const rig = buildRig('tight-line', {});
    expect(hangingRig(rig, 1, 0.45).top.ledMs).toBe(0.45);
  });
});

describe('the map of distance and weight', () => {
  const drift = { ...DEFAULT_SIDE, durationS: 8, loads: [load(1.5, 0.0012)] };

  it('covers every cell once, spread from the start', () => {
    const cells = sweepCells(
      { depthM: 1, fromM: 0.5, toM: 2.5, distances: 5 },
      { mostKg: 0.0004, weights: 4 },
    );
    expect(new Set(cells.map(({ column, row }) => `${column} ${row}`)).size).toBe(20);
    expect(new Set(cells.slice(0, 5).map(({ row }) => row)).size).toBeGreaterThan(2);
    expect(Math.max(...cells.map(({ leaderM }) => leaderM))).toBe(2.5);
    expect(Math.max(...cells.map(({ addedKg }) => addedKg))).toBe(0.0004);
  });

  it('tries distances from the first to the last, closest about the depth', () => {
    const at = sweepDistances({ depthM: 1, fromM: 0.5, toM: 2.4, distances: 20 });
    expect([at[0], at.at(-1), at.length]).toEqual([0.5, 2.4, 20]);
    const steps = at.slice(1).map((one, i) => one - at[i]!);
    const least = steps.indexOf(Math.min(...steps));
    expect(at[least]! <= 1 && at[least + 1]! >= 1).toBe(true);
    expect(steps.slice(0, least).every((step, i) => step > steps[i + 1]!)).toBe(true);
    expect(steps.slice(least + 1).every((step, i) => step > steps[least + i]!)).toBe(true);
    expect(steps.at(-1)! / steps[least]!).toBeGreaterThan(3);
  });

  it('keeps the distance of the loads to the fly, and hangs deeper with more weight', () => {
    const longer = sweptDrift(drift, { leaderM: 2, addedKg: 0 });
    expect(longer.loads[0]!.belowFloatM).toBe(2);
    const short = { leaderM: 0.7, addedKg: 0 };
    expect(sweepCell(drift, { ...short, addedKg: 0.0004 }).steadyDepthM).toBeGreaterThan(
      sweepCell(drift, short).steadyDepthM,
    );
  });
});
