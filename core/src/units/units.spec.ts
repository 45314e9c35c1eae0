import fc from 'fast-check';
import {
  formatDiameter,
  formatLength,
  formatMass,
  formatProbability,
  formatSpeed,
  formatWeight,
  GRAVITY,
  KG_PER_GRAIN,
} from './index';

describe('figures in words', () => {
  it.each([
    [0.00016, 'metric', '0.16 g'],
    [0.0025, 'metric', '2.5 g'],
    [KG_PER_GRAIN * 2.5, 'imperial', '2.5 gr'],
  ] as const)('a mass of %f kg', (kg, system, words) => expect(formatMass(kg, system)).toBe(words));

  it.each([
    [0.32, 'metric', '32 cm/s'],
    [0.0254 * 13, 'imperial', '13 in/s'],
  ] as const)('a speed of %f m/s', (ms, system, words) => expect(formatSpeed(ms, system)).toBe(words));

  it('a weight is told as the mass that has it', () => expect(formatWeight(0.001 * GRAVITY)).toBe('1.00 g'));

  it.each([
    [0.000152, 'metric', '0.15 mm'],
    [0.0001524, 'imperial', '0.006 in'],
  ] as const)('a diameter of %f m', (m, system, words) => expect(formatDiameter(m, system)).toBe(words));

  it.each([
    [0, '0.01'],
    [0.004, '0.01'],
    [0.41, '0.41'],
    [0.997, '0.99'],
    [1, '0.99'],
  ])('a probability of %f is never told as certain', (p, words) => expect(formatProbability(p)).toBe(words));

  it('always carry their unit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.constantFrom('metric' as const, 'imperial' as const),
        (value, system) => {
          expect(formatLength(value, system)).toMatch(/^\d[\d.]* (cm|m|in|ft( \d[\d.]* in)?)$/);
          expect(formatMass(value, system)).toMatch(/^\d[\d.]* (g|gr)$/);
          expect(formatSpeed(value, system)).toMatch(/^\d+ (cm|in)\/s$/);
        },
      ),
    );
  });
});
