import { gridLinesOf, handlesOf, scaleBarOf } from './sheet-picture';

describe('the picture of a sheet', () => {
  it('has a bar of a round length, a tenth of the sheet and more', () => {
    expect(scaleBarOf({ lengthM: 60, widthM: 20 }, 'metric')).toEqual({ metres: 10, text: '10 m' });
    const feet = scaleBarOf({ lengthM: 60, widthM: 20 }, 'imperial');
    expect([feet.metres.toFixed(3), feet.text]).toEqual(['6.096', '20 ft']);
    expect(scaleBarOf({ lengthM: 9000, widthM: 900 }, 'metric').metres).toBe(500);
  });

  it('draws every second line of its grid, of a fine one every tenth', () => {
    expect(gridLinesOf({ lengthM: 4, widthM: 2 }, 0.5)).toEqual({ xs: [0, 1, 2, 3, 4], ys: [0, 1, 2] });
    expect(gridLinesOf({ lengthM: 100, widthM: 10 }, 0.5).xs.slice(0, 3)).toEqual([0, 5, 10]);
  });

  it('has a handle at each corner of an area, told by its place, and one in the middle of each side', () => {
    const shape = [
      { x: 0, y: 0 },
      { x: 4, y: 0 },
      { x: 4, y: 3 },
    ];
    const { corners, middles } = handlesOf(
      { id: 'a', kind: 'pool', name: '', shape, depthM: null } as never,
      'metric',
    );
    expect(corners[2]?.words).toBe('Corner 3 of 3, 4.00 m along, 3.00 m across');
    expect(middles).toEqual([
      { x: 2, y: 0 },
      { x: 4, y: 1.5 },
      { x: 2, y: 1.5 },
    ]);
  });
});
