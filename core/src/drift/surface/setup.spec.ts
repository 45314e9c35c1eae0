import fc from 'fast-check';
import {
  dropLane,
  MAX_LANES,
  moveLane,
  setLaneSpeed,
  setupDrift,
  setupFaults,
  splitLane,
  DEFAULT_SETUP,
  waterPulls,
  whyOf,
} from './setup';
import { surfaceDrift } from './surface-drift';

const rising = (lanes: { toM: number }[]): boolean =>
  lanes.every(({ toM }, i) => toM > (lanes[i - 1]?.toM ?? 0) + 0.19);

describe('the setup of a drift', () => {
  it('lands the fly over the lie', () => {
    const { castM, castDeg, tip } = setupDrift({ ...DEFAULT_SETUP, standM: 3 });
    expect(tip.startM + castM * Math.cos((castDeg * Math.PI) / 180)).toBeCloseTo(0, 9);
  });

  it.each([
    ['cast-too-long', { standM: 14, lieM: 11 }],
    ['lie-outside', { lieM: 14 }],
    ['stand-beyond-lie', { outM: 7 }],
    ['act-after-end', { acts: [{ kind: 'mend', atS: 12, sizeM: 1, way: 'up', from: 0, to: 1 }] }],
  ] as const)('says %s where it is so', (fault, given) =>
    expect(setupFaults({ ...DEFAULT_SETUP, ...given } as typeof DEFAULT_SETUP)).toContain(fault),
  );

  it('has none as it comes', () => expect(setupFaults(DEFAULT_SETUP)).toEqual([]));

  it('keeps its lanes in order whatever is done to them', () => {
    const edit = fc.record({
      what: fc.nat(3),
      at: fc.nat(9),
      to: fc.double({ min: -5, max: 50, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 20 }), (edits) => {
        const end = edits.reduce(
          (setup, { what, at, to }) =>
            [
              moveLane(setup, at % setup.lanes.length, to),
              setLaneSpeed(setup, at % setup.lanes.length, to),
              splitLane(setup, at % setup.lanes.length),
              dropLane(setup, at % setup.lanes.length),
            ][what]!,
          DEFAULT_SETUP,
        );
        expect(rising(end.lanes)).toBe(true);
        expect(end.lanes.length).toBeGreaterThanOrEqual(3);
        expect(end.lanes.length).toBeLessThanOrEqual(MAX_LANES);
        expect(end.lieM).toBeLessThan(end.lanes.at(-1)!.toM);
        expect(Math.max(...end.lanes.map(({ speedMs }) => Math.abs(speedMs)))).toBeLessThanOrEqual(2.5);
      }),
    );
  });

  it('a split lane and one dropped are the water they were', () => {
    const split = splitLane(DEFAULT_SETUP, 1);
    expect(split.lanes).toHaveLength(5);
    expect(split.lanes[1]).toEqual({ toM: 4, speedMs: 0.95 });
    expect(dropLane(split, 2).lanes).toEqual([
      { toM: 2.5, speedMs: 0.35 },
      { toM: 5.5, speedMs: 0.95 },
      ...DEFAULT_SETUP.lanes.slice(2),
    ]);
  });
});

describe('why', () => {
  it('names the fast lane between, by where the water pulls', () => {
    const run = surfaceDrift(setupDrift(DEFAULT_SETUP));
    const why = whyOf(DEFAULT_SETUP, run);
    expect(why.betweenMs).toBeGreaterThan(0.3);
    expect(why.pulledAtM!).toBeGreaterThan(2.3);
    expect(why.pulledAtM!).toBeLessThan(6.5);
    expect(why.pulledMs!).toBeGreaterThan(0.1);
  });

  it('pulls add up to what the rod holds', () => {
    const { frames } = surfaceDrift({
      lanes: [{ toM: 30, speedMs: 0.5 }],
      castM: 6,
      castDeg: 0,
      slackShare: 0,
      leaderM: 0,
      durationS: 4,
    });
    const last = frames.at(-1)!;
    const sum = waterPulls(last).reduce((total, one) => total + one, 0) + last.tensions.at(-1)!;
    expect(sum).toBeCloseTo(last.tensions[0]!, 6);
  });
});
