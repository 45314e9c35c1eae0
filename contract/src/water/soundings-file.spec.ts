import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type ConditionReading, READING_KINDS, READING_RANGES, toLonLat } from '@doceo/core';
import fc from 'fast-check';
import { writeCsv } from '../files/csv';
import { jsonSchema } from '../http/openapi';
import { readingId, readReadings, writeReadings } from './readings-file';
import { readBeatFile, readLakeFile, sheetFileSchema, writeBeatFile, writeLakeFile } from './sheet-file';
import { readSoundings, writeSoundings } from './soundings-file';

const origin = { longitude: 9.2, latitude: 57.86, bearingDeg: 90 };
const sheet = { lengthM: 900, widthM: 500, origin };
const NOW = Date.parse('2026-06-10T12:00:00Z');
const WATER = '00000000-0000-4000-8000-000000000001';

describe('a file of soundings', () => {
  it('is a table of metres', () => {
    expect(writeSoundings([{ x: 1.5, y: 2, depthM: 3.25 }])).toBe('x_m,y_m,depth_m\r\n1.5,2,3.25\r\n');
  });

  it('gives back what was written exactly', () => {
    const sounding = fc.record({
      x: fc.double({ min: 0, max: 900, noNaN: true }),
      y: fc.double({ min: 0, max: 500, noNaN: true }),
      depthM: fc.double({ min: 0, max: 120, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(sounding, { minLength: 1, maxLength: 40 }), (list) => {
        // A table knows no negative zero.
        const soundings = list.map(({ x, y, depthM }) => ({ x: x + 0, y: y + 0, depthM: depthM + 0 }));
        expect(readSoundings(writeSoundings(soundings), sheet)).toEqual({ file: soundings, issues: null });
      }),
    );
  });

  it('may be of longitudes and latitudes', () => {
    const [longitude, latitude] = toLonLat(origin, { x: 120, y: 80.5 });
    const text = `longitude,latitude,depth_m\n${longitude},${latitude},4.2\n`;
    expect(readSoundings(text, sheet).file).toEqual([{ x: 120, y: 80.5, depthM: 4.2 }]);
  });

  it.each<[string, string, string, string]>([
    ['a missing column', 'x_m,y_m\n1,2\n', 'line 1', 'lacks the column depth_m'],
    ['a column nobody knows', 'x_m,y_m,depth_m,fish\n1,2,3,4\n', 'line 1', 'has a column nobody knows: fish'],
    [
      'semicolons',
      'x_m;y_m;depth_m\n1;2;3\n',
      'line 1',
      'is divided by semicolons; divide the cells by commas and write decimals with a point',
    ],
    [
      'commas for decimals',
      'x_m,y_m,depth_m\n1,2,3\n1,5,2,5,3\n',
      'line 3',
      'has 5 cells, the first line 3: are decimals written with a comma?',
    ],
    [
      'a quoted comma for decimals',
      'x_m,y_m,depth_m\n"1,5",2,3\n',
      'line 2, x_m',
      '“1,5” has a comma for its decimals; write a point',
    ],
    ['a short line', 'x_m,y_m,depth_m\n1,2\n', 'line 2', 'has 2 cells, the first line 3'],
    ['words', 'x_m,y_m,depth_m\n1,2,deep\n', 'line 2, depth_m', '“deep” is no number'],
    ['a depth over zero', 'x_m,y_m,depth_m\n1,2,-3\n', 'line 2, depth_m', 'is a depth from 0 to 120 m'],
    ['a place outside', 'x_m,y_m,depth_m\n1,2,3\n1000,2,3\n', 'line 3', 'lies outside the lake’s sheet'],
    ['nothing', 'x_m,y_m,depth_m\n', 'file', 'holds no soundings'],
    ['far too much', 'x'.repeat(5_100_000), 'file', 'is too large: 5.1 MB of at most 5.0 MB'],
  ])('with %s is refused whole, and the place is named', (_, text, path, message) => {
    const { file, issues } = readSoundings(text, sheet);
    expect(file).toBeNull();
    expect(issues).toEqual([{ path, code: 'invalid', message }]);
  });
});

describe('a file of readings', () => {
  const make = (one: Omit<ConditionReading, 'id'>): ConditionReading => ({
    id: readingId(WATER, one),
    ...one,
  });

  it('has a line for every moment and depth', () => {
    const readings = [
      make({ atMs: NOW - 3_600_000, what: 'airC', value: 14.5, depthM: null }),
      make({ atMs: NOW - 3_600_000, what: 'windMs', value: 3, depthM: null }),
      make({ atMs: NOW - 3_600_000, what: 'waterC', value: 9, depthM: 4 }),
    ];
    const head = 'time,water_depth_m,air_c,water_c,wind_ms,wind_from_deg,pressure_hpa,cloud,rain_mm,level_m';
    expect(writeReadings(readings)).toBe(
      `${head}\r\n2026-06-10T11:00:00.000Z,,14.5,,3,,,,,\r\n2026-06-10T11:00:00.000Z,4,,9,,,,,,\r\n`,
    );
  });

  it('gives back what was written exactly', () => {
    const reading = fc.constantFrom(...READING_KINDS).chain((what) =>
      fc.record({
        atMs: fc.integer({ min: 0, max: NOW }),
        what: fc.constant(what),
        value: fc
          .double({ min: READING_RANGES[what].from, max: READING_RANGES[what].to, noNaN: true })
          .map((value) => value + 0),
        depthM: what === 'waterC' ? fc.option(fc.integer({ min: 0, max: 120 })) : fc.constant(null),
      }),
    );
    fc.assert(
      fc.property(fc.array(reading, { minLength: 1, maxLength: 30 }), (list) => {
        const readings = [...new Map(list.map((one) => [readingId(WATER, one), make(one)])).values()];
        const { file } = readReadings(writeReadings(readings), WATER, NOW);
        const sorted = (all: readonly ConditionReading[]) =>
          [...all].sort((a, b) => a.id.localeCompare(b.id));
        expect(sorted(file ?? [])).toEqual(sorted(readings));
      }),
    );
  });

  it('takes times with their offset, and the same reading twice under one id', () => {
    const text = 'time,air_c\n2026-06-10T13:00:00+02:00,12\n2026-06-10T11:00:00Z,12\n';
    const { file } = readReadings(text, WATER, NOW);
    expect(new Set(file?.map(({ id }) => id)).size).toBe(1);
  });

  it.each<[string, string, string, string]>([
    ['no time', 'air_c\n12\n', 'line 1', 'lacks the column time'],
    [
      'a time of its own',
      'time,air_c\n4 May,12\n',
      'line 2, time',
      '“4 May” is no time as 2026-05-04T14:30:00Z',
    ],
    ['the future', 'time,air_c\n2026-06-10T12:30:00Z,12\n', 'line 2, time', 'lies in the future'],
    ['boiling water', 'time,water_c\n2026-06-10T11:00:00Z,90\n', 'line 2, water_c', 'is from -1 to 40'],
    [
      'a comma for decimals',
      'time,air_c\n2026-06-10T11:00:00Z,"12,5"\n',
      'line 2, air_c',
      '“12,5” has a comma for its decimals; write a point',
    ],
    ['empty cells only', 'time,air_c\n2026-06-10T11:00:00Z,\n', 'file', 'holds no readings'],
  ])('with %s is refused whole, and the place is named', (_, text, path, message) => {
    const { file, issues } = readReadings(text, WATER, NOW);
    expect(file).toBeNull();
    expect(issues).toEqual([{ path, code: 'invalid', message }]);
  });

  it('quotes what needs it (RFC 4180)', () => {
    expect(writeCsv(['a', 'b'], [['x,y', 'say "so"']])).toBe('a,b\r\n"x,y","say ""so"""\r\n');
  });
});

describe('the formats of waters in the documents', () => {
  const read = (name: string): string => readFileSync(join('docs/formats', name), 'utf8');

  it('have a schema that is the contract’s', () =>
    expect(JSON.parse(read('water.schema.json'))).toEqual(
      JSON.parse(JSON.stringify(jsonSchema(sheetFileSchema, 'input'))),
    ));

  it('have examples that are read and written the same again', () => {
    const beat = readBeatFile(read('beat.example.geojson'));
    expect(beat.issues).toBeNull();
    expect(writeBeatFile(beat.file!, origin)).toBe(read('beat.example.geojson'));
    const lake = readLakeFile(read('lake.example.geojson'));
    expect(lake.file?.soundings).toHaveLength(2);
    expect(writeLakeFile(lake.file!, origin)).toBe(read('lake.example.geojson'));
    const soundings = readSoundings(read('soundings.example.csv'), sheet);
    expect(writeSoundings(soundings.file!)).toBe(read('soundings.example.csv'));
    const readings = readReadings(read('readings.example.csv'), WATER, NOW);
    expect(writeReadings(readings.file!)).toBe(read('readings.example.csv'));
  });
});
