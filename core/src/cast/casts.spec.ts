import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { type Beat, roomBehindM } from '../beat';

import { castAt, castRoom, CASTS } from './casts';

describe('the casts', () => {
  it('belong to skills of the graph, and their lines have a point for each other at every moment', () => {
    for (const { skillId, keys } of CASTS) {
      expect(SHIPPED.skills.has(skillId)).toBe(true);
      expect(new Set(keys.map(({ line }) => line.length)).size).toBe(1);
      expect(keys.every(({ line, tip }) => line[0]!.x === tip.x && line[0]!.y === tip.y)).toBe(true);
      expect(keys.slice(1).every(({ atS }, i) => atS > keys[i]!.atS)).toBe(true);
    }
  });

  it.each(CASTS.map((cast) => [cast.id, cast] as const))(
    '%s keeps rod and line near their lengths',
    (_, cast) => {
      const length = (points: { x: number; y: number }[]): number =>
        points.slice(1).reduce((sum, { x, y }, i) => sum + Math.hypot(x - points[i]!.x, y - points[i]!.y), 0);
      const lines = cast.keys.map(({ line }) => length(line));
      const rods = cast.keys.map(({ hand, tip }) => Math.hypot(tip.x - hand.x, tip.y - hand.y));
      expect(Math.max(...lines) / Math.min(...lines)).toBeLessThan(1.6);
      expect(Math.max(...rods) / Math.min(...rods)).toBeLessThan(1.35);
    },
  );

  it('goes evenly between two moments', () => {
    const overhead = CASTS[0]!;
    const [a, b] = [overhead.keys[0]!, overhead.keys[1]!];
    expect(castAt(overhead, (a.atS + b.atS) / 2).tip).toEqual({
      x: (a.tip.x + b.tip.x) / 2,
      y: (a.tip.y + b.tip.y) / 2,
    });
    expect(castAt(overhead, 99)).toBe(overhead.keys.at(-1));
    expect(castAt(overhead, -1)).toBe(a);
  });

  it('a tuck sends the fly in first, and only the overhead kind needs the whole line behind', () => {
    expect(CASTS.find(({ id }) => id === 'tuck')!.entry[0]).toBe('fly');
    expect(castRoom('overhead', 9, 2.74).behindM).toBeCloseTo(10.37, 2);
    expect(castRoom('roll', 9, 2.74).behindM).toBeLessThan(2);
    expect(castRoom('steeple', 9, 2.74).aboveM).toBeGreaterThan(9);
  });
});

describe('room behind', () => {
  const beat: Beat = {
    ...{ id: 'b', name: 'b', lengthM: 30, widthM: 20 },
    pieces: [
      {
        ...{ id: 't', kind: 'trees', name: 't', depthM: null, speedMs: null },
        shape: [
          { x: 0, y: 0 },
          { x: 30, y: 0 },
          { x: 30, y: 3 },
          { x: 0, y: 3 },
        ],
      },
    ],
  };

  it('ends at the trees, or at the edge of the sheet', () => {
    expect(roomBehindM(beat, { x: 10, y: 8 }, { x: 10, y: 14 })).toEqual({
      roomM: expect.closeTo(4.9, 0),
      trees: true,
    });
    expect(roomBehindM(beat, { x: 10, y: 14 }, { x: 10, y: 8 })).toEqual({
      roomM: expect.closeTo(6, 0),
      trees: false,
    });
  });
});
