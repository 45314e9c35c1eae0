import { shareInterval } from './share-interval';

describe('the interval of a share', () => {
  it('agrees with the one worked by hand', () => {
    expect(shareInterval(0, 0)).toEqual({ low: 0, high: 1 });
    const { low, high } = shareInterval(5, 10, 1.96);
    expect([low, high].map((x) => x.toFixed(4))).toEqual(['0.2366', '0.7634']);
    expect(() => shareInterval(3, 2)).toThrow(expect.objectContaining({ code: 'out-of-range' }));
  });
});
