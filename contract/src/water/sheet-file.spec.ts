import { type Beat, type Lake, lakeFaults, type Piece, type Point, beatFaults } from '@doceo/core';
import fc from 'fast-check';
import { readBeatFile, readLakeFile, writeBeatFile, writeLakeFile } from './sheet-file';

const origin = { longitude: 9.12, latitude: 57.9, bearingDeg: 70 };
const rectangle = (x: number, y: number, width: number, height: number): Point[] => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
];
const beat: Beat = {
  id: 'b',
  name: 'Ford Pool',
  lengthM: 60,
  widthM: 24,
  pieces: [
    {
      id: 'bank',
      kind: 'open-bank',
      name: 'meadow',
      shape: rectangle(0, 0, 60, 4),
      depthM: null,
      speedMs: null,
    },
    { id: 'pool', kind: 'pool', name: 'pool', shape: rectangle(10, 6, 20, 8.125), depthM: 1.4, speedMs: 0.3 },
    { id: 'stone', kind: 'boulder', name: 'step', shape: [{ x: 12.5, y: 9 }], depthM: null, speedMs: null },
  ],
};
const lake: Lake = {
  id: 'l',
  name: 'Merrow Lake',
  lengthM: 400,
  widthM: 300,
  boats: true,
  pieces: [
    { id: 's', kind: 'shore', name: '', shape: rectangle(5, 5, 380, 280), depthM: null, speedMs: null },
    { id: 'c', kind: 'contour', name: '4 m', shape: rectangle(90, 80, 200, 120), depthM: 4, speedMs: null },
    { id: 'i', kind: 'inflow', name: 'brook', shape: [{ x: 6, y: 100 }], depthM: null, speedMs: null },
  ],
  soundings: [
    { x: 200, y: 140, depthM: 9.37 },
    { x: 120.004, y: 90.5, depthM: 0 },
  ],
};

/** The file of the beat with something done to it. */
type Written = {
  type: string;
  doceo: Record<string, unknown> & { origin: Record<string, number> };
  features: {
    geometry: { type: string; coordinates: unknown };
    properties: Record<string, unknown>;
    id: string;
  }[];
};
const broken = (change: (file: Written) => void): string => {
  const file = JSON.parse(writeBeatFile(beat, origin)) as Written;
  change(file);
  return JSON.stringify(file);
};
const pool = (file: Written): Written['features'][number] => file.features[1] as Written['features'][number];

