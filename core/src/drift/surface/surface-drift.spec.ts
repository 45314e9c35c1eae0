import type { Act } from './line-actions';
import { speedAt } from './current-bands';
import { mendCompared, surfaceDrift } from './surface-drift';
import type { SurfaceDrift } from './surface-options';

const even = (speedMs: number) => [{ toM: 30, speedMs }];
/** Slow, fast, slow. */
const fastBetween = [
  { toM: 2.5, speedMs: 0.3 },
  { toM: 5.5, speedMs: 1 },
  { toM: 30, speedMs: 0.4 },
];
const onset = (given: Partial<SurfaceDrift>): number => surfaceDrift(given).onsetS ?? Infinity;

describe('a line on the water', () => {
  it('downstream with slack drags at (L − L₀)/U, and at /(U − v) when the tip follows at v', () => {
    const down = { lanes: even(0.8), castM: 8, castDeg: 0, slackShare: 0.25, leaderM: 0 };
    expect(onset(down)).toBeCloseTo(2.5, 1);
    const follows = { ...down, tip: { startM: 0, speedMs: 0.3, untilS: 60 } };
    expect(onset(follows)).toBeCloseTo(4, 1);
  });

  it('never drags when the tip goes with the water', () => {
    const { onsetS, overStretch } = surfaceDrift({
      lanes: even(0.8),
      castDeg: 90,
      tip: { startM: 0, speedMs: 0.8, untilS: 60 },
    });
    expect(onsetS).toBeNull();
    expect(overStretch).toBeLessThan(1e-3);
  });

  it('straight across drags between (L − Y)/U and √(L² − Y²)/U, and stretches under a thousandth', () => {
    const run = surfaceDrift({ lanes: even(0.8), castM: 8, castDeg: 90, slackShare: 0.25 });
    expect(run.onsetS).toBeGreaterThan(2 / 0.8);
    expect(run.onsetS).toBeLessThan(Math.sqrt(100 - 64) / 0.8);
    expect(run.overStretch).toBeLessThan(1e-3);
  });

  it('is the same mirrored over the stream, and along it', () => {
    const given = { lanes: even(0.7), castM: 8, castDeg: 70, slackShare: 0.2, durationS: 5 };
    const [one, across, along] = [
      surfaceDrift(given),
      surfaceDrift({ ...given, castDeg: -70 }),
      surfaceDrift({ ...given, castDeg: 110, lanes: even(-0.7) }),
    ];
    const last = one.frames.at(-1)!;
    last.xs.forEach((x, i) => {
      expect(across.frames.at(-1)!.xs[i]).toBeCloseTo(x, 6);
      expect(across.frames.at(-1)!.ys[i]).toBeCloseTo(-last.ys[i]!, 6);
      expect(along.frames.at(-1)!.xs[i]).toBeCloseTo(-x, 6);
    });
  });

  it('does not feel a current that the tip goes along with', () => {
    const given = { lanes: fastBetween, castM: 8, castDeg: 90, slackShare: 0.15, durationS: 4 };
    const rest = surfaceDrift(given);
    const moved = surfaceDrift({
      ...given,
      lanes: fastBetween.map(({ toM, speedMs }) => ({ toM, speedMs: speedMs + 0.5 })),
      tip: { startM: 0, speedMs: 0.5, untilS: 60 },
    });
    const [a, b] = [rest.frames.at(-1)!, moved.frames.at(-1)!];
    a.xs.forEach((x, i) => expect(b.xs[i]! - 0.5 * a.atS).toBeCloseTo(x, 5));
    expect(moved.onsetS).toBe(rest.onsetS);
  });

  it('towed steadily pulls at the tip with the sum of its drags', () => {
    const { frames } = surfaceDrift({
      lanes: even(0.5),
      castM: 6,
      castDeg: 0,
      slackShare: 0,
      leaderM: 0,
      durationS: 6,
      nodes: 60,
    });
    // Along itself: resistance ÷ ratio × length × speed; half a segment's hangs on the tip itself.
    const whole = (0.06 / 20) * 6 * 0.5;
    expect(frames.at(-1)!.tensions[0]).toBeCloseTo(whole * (1 - 1 / 120), 5);
  });

  it('converges: half the step, twice the nodes, moves the onset by less than two in a hundred', () => {
    const given = { lanes: fastBetween, castM: 9, castDeg: 100, slackShare: 0.12, stepS: 0.01 };
    const wanted = onset(given);
    expect(Math.abs(onset({ ...given, stepS: 0.005 }) / wanted - 1)).toBeLessThan(0.02);
    expect(Math.abs(onset({ ...given, nodes: 200 }) / wanted - 1)).toBeLessThan(0.02);
  });

  it('drifts longer with an upstream mend over a fast lane, and the wrong way is worse than none fed', () => {
    const given = { lanes: fastBetween, castM: 8, castDeg: 90, slackShare: 0.1, durationS: 8 };
    const mend: Act = { kind: 'mend', atS: 0.2, way: 'up', sizeM: 1.2, from: 0.15, to: 0.8 };
    const { mended, fed, left } = mendCompared({ ...given, acts: [mend] });
    const wrong = surfaceDrift({ ...given, acts: [{ ...mend, way: 'down' }] });
    expect(mended.cleanM).toBeGreaterThan(left.cleanM);
    expect(mended.cleanM).toBeGreaterThan(fed.cleanM);
    expect(wrong.cleanM).toBeLessThan(fed.cleanM);
  });

  it('drifts longer with a downstream mend when the water between runs back', () => {
    const given = {
      lanes: [
        { toM: 5, speedMs: -0.3 },
        { toM: 30, speedMs: 0.5 },
      ],
      ...{ castM: 8, castDeg: 90, slackShare: 0.1, durationS: 8 },
    };
    const mend: Act = { kind: 'mend', atS: 0.2, way: 'down', sizeM: 1, from: 0.1, to: 0.8 };
    const down = surfaceDrift({ ...given, acts: [mend] });
    const up = surfaceDrift({ ...given, acts: [{ ...mend, way: 'up' }] });
    expect(down.cleanM).toBeGreaterThan(up.cleanM);
  });

  it('gains by a reach when the tip then follows', () => {
    const given = { lanes: even(0.6), castM: 8, castDeg: 100, slackShare: 0.1, durationS: 10 };
    const reach = { ...given, tip: { startM: -2, speedMs: 0.6, untilS: 5 } };
    expect(onset(reach)).toBeGreaterThan(onset(given) + 2);
  });

  it('goes from lane to lane smoothly', () => {
    const given = { lanes: fastBetween, blendM: 0.4 };
    expect(speedAt(given, 0)).toBeCloseTo(0.3, 5);
    expect(speedAt(given, 2.5)).toBeCloseTo(0.65, 5);
    expect(speedAt(given, 4)).toBeCloseTo(1, 3);
    expect(speedAt({ ...given, blendM: 0 }, 2.51)).toBe(1);
  });

  it.each<[string, Partial<SurfaceDrift>]>([
    ['nodes', { nodes: 10_000 }],
    ['lanes[0].speedMs', { lanes: even(5) }],
    ['lanes[1].toM', { lanes: [...even(1), { toM: 2, speedMs: 1 }] }],
    ['acts[0].atS', { acts: [{ kind: 'mend', atS: 99, way: 'up', sizeM: 1, from: 0.2, to: 0.5 }] }],
    ['leaderM', { leaderM: 20 }],
  ])('refuses %s that cannot be', (name, given) =>
    expect(() => surfaceDrift(given)).toThrow(
      expect.objectContaining({ code: 'out-of-range', facts: expect.objectContaining({ name }) }),
    ),
  );
});
