import { shareGroup } from './share-group';

describe('a group that is shared out', () => {
  it('is shared evenly among neighbours', () => {
    expect(shareGroup(['a', 'b', 'c', 'd', 'e', 'f'], 2)).toEqual([
      ['a', 'b', 'c'],
      ['d', 'e', 'f'],
    ]);
  });

  it('gives the first one more where it does not come out even', () => {
    expect(shareGroup([1, 2, 3, 4, 5], 3)).toEqual([[1, 2], [3, 4], [5]]);
  });

  it('leaves some without anybody where there are more adults than places', () => {
    expect(shareGroup(['a'], 3)).toEqual([['a'], [], []]);
    expect(shareGroup([], 2)).toEqual([[], []]);
  });
});
