import fc from 'fast-check';
import { comfortBand, temperatureAt } from './comfort';
import { fishWindow, WATER_INDEX } from './fish-window';
import { HATCH_STAGES, strikeZone } from './strike-zone';
import { BOTTOMS, mostLimiting, wading, type Wader, type WadingPlace } from './wading';

describe('the fish’s window', () => {
  it.each([
    [1, 1.1345],
    [0.3, 0.3404],
    [2.5, 2.8363],
  ])('at %f m has a radius of %f m', (depthM, radiusM) =>
    expect(fishWindow(depthM, 1.8, 10).radiusM).toBeCloseTo(radiusM, 3),
  );

  it('asks for a leader that keeps the fly line out of it', () =>
    expect(fishWindow(1, 1.8, 10).leaderM).toBeCloseTo(1.4345, 3));

  it('hides a head that is low and far enough, by ten degrees over the rim', () => {
    const near = fishWindow(1, 1.8, 6);
    expect(near.seen).toBe(true);
    expect(near.hiddenBelowM).toBeCloseTo((6 - 1.1345) * 0.17633, 3);
    expect(near.hiddenFromM).toBeCloseTo(1.1345 + 1.8 / 0.17633, 2);
    expect(fishWindow(1, 1.8, near.hiddenFromM + 0.1).seen).toBe(false);
    expect(fishWindow(1, 0.5, 6).seen).toBe(false);
  });

  const depth = fc.double({ min: 0.1, max: 5, noNaN: true });
  const height = fc.double({ min: 0.1, max: 2.5, noNaN: true });
  const distance = fc.double({ min: 0, max: 40, noNaN: true });

  it('obeys the law of refraction where the ray crosses, inside the window', () => {
    fc.assert(
      fc.property(depth, height, distance, (d, h, x) => {
        const { crossesAtM, radiusM } = fishWindow(d, h, x);
        expect(crossesAtM).toBeLessThanOrEqual(radiusM + 1e-9);
        const below = crossesAtM / Math.hypot(crossesAtM, d);
        const above = (x - crossesAtM) / Math.hypot(x - crossesAtM, h);
        expect(WATER_INDEX * below).toBeCloseTo(above, 5);
      }),
    );
  });

  it('shows less of an angler who goes back, and more to a deeper fish the wider its window', () => {
    fc.assert(
      fc.property(depth, height, distance, (d, h, x) => {
        expect(fishWindow(d, h, x + 1).arcDeg).toBeLessThanOrEqual(fishWindow(d, h, x).arcDeg + 1e-9);
        expect(fishWindow(d + 0.5, h, x).radiusM).toBeGreaterThan(fishWindow(d, h, x).radiusM);
        expect(fishWindow(d, h + 0.2, x).arcDeg).toBeGreaterThanOrEqual(fishWindow(d, h, x).arcDeg - 1e-9);
      }),
    );
  });

  it('refuses what is no depth', () =>
    expect(() => fishWindow(0, 1.8, 5)).toThrow(expect.objectContaining({ code: 'out-of-range' })));
});

describe('wading', () => {
  const adult: Wader = { heightM: 1.8, ageYears: 40, hasStaff: true };
  const place: WadingPlace = { depthM: 0.6096, speedMs: 0.6096, bottom: 'gravel', waterC: 12, rising: false };

  it('multiplies feet by feet a second', () => {
    const { product, limit, verdict } = wading(place, adult);
    expect([product, limit, verdict]).toEqual([expect.closeTo(4, 9), 4, 'over-the-limit']);
    expect(wading({ ...place, speedMs: 0.5 }, adult).verdict).toBe('look-closer');
    expect(wading({ ...place, depthM: 0.8, speedMs: 1.3 }, adult).verdict).toBe('do-not-wade');
  });

  it.each<[string, Partial<WadingPlace>, Partial<Wader>, string]>([
    ['a child', {}, { ageYears: 12 }, 'child'],
    ['an older wader', {}, { ageYears: 70 }, 'older'],
    ['slick rock', { bottom: 'slick-rock' }, {}, 'slick-rock'],
    ['cold water', { waterC: 5 }, {}, 'cold'],
    ['no staff', {}, { hasStaff: false }, 'no-staff'],
  ])('lowers the limit for %s, and says so', (_, there, who, reason) => {
    const found = wading({ ...place, ...there }, { ...adult, ...who });
    expect(found.limit).toBeLessThan(4);
    expect(found.reasons).toEqual([reason]);
  });

  it('is lower for a short person, whose half is reached sooner, and no higher for a tall one', () => {
    expect(wading(place, { ...adult, heightM: 1.5 }).limit).toBeCloseTo(4 * (1.5 / 1.75) ** 2, 9);
    expect(wading(place, { ...adult, heightM: 2 }).limit).toBe(4);
    const deep = { ...place, depthM: 0.8, speedMs: 0.1 };
    expect(wading(deep, { ...adult, heightM: 1.5 }).verdict).toBe('do-not-wade');
    expect(wading(deep, adult).verdict).toBe('look-closer');
  });

  it.each([
    [[], null],
    [[41, 27], 27],
    [[66, 27], 66],
    [[66, 12], 12],
    [[64, 30], 30],
  ])('of a group aged %j goes by %s', (ages, age) => expect(mostLimiting(ages)).toBe(age));

  it('says no to a rising river and to water deeper than half of the wader, however slow', () => {
    expect(wading({ ...place, depthM: 0.1, speedMs: 0, rising: true }, adult).verdict).toBe('do-not-wade');
    expect(wading({ ...place, depthM: 0.95, speedMs: 0 }, adult).verdict).toBe('do-not-wade');
  });

  it('never grows milder as it grows deeper or faster, and never speaks of leave to go', () => {
    const order = ['look-closer', 'over-the-limit', 'do-not-wade'];
    const rank = (one: WadingPlace): number => order.indexOf(wading(one, adult).verdict);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        fc.constantFrom(...BOTTOMS),
        (depthM, speedMs, bottom) => {
          const here = { ...place, depthM, speedMs, bottom };
          expect(rank({ ...here, depthM: depthM + 0.3 })).toBeGreaterThanOrEqual(rank(here));
          expect(rank({ ...here, speedMs: speedMs + 0.3 })).toBeGreaterThanOrEqual(rank(here));
          expect(JSON.stringify(wading(here, adult))).not.toMatch(/safe|\bok\b|fine/i);
        },
      ),
    );
  });
});

