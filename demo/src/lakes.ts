import type { SavedLake } from '@doceo/contract';
import { deterministicId, type Lake, type LakeKind, type LakePiece, type Point } from '@doceo/core';
import { oval } from './beats';
import type { DemoWater } from './waters';

function make(
  kind: LakeKind,
  name: string,
  shape: Point[],
  depthM: number | null = null,
): Omit<LakePiece, 'id'> {
  return { kind, name, shape, depthM, speedMs: null };
}

const at = (x: number, y: number): Point[] => [{ x, y }];

/** The dam is straight: nothing of the pond lies beyond it. */
const behindDam = (shape: Point[]): Point[] => shape.map(({ x, y }) => ({ x: Math.min(x, 128), y }));

/** Still waters of the valley, north up: 38 and 0.9 hectares. */
const LAKES: Record<string, Omit<Lake, 'id' | 'pieces'> & { pieces: Omit<LakePiece, 'id'>[] }> = {
  'Merrow Lake': {
    name: 'Merrow Lake',
    lengthM: 960,
    widthM: 620,
    boats: true,
    soundings: [],
    pieces: [
      make('shore', 'Merrow Lake', oval(480, 310, 430, 268, 0.07, 64)),
      // Steep along the south shore, where beginners stand: a short cast reaches water that holds fish.
      make('contour', '2 m', oval(480, 322, 384, 236, 0.07, 48), 2),
      make('contour', '4 m', oval(500, 298, 290, 166, 0.09, 44), 4),
      make('contour', '6 m', oval(520, 288, 226, 124, 0.1, 40), 6),
      make('contour', '9 m', oval(548, 276, 158, 84, 0.09, 34), 9),
      make('contour', '12 m', oval(570, 268, 88, 46, 0.08, 28), 12),
      make('weed', 'South weed', oval(300, 470, 90, 34, 0.12)),
      make('weed', 'Reed edge', oval(760, 468, 62, 26, 0.12)),
      make('timber', 'sunken birches', oval(772, 190, 34, 18, 0.14)),
      make('trees', 'north wood', oval(430, 26, 240, 22, 0.05)),
      make('inflow', 'inflow', at(74, 262)),
      make('landing', 'boathouse', at(468, 574)),
      make('hazard', 'soft silt', at(120, 430)),
    ],
  },
  'Tollgate Pond': {
    name: 'Tollgate Pond',
    lengthM: 150,
    widthM: 104,
    boats: false,
    soundings: [],
    pieces: [
      make('shore', 'Tollgate Pond', behindDam(oval(74, 52, 62, 46, 0.05, 40))),
      make('contour', '1 m', behindDam(oval(78, 52, 48, 35, 0.06, 32)), 1),
      make('contour', '2 m', oval(86, 52, 33, 24, 0.06, 28), 2),
      make('contour', '3 m', oval(98, 53, 17, 14, 0.06, 24), 3),
      make('weed', 'weed', oval(40, 66, 10, 8, 0.1)),
      make('trees', 'willows', oval(66, 6, 30, 6, 0.08)),
      make('inflow', 'spring', at(18, 44)),
      make('hazard', 'sluice', at(127, 38)),
      make('landing', 'gate', at(72, 97)),
    ],
  },
};

/** The drawings that come with the still waters of the valley. */
export function demoLakes(waters: readonly DemoWater[]): Omit<SavedLake, 'version'>[] {
  return waters.flatMap(({ id: waterId, water }) => {
    const found = LAKES[water.name];
    if (!found) return [];
    const pieces = found.pieces.map((piece, i) => ({ id: `${piece.kind}-${i}`, ...piece }));
    return [{ waterId, lake: { id: deterministicId(`lake:${water.name}`), ...found, pieces } }];
  });
}
