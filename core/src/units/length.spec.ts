import fc from 'fast-check';
import { formatForce, formatLength, parseLength } from '.';

describe('lengths', () => {
  it.each([
    ['1.2', 1.2],
    ['40 cm', 0.4],
    ['5 ft 3 in', 1.6002],
    ['5\' 3"', 1.6002],
    ['18in', 0.4572],
    ['0,4 m', 0.4],
    ['12mm', 0.012],
  ])('reads %s', (text, metres) => expect(parseLength(text, 'metric')).toBeCloseTo(metres, 9));

  it.each(['', 'long', '-1', '3 miles', '1 m of line', 'NaN', '1e3'])('refuses “%s”', (text) =>
    expect(() => parseLength(text, 'metric')).toThrow(expect.objectContaining({ code: 'unreadable' })),
  );

  it('says lengths as people do', () => {
    expect([0.42, 1.65, 0.998, 12.46, 60].map((m) => formatLength(m, 'metric'))).toEqual([
      '42 cm',
      '1.65 m',
      '1.00 m',
      '12.5 m',
      '60 m',
    ]);
    expect([0.0127, 0.3937, 0.9144, 1.651, 3.97, 60].map((m) => formatLength(m, 'imperial'))).toEqual([
      '0.5 in',
      '15.5 in',
      '3 ft',
      '5 ft 5 in',
      '13 ft',
      '197 ft',
    ]);
    expect([formatForce(20, 'metric'), formatForce(20, 'imperial')]).toEqual(['2.0 kg', '4.5 lb']);
  });

  it('reads back what it says', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 3, noNaN: true }),
        fc.constantFrom('metric' as const, 'imperial' as const),
        (m, system) => Math.abs(parseLength(formatLength(m, system), system) - m) < 0.0065,
      ),
    );
  });
});
