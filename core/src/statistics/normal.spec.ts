import { normalQuantile, normalShare } from './normal';

describe('the normal quantile', () => {
  it.each([
    [0.5, 0],
    [0.975, 1.959963985],
    [0.841344746, 1],
    [0.001, -3.090232306],
  ])('of %d is %d', (share, wanted) => expect(normalQuantile(share)).toBeCloseTo(wanted, 6));
});

describe('the normal share', () => {
  it.each([
    [0, 0.5],
    [1.2815516, 0.9],
    [-1.959964, 0.025],
    [6, 1],
  ])('below %d is %d', (z, wanted) => expect(normalShare(z)).toBeCloseTo(wanted, 6));
});