describe('the comfort band', () => {
  const summer = [
    { depthM: 0, celsius: 21 },
    { depthM: 4, celsius: 17 },
    { depthM: 8, celsius: 9 },
  ];

  it('lies where the line between readings crosses the best temperatures', () => {
    const { bands, stop } = comfortBand(summer, 'brown-trout');
    expect(bands).toEqual([{ fromM: expect.closeTo(4.5, 9), toM: expect.closeTo(7.5, 9) }]);
    expect(stop).toBe(false);
  });

  it('names the nearest depth when nothing is right, and tells to stop when all is too warm', () => {
    const hot = [
      { depthM: 0, celsius: 24 },
      { depthM: 2, celsius: 20 },
    ];
    expect(comfortBand(hot, 'brown-trout')).toEqual({ bands: [], nearestM: 2, stop: true });
    expect(comfortBand([], 'grayling')).toEqual({ bands: [], nearestM: null, stop: false });
  });

  it('holds the depths that are at ease and no others, whatever the order of the readings', () => {
    // A marked line reads whole centimetres; nearer than that two readings have no depth between them to ask about.
    const profile = fc.uniqueArray(
      fc.record({
        depthM: fc.integer({ min: 0, max: 3000 }).map((cm) => cm / 100),
        celsius: fc.double({ min: 0, max: 28, noNaN: true }),
      }),
      { minLength: 2, maxLength: 12, selector: ({ depthM }) => depthM },
    );
    fc.assert(
      fc.property(profile, (readings) => {
        const { bands } = comfortBand(readings, 'brown-trout');
        expect(comfortBand([...readings].reverse(), 'brown-trout').bands).toEqual(bands);
        for (const { fromM, toM } of bands) {
          const middle = temperatureAt(readings, (fromM + toM) / 2);
          expect([middle >= 10 - 1e-6, middle <= 16 + 1e-6]).toEqual([true, true]);
        }
        for (const { depthM, celsius } of readings) {
          if (celsius > 10 && celsius < 16)
            expect(bands.some(({ fromM, toM }) => depthM >= fromM && depthM <= toM)).toBe(true);
          else if (celsius < 10 || celsius > 16)
            expect(bands.some(({ fromM, toM }) => depthM > fromM + 1e-9 && depthM < toM - 1e-9)).toBe(false);
        }
      }),
    );
  });
});

describe('the strike zone', () => {
  it('is the bottom in cold water, whatever hatches, and rises with the hatch in mild', () => {
    expect(strikeZone(4, 'on-top')).toMatchObject({ flyShare: 0.9, advice: 'bottom-slow' });
    expect(HATCH_STAGES.map((stage) => strikeZone(12, stage).flyShare)).toEqual([0.9, 0.55, 0.55, 0]);
  });

  it('shares out the whole column', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 26, noNaN: true }),
        fc.constantFrom(...HATCH_STAGES),
        (celsius, stage) => {
          const { bottom, middle, top } = strikeZone(celsius, stage);
          expect(bottom + middle + top).toBeCloseTo(1, 9);
          for (const share of [bottom, middle, top]) expect(share).toBeGreaterThanOrEqual(-1e-9);
        },
      ),
    );
  });
});
