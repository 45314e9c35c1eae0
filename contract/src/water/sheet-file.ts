import {
  type Beat,
  beatFaults,
  fromLonLat,
  isLakePoint,
  isPoint,
  LAKE_KINDS,
  type Lake,
  lakeFaults,
  PIECE_KINDS,
  type Point,
  type SheetOrigin,
  type Sounding,
  toLonLat,
} from '@doceo/core';
import * as z from 'zod';
import { beatSchema, sheetOriginSchema } from './beat';
import { readDocument, type ReadFile } from '../files/document-file';
import type { Issue } from '../http/error';
import { lakeSchema } from './lake';

export const SHEET_FILE_VERSION = 1;
/** Longest files that are read, characters. */
export const MAX_BEAT_FILE = 5_000_000;
export const MAX_LAKE_FILE = 10_000_000;

/** What a file says of the whole sheet, beside the collection's features (RFC 7946, foreign members). */
const headSchema = z.strictObject({
  format: z.enum(['doceo-beat', 'doceo-lake']),
  version: z.literal(SHEET_FILE_VERSION),
  id: z.string(),
  name: z.string(),
  lengthM: z.number(),
  widthM: z.number(),
  boats: z.boolean().optional(),
  origin: sheetOriginSchema,
});
type Head = z.infer<typeof headSchema>;

const positionSchema = z
  .array(z.number())
  .min(2)
  .max(3)
  .refine(
    ([longitude = NaN, latitude = NaN]) => Math.abs(longitude) <= 180 && Math.abs(latitude) <= 90,
    'is no longitude and latitude',
  );
const ringSchema = z
  .array(positionSchema)
  .min(4, 'needs four positions or more, the first again at the end')
  .refine((ring) => String(ring[0]) === String(ring.at(-1)), 'does not end where it begins');
const COORDINATES = {
  Point: positionSchema,
  Polygon: z.tuple([ringSchema], 'is one ring; holes are not read'),
  MultiPoint: z.array(positionSchema),
};

/** The collection; what its features must hold depends on their kind and is looked at one by one. */
export const sheetFileSchema = z.looseObject({
  type: z.literal('FeatureCollection'),
  doceo: headSchema,
  features: z
    .array(
      z.looseObject({
        type: z.literal('Feature'),
        id: z.string().optional(),
        geometry: z.looseObject({ type: z.string(), coordinates: z.unknown() }),
        properties: z.looseObject({
          kind: z.string(),
          name: z.string().default(''),
          depthM: z.number().nullable().default(null),
          speedMs: z.number().nullable().default(null),
        }),
      }),
    )
    .max(500),
});
type SheetFile = z.infer<typeof sheetFileSchema>;
type Feature = SheetFile['features'][number];

/** The text of a beat's file: GeoJSON, longitudes and latitudes to a tenth of a millimetre. */
export function writeBeatFile(beat: Beat, origin: SheetOrigin): string {
  return write('doceo-beat', beat, beat.origin ?? origin, isPoint, []);
}

/** The text of a lake's file; soundings are one feature, their depth an altitude below zero. */
export function writeLakeFile(lake: Lake, origin: SheetOrigin): string {
  return write('doceo-lake', lake, lake.origin ?? origin, isLakePoint, lake.soundings, { boats: lake.boats });
}

/** Reads a beat's file: the beat, its points to the millimetre, or everything that is wrong with it by path. */
export function readBeatFile(text: string): ReadFile<Beat> {
  return read(text, {
    format: 'doceo-beat',
    what: 'a beat',
    most: MAX_BEAT_FILE,
    kinds: PIECE_KINDS,
    isPoint,
    schema: beatSchema,
    faults: beatFaults,
    rest: () => ({}),
  });
}

/** Reads a lake's file in the same way. */
export function readLakeFile(text: string): ReadFile<Lake> {
  return read(text, {
    format: 'doceo-lake',
    what: 'a lake',
    most: MAX_LAKE_FILE,
    kinds: LAKE_KINDS,
    isPoint: isLakePoint,
    schema: lakeSchema,
    faults: lakeFaults,
    rest: ({ boats }, soundings) => ({ boats: boats ?? false, soundings }),
  });
}

function write<Kind extends string>(
  format: Head['format'],
  {
    id,
    name,
    lengthM,
    widthM,
    pieces,
  }: { pieces: PieceOf<Kind>[] } & Pick<Beat, 'id' | 'name' | 'lengthM' | 'widthM'>,
  origin: SheetOrigin,
  point: (kind: Kind) => boolean,
  soundings: readonly Sounding[],
  more: { boats?: boolean } = {},
): string {
  const position = (at: Point): [number, number] => toLonLat(origin, at);
  const features = pieces.map((piece) => ({
    type: 'Feature',
    id: piece.id,
    geometry: point(piece.kind)
      ? { type: 'Point', coordinates: position(piece.shape[0] as Point) }
      : { type: 'Polygon', coordinates: [[...piece.shape, piece.shape[0] as Point].map(position)] },
    properties: { kind: piece.kind, name: piece.name, depthM: piece.depthM, speedMs: piece.speedMs },
  }));
  const sounded = {
    type: 'Feature',
    geometry: { type: 'MultiPoint', coordinates: soundings.map((one) => [...position(one), -one.depthM]) },
    properties: { kind: SOUNDINGS },
  };
  const doceo = { format, version: SHEET_FILE_VERSION, id, name, lengthM, widthM, ...more, origin };
  const all = soundings.length > 0 ? [...features, sounded] : features;
  return `${JSON.stringify({ type: 'FeatureCollection', doceo, features: all }, null, 1)}\n`;
}

