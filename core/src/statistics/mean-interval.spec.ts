import { meanInterval } from './mean-interval';

describe('the interval of a mean', () => {
  it('agrees with the one worked by hand', () => {
    // Squared distances from 2.25: 1.5625, 0.0625, 0.5625, 0.5625.
    const { mean, low, high } = meanInterval(4, 1 + 2 + 3 + 3, 1 + 4 + 9 + 9);
    expect(mean).toBeCloseTo(2.25, 9);
    expect(high - mean).toBeCloseTo((1.6449 * Math.sqrt(2.75 / 3)) / 2, 9);
    expect(mean - low).toBeCloseTo(high - mean, 9);
  });

  it('has no width when all are the same', () => {
    const { low, high } = meanInterval(8, 2, 0.5);
    expect([low, high]).toEqual([0.25, 0.25]);
  });
});
