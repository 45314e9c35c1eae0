import fc from 'fast-check';
import {
  formatDiameter,
  formatLength,
  formatMass,
  formatProbability,
  formatRoundLength,
  formatSpeed,
  formatBead,
  formatWeight,
  formatTemperature,
  formatWind,
  fromCelsius,
  GRAVITY,
  KG_PER_GRAIN,
  toCelsius,
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

  it.each([
    [14.52, 'metric', '14.5 °C'],
    [-2, 'metric', '−2 °C'],
    [15, 'imperial', '59 °F'],
    [-20, 'imperial', '−4 °F'],
  ] as const)('a temperature of %f °C', (celsius, system, words) =>
    expect(formatTemperature(celsius, system)).toBe(words),
  );

  it('a temperature comes back from either thermometer', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -40, max: 60 }),
        fc.constantFrom('metric', 'imperial'),
        (celsius, system) => {
          expect(toCelsius(fromCelsius(celsius, system), system)).toBeCloseTo(celsius, 9);
        },
      ),
    );
    expect(toCelsius(32, 'imperial')).toBe(0);
  });

  it.each([
    [8, 'metric', '8 m'],
    [1.5, 'metric', '1.5 m'],
    [0.3048 * 4.5, 'imperial', '4.5 ft'],
    [8, 'imperial', '26 ft'],
  ] as const)('a round length of %f m', (m, system, words) =>
    expect(formatRoundLength(m, system)).toBe(words),
  );

  it('a weight is told as the mass that has it', () =>
    expect([
      formatWeight(0.001 * GRAVITY, 'metric'),
      formatWeight(0.001 * GRAVITY, 'imperial'),
      formatBead(0.0028, 'metric'),
      formatBead(0.0028, 'imperial'),
      formatWind(5, 'metric'),
      formatWind(5, 'imperial'),
    ]).toEqual(['1.00 g', '15.4 gr', '2.8 mm', '0.11 in', '5 m/s', '11 mph']));

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