describe('a beat’s file', () => {
  it('is GeoJSON with longitudes and latitudes, closed rings and what Doceo needs beside them', () => {
    const file = JSON.parse(writeBeatFile(beat, { ...origin, bearingDeg: 90 })) as Written;
    expect(file.type).toBe('FeatureCollection');
    expect(file.doceo).toMatchObject({ format: 'doceo-beat', version: 1, lengthM: 60 });
    const [ring] = file.features[1]!.geometry.coordinates as [number[][]];
    expect(ring).toHaveLength(5);
    expect(ring[4]).toEqual(ring[0]);
    // Sixty metres to the east at this latitude, four to the south.
    const [bank] = file.features[0]!.geometry.coordinates as [number[][]];
    expect(bank.slice(0, 3)).toEqual([
      [9.12, 57.9],
      [9.121015419, 57.9],
      [9.121015419, 57.899964027],
    ]);
    expect(file.features[2]!.geometry.type).toBe('Point');
  });

  it('gives back the beat exactly', () => {
    expect(readBeatFile(writeBeatFile(beat, origin))).toEqual({
      file: { ...beat, origin },
      issues: null,
    });
  });

  it('gives back any beat on its millimetres exactly, and writes the same text again', () => {
    const millimetres = (most: number) => fc.integer({ min: 0, max: most * 1000 }).map((mm) => mm / 1000);
    const shape = fc
      .tuple(millimetres(30), millimetres(12), millimetres(30), millimetres(12))
      .map(([x, y, w, h]) =>
        rectangle(x, y, w + 0.001, h + 0.001).map((point) => ({
          x: Math.round(point.x * 1000) / 1000,
          y: Math.round(point.y * 1000) / 1000,
        })),
      );
    const piece = fc.record({
      kind: fc.constantFrom<Piece['kind']>('pool', 'run', 'eddy'),
      name: fc.constantFrom('', 'pool', 'Ford “run”'),
      shape,
      depthM: fc.double({ min: 0, max: 10, noNaN: true }),
      speedMs: fc.double({ min: -2, max: 6, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.array(piece, { maxLength: 6 }),
        fc.integer({ min: 0, max: 360 }),
        fc.double({ min: -80, max: 80, noNaN: true }),
        (pieces, bearingDeg, latitude) => {
          const one: Beat = {
            ...beat,
            pieces: pieces.map((each, i) => ({
              id: `p${i}`,
              ...each,
              // JSON knows no negative zero.
              depthM: each.depthM + 0,
              speedMs: each.speedMs + 0,
            })),
          };
          fc.pre(beatFaults(one).length === 0);
          const at = { longitude: -3.5, latitude, bearingDeg };
          const text = writeBeatFile(one, at);
          expect(readBeatFile(text)).toEqual({
            file: { ...one, origin: { ...at, latitude: latitude + 0 } },
            issues: null,
          });
          expect(writeBeatFile(readBeatFile(text).file!, at)).toBe(text);
        },
      ),
      { numRuns: 150 },
    );
  });

  it.each<[string, string, string, string]>([
    ['no JSON', '{"type": "Feature', 'file', 'is no readable JSON'],
    ['fifty megabytes', ' '.repeat(50_000_000), 'file', 'is too large for a beat'],
    [
      'another collection',
      broken((file) => (file.type = 'Topology')),
      'type',
      'Invalid input: expected "FeatureCollection"',
    ],
    [
      'no word of its size',
      broken((file) => delete file.doceo['lengthM']),
      'doceo.lengthM',
      'Invalid input: expected number, received undefined',
    ],
    [
      'a lake',
      broken((file) => (file.doceo['format'] = 'doceo-lake')),
      'doceo.format',
      'is doceo-lake, and no doceo-beat',
    ],
    [
      'a pole',
      broken((file) => (file.doceo.origin['latitude'] = 90)),
      'doceo.origin.latitude',
      'is too near to a pole',
    ],
    [
      'a line for a pool',
      broken((file) => (pool(file).geometry.type = 'LineString')),
      'features[1].geometry.type',
      'is a LineString; a pool is a Polygon',
    ],
    [
      'an open ring',
      broken((file) => (pool(file).geometry.coordinates as number[][][])[0]!.pop()),
      'features[1].geometry.coordinates[0]',
      'does not end where it begins',
    ],
    [
      'words for a place',
      broken((file) => ((pool(file).geometry.coordinates as unknown[][][])[0]![1] = ['x', 'y'])),
      'features[1].geometry.coordinates[0][1][0]',
      'Invalid input: expected number, received string',
    ],
    [
      'a kind nobody knows',
      broken((file) => (pool(file).properties['kind'] = 'waterfall')),
      'features[1].properties.kind',
      'is no kind of a beat: waterfall',
    ],
    [
      '40 m/s',
      broken((file) => (pool(file).properties['speedMs'] = 40)),
      'features[1].speedMs',
      'is a speed up to 6 m/s, either way',
    ],
    [
      'a piece outside',
      broken((file) => (file.doceo['widthM'] = 10)),
      'features[1].shape[2]',
      'lies outside the beat',
    ],
    [
      'a shape that crosses itself',
      broken((file) => {
        const ring = (pool(file).geometry.coordinates as number[][][])[0] as number[][];
        [ring[1], ring[2]] = [ring[2] as number[], ring[1] as number[]];
      }),
      'features[1].shape[0]',
      'its side crosses the one from corner 3',
    ],
    [
      'two of one id',
      broken((file) => (pool(file).id = 'bank')),
      'features[1].id',
      'is the id of another piece too',
    ],
  ])('with %s is refused whole, and the place is named', (_, text, path, message) => {
    const { file, issues } = readBeatFile(text);
    expect(file).toBeNull();
    expect(issues).toContainEqual(expect.objectContaining({ path, message }));
  });
});

describe('a lake’s file', () => {
  it('gives back the lake exactly, soundings below zero and boats', () => {
    expect(lakeFaults(lake)).toEqual([]);
    const text = writeLakeFile(lake, origin);
    expect(readLakeFile(text)).toEqual({ file: { ...lake, origin }, issues: null });
    const last = (JSON.parse(text) as Written).features.at(-1);
    expect(last?.geometry.type).toBe('MultiPoint');
    expect((last?.geometry.coordinates as number[][])[0]?.[2]).toBe(-9.37);
  });

  it('without a shore is refused', () => {
    const { issues } = readLakeFile(writeLakeFile({ ...lake, pieces: lake.pieces.slice(1) }, origin));
    expect(issues).toEqual([{ path: 'pieces', code: 'invalid', message: 'need one shore' }]);
  });
});
