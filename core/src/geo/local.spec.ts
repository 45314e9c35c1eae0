import fc from 'fast-check';
import { fromLonLat, toLonLat } from './local';

const origin = { longitude: 9.1, latitude: 57.9, bearingDeg: 90 };

describe('a sheet on the earth', () => {
  it('has one minute of latitude on 1853 m to the north', () => {
    const north = { ...origin, bearingDeg: 0 };
    const [longitude, latitude] = toLonLat(north, { x: 1853.248, y: 0 });
    expect(longitude).toBeCloseTo(9.1, 9);
    expect(latitude).toBeCloseTo(57.9 + 1 / 60, 6);
  });

  it('turns y to the right of x: east is x, south is y', () => {
    const [longitude, latitude] = toLonLat(origin, { x: 100, y: 50 });
    expect([longitude > 9.1, latitude < 57.9]).toEqual([true, true]);
  });

  it('gives back what it was given, to the millimetre', () => {
    const millimetres = fc.integer({ min: -3_000_000, max: 3_000_000 }).map((mm) => mm / 1000);
    fc.assert(
      fc.property(
        millimetres,
        millimetres,
        fc.integer({ min: 0, max: 359 }),
        fc.double({ min: -84, max: 84, noNaN: true }),
        (x, y, bearingDeg, latitude) => {
          const at = { longitude: 9.1, latitude, bearingDeg };
          const found = fromLonLat(at, toLonLat(at, { x, y }));
          expect(found.x).toBeCloseTo(x, 6);
          expect(found.y).toBeCloseTo(y, 6);
        },
      ),
      { numRuns: 300 },
    );
  });

  it('refuses to lie at a pole, where longitudes meet', () => {
    expect(() => toLonLat({ ...origin, latitude: 90 }, { x: 1, y: 1 })).toThrow(
      expect.objectContaining({ code: 'out-of-range' }),
    );
  });
});
