import { normalQuantile } from './normal';

describe('the normal quantile', () => {
  it.each([
    [0.5, 0],
    [0.975, 1.959963985],
    [0.841344746, 1],
    [0.001, -3.090232306],
  ])('of %d is %d', (share, wanted) => expect(normalQuantile(share)).toBeCloseTo(wanted, 6));
});
