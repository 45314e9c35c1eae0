import { endText } from './end-text';

const clock = (minutes: number): string =>
  `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
const told = (late: number, cutFirst: number | null = null): string =>
  endText(
    { soonestMin: 174.2, likelyMin: 182, latestMin: 194, late } as Parameters<typeof endText>[0],
    { lengthMin: 180, cutFirst },
    clock,
  );

describe('when a plan ends', () => {
  it('is told in whole minutes, with how often it is late', () => {
    expect(told(0.61)).toBe('Ends 2:54 to 3:14, likely 3:02. Past 3:00 in 6 of 10.');
    expect(told(0.02)).toBe('Ends 2:54 to 3:14, likely 3:02. Past 3:00 seldom.');
    expect(told(0.98)).toBe('Ends 2:54 to 3:14, likely 3:02. Past 3:00 nearly always.');
  });

  it('names what is cut first only where it may be late', () => {
    expect(told(0.06, 11)).toBe(
      'Ends 2:54 to 3:14, likely 3:02. Past 3:00 in 1 of 10; block 11 is cut first.',
    );
    expect(told(0.04, 11)).toBe('Ends 2:54 to 3:14, likely 3:02. Past 3:00 seldom.');
  });
});
