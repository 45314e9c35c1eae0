import type { ConditionDay, SavedBeat, SavedLake, SavedWater } from '@doceo/contract';
import { type Beat, type ConditionHour, HOUR_MS, type Lake, type Piece, type Point } from '@doceo/core';
import { uuid, WATER } from './fixtures';

export const rectangle = (x1: number, y1: number, x2: number, y2: number): Point[] => [
  { x: x1, y: y1 },
  { x: x2, y: y1 },
  { x: x2, y: y2 },
  { x: x1, y: y2 },
];

export const piece = (
  kind: Piece['kind'],
  name: string,
  shape: Point[],
  depthM: number | null = null,
  speedMs: number | null = null,
): Piece => ({ id: name, kind, name, shape, depthM, speedMs });

/** A pool with a fast tongue between open banks. */
export const FORD: Beat = {
  id: 'ford',
  name: 'Ford Pool',
  lengthM: 60,
  widthM: 24,
  pieces: [
    piece('open-bank', 'left', rectangle(0, 0, 60, 4)),
    piece('open-bank', 'right', rectangle(0, 20, 60, 24)),
    piece('run', 'margins', rectangle(0, 4, 60, 20), 0.45, 0.35),
    piece('pool', 'pool', rectangle(14, 6, 44, 18), 1.2, 0.2),
    piece('run', 'tongue', rectangle(10, 10, 48, 14), 0.9, 0.9),
    piece('eddy', 'eddy', rectangle(36, 6.5, 42, 9), 0.8, -0.2),
    piece('exit', 'out', [{ x: 50, y: 21 }]),
  ],
};
export const GLIDE: Beat = { ...FORD, id: 'glide', name: 'Long Glide', pieces: FORD.pieces.slice(0, 3) };

export const savedBeat = (n: number, beat: Beat): SavedBeat => ({
  id: uuid(n),
  waterId: WATER.id,
  beat,
  version: 1,
});

/** A lake two hundred metres square, ten metres deep in its middle. */
export const LAKE: SavedWater = {
  ...WATER,
  id: uuid(2),
  water: { ...WATER.water, name: 'Merrow Lake', kind: 'lake' },
};
const DRAWN: Lake = {
  id: 'lake',
  name: 'Merrow Lake',
  lengthM: 200,
  widthM: 200,
  boats: true,
  soundings: [],
  pieces: [
    {
      id: 'shore',
      kind: 'shore',
      name: 'Merrow Lake',
      shape: rectangle(10, 10, 190, 190),
      depthM: null,
      speedMs: null,
    },
    {
      id: 'deep',
      kind: 'contour',
      name: '10 m',
      shape: rectangle(70, 70, 130, 130),
      depthM: 10,
      speedMs: null,
    },
    {
      id: 'weed',
      kind: 'weed',
      name: 'Reed edge',
      shape: rectangle(15, 90, 30, 110),
      depthM: null,
      speedMs: null,
    },
    { id: 'in', kind: 'inflow', name: 'inflow', shape: [{ x: 12, y: 40 }], depthM: null, speedMs: null },
  ],
};
export const SAVED_LAKE: SavedLake = { waterId: LAKE.id, lake: DRAWN, version: 1 };

export const HOUR: ConditionHour = {
  atMs: 0,
  airC: 14,
  windMs: 3,
  gustMs: 5,
  windFromDeg: 210,
  pressureHpa: 1012,
  cloud: 0.6,
  rainMm: 0,
  thunder: 0,
  levelM: 0.24,
  flow: 1.4,
  waterC: 12.4,
};

/** The day of the lesson of the fixtures, every hour alike but for what is changed. */
export const dayOf = (
  waterId: string,
  change: (hour: number) => Partial<ConditionHour> = () => ({}),
): ConditionDay => ({
  waterId,
  date: '2026-06-10',
  source: 'a simulated station',
  simulated: true,
  readings: [],
  hours: Array.from({ length: 24 }, (_, i) => ({
    ...HOUR,
    atMs: Date.parse('2026-06-09T22:00:00Z') + i * HOUR_MS,
    ...change(i),
  })),
});

/** Days from one on at the waters of the fixtures, every hour alike but for what is changed of a day. */
export const outlookFrom = (
  waterId: string,
  date: string,
  days: number,
  change: (date: string) => Partial<ConditionHour> = () => ({}),
): ConditionDay[] =>
  Array.from({ length: days }, (_, i) => {
    const fromMs = Date.parse(`${date}T00:00:00+02:00`) + i * 24 * HOUR_MS;
    const on = new Date(fromMs + 12 * HOUR_MS).toISOString().slice(0, 10);
    const hours = Array.from({ length: 24 }, (_hour, h) => ({
      ...{ ...HOUR, atMs: fromMs + h * HOUR_MS },
      ...change(on),
    }));
    return { ...dayOf(waterId), date: on, simulated: false, hours };
  });
