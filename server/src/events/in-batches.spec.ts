import { inBatches } from './in-batches';

const batches = (...entries: number[]) => inBatches(entries, (n) => n);

describe('students in batches', () => {
  it('are a few at a time', () => {
    expect(batches(...Array<number>(10).fill(1)).map(({ length }) => length)).toEqual([8, 2]);
    expect(batches()).toEqual([]);
  });

  it('read no more than some entries together, and one with very many alone', () => {
    expect(batches(3000, 2000, 1)).toEqual([[3000, 2000], [1]]);
    expect(batches(10, 200_000, 10, 20)).toEqual([[10], [200_000], [10, 20]]);
    expect(batches(0, 5000, 1)).toEqual([[0, 5000], [1]]);
  });
});