interface PieceOf<Kind extends string> {
  id: string;
  kind: Kind;
  name: string;
  shape: Point[];
  depthM: number | null;
  speedMs: number | null;
}

interface Reader<T> {
  format: Head['format'];
  what: string;
  most: number;
  kinds: readonly string[];
  isPoint: (kind: never) => boolean;
  schema: z.ZodType<T>;
  faults: (sheet: T) => { path: string; message: string }[];
  rest: (head: Head, soundings: Sounding[]) => object;
}

const SOUNDINGS = 'soundings';

function read<T>(text: string, reader: Reader<T>): ReadFile<T> {
  const { file, issues } = readDocument(text, sheetFileSchema, reader.most, reader.what);
  if (issues) return { file: null, issues };
  const { doceo } = file;
  if (doceo.format !== reader.format)
    return refused([{ path: 'doceo.format', message: `is ${doceo.format}, and no ${reader.format}` }]);
  const faults: { path: string; message: string }[] = [];
  const pieces: (PieceOf<string> & { at: number })[] = [];
  let soundings: Sounding[] = [];
  file.features.forEach((feature, i) => {
    const { kind } = feature.properties;
    const wanted = kind === SOUNDINGS ? 'MultiPoint' : reader.isPoint(kind as never) ? 'Point' : 'Polygon';
    const known = kind === SOUNDINGS || reader.kinds.includes(kind);
    if (!known)
      faults.push({
        path: `features[${i}].properties.kind`,
        message: `is no kind of ${reader.what}: ${kind}`,
      });
    const found = known ? positionsOf(feature, wanted, `features[${i}].geometry`, faults) : null;
    if (!found) return;
    const points = found.map(([longitude = 0, latitude = 0]) =>
      fromLonLat(doceo.origin, [longitude, latitude]),
    );
    if (kind === SOUNDINGS)
      soundings = points.map((point, n) => ({ ...point, depthM: 0 - (found[n]?.[2] ?? 0) }));
    else
      pieces.push({
        id: feature.id ?? `piece-${i + 1}`,
        kind,
        name: feature.properties.name,
        shape: points,
        depthM: feature.properties.depthM,
        speedMs: feature.properties.speedMs,
        at: i,
      });
  });
  if (faults.length > 0) return refused(faults);
  const { id, name, lengthM, widthM } = doceo;
  const whole = {
    ...{ id, name, lengthM, widthM, origin: doceo.origin },
    pieces: pieces.map(({ at: _at, ...piece }) => piece),
    ...reader.rest(doceo, soundings),
  };
  // A piece is named by the feature it came from.
  const told = (path: string): string =>
    path.replace(/^pieces\[(\d+)\]/, (_, n: string) => `features[${pieces[Number(n)]?.at}]`);
  const parsed = reader.schema.safeParse(whole);
  if (!parsed.success)
    return refused(
      parsed.error.issues.map(({ path, message }) => ({
        path: told(
          path.reduce<string>(
            (all, part) =>
              typeof part === 'number' ? `${all}[${part}]` : all ? `${all}.${String(part)}` : String(part),
            '',
          ),
        ),
        message,
      })),
    );
  const wrong = reader.faults(parsed.data);
  return wrong.length > 0
    ? refused(wrong.map(({ path, message }) => ({ path: told(path), message })))
    : { file: parsed.data, issues: null };
}

/** The positions of a feature of the wanted geometry, a ring without its end; null with the faults told. */
function positionsOf(
  { geometry, properties }: Feature,
  wanted: keyof typeof COORDINATES,
  path: string,
  faults: { path: string; message: string }[],
): number[][] | null {
  if (geometry.type !== wanted) {
    faults.push({
      path: `${path}.type`,
      message: `is a ${geometry.type}; a ${properties.kind} is a ${wanted}`,
    });
    return null;
  }
  const found = COORDINATES[wanted].safeParse(geometry.coordinates);
  if (!found.success) {
    faults.push(
      ...found.error.issues.map((issue) => ({
        path: `${path}.coordinates${issue.path.map((part) => `[${String(part)}]`).join('')}`,
        message: issue.message,
      })),
    );
    return null;
  }
  const coordinates = found.data;
  if (wanted === 'Point') return [coordinates as number[]];
  return wanted === 'Polygon' ? (coordinates as number[][][])[0]!.slice(0, -1) : (coordinates as number[][]);
}

function refused(faults: readonly { path: string; message: string }[]): { file: null; issues: Issue[] } {
  return { file: null, issues: faults.map((fault) => ({ ...fault, code: 'invalid' })) };
}
