import { along, type Point } from '../geometry';
import { CoreError, inRange } from '../error';
import { betweenContours } from './between-contours';
import { type Lake, shoreOf, SHOAL_M, type Sounding } from './lake';

/** Depths of a sheet in cells, row by row from the north-west; NaN on land. */
export interface DepthGrid {
  columns: number;
  rows: number;
  lengthM: number;
  widthM: number;
  depthsM: Float64Array;
}

/** Readings a depth is taken from. */
const NEAREST = 8;
/** Readings in a bucket on the mean: fewer make more buckets to look into, more make each slower. */
const IN_A_BUCKET = 3;
/** Metres between depths taken from the line of a contour or a shore. */
const CONTOUR_STEP_M = 8;

/** Soundings of a lake: those that were made, and those its shore and contours stand for. */
export function soundingsOf(lake: Lake): Sounding[] {
  const fromLine = (shape: readonly Point[], depthM: number): Sounding[] =>
    shape.flatMap((corner, i) =>
      along(corner, shape[(i + 1) % shape.length] as Point, CONTOUR_STEP_M)
        .slice(1)
        .map((point) => ({ ...point, depthM })),
    );
  return [
    ...lake.soundings,
    ...lake.pieces.flatMap(({ kind, shape, depthM }) =>
      kind === 'shore' ? fromLine(shape, 0) : kind === 'contour' ? fromLine(shape, depthM ?? 0) : [],
    ),
  ];
}

/**
 * Depths between soundings: the mean of the eight nearest, by the inverse of the square of their distance (D. Shepard's
 * interpolation, 1968). A place that was sounded keeps what was sounded there. Yields the share done after each row, so
 * that whoever runs it can tell of it and stop.
 *
 * @param size columns and rows, 2…1000
 * @throws CoreError 'out-of-range', also without a sounding
 */
export function* interpolate(
  soundings: readonly Sounding[],
  { lengthM, widthM }: { lengthM: number; widthM: number },
  { columns, rows }: { columns: number; rows: number },
  shore: readonly Point[] = [],
): Generator<number, DepthGrid> {
  if (soundings.length === 0)
    throw new CoreError('out-of-range', { name: 'soundings', value: 0, min: 1, max: null });
  const nearest = nearestOf(soundings, lengthM, widthM);
  return yield* fill({ lengthM, widthM }, { columns, rows }, shore, nearest);
}

/**
 * Depths of a lake: between its soundings when it was sounded, else between the lines drawn on it.
 *
 * @throws CoreError 'out-of-range' for a lake without a shore
 */
export function* lakeDepths(
  lake: Lake,
  size: { columns: number; rows: number },
): Generator<number, DepthGrid> {
  const shore = shoreOf(lake);
  if (lake.soundings.length > 0) return yield* interpolate(soundingsOf(lake), lake, size, shore);
  const depth = betweenContours(lake);
  return yield* fill(lake, size, shore, (x, y) => depth({ x, y }));
}

/**
 * The depths of a lake all at once.
 *
 * @param columns cells along, 1 or more
 * @param rows cells across, 1 or more
 */
export function depthGrid(lake: Lake, columns: number, rows: number): DepthGrid {
  const run = lakeDepths(lake, { columns, rows });
  for (;;) {
    const step = run.next();
    if (step.done) return step.value;
  }
}

/** Cell by cell, the share done told after each row. */
function* fill(
  { lengthM, widthM }: { lengthM: number; widthM: number },
  { columns, rows }: { columns: number; rows: number },
  shore: readonly Point[],
  depth: (x: number, y: number) => number,
): Generator<number, DepthGrid> {
  inRange('columns', columns, 2, 1000);
  inRange('rows', rows, 2, 1000);
  const depthsM = new Float64Array(columns * rows);
  for (let row = 0; row < rows; row++) {
    const y = ((row + 0.5) * widthM) / rows;
    const edges = shore.length > 0 ? crossingsAt(shore, y) : null;
    for (let column = 0; column < columns; column++) {
      const x = ((column + 0.5) * lengthM) / columns;
      depthsM[row * columns + column] = edges && !isBetween(edges, x) ? NaN : depth(x, y);
    }
    yield (row + 1) / rows;
  }
  return { columns, rows, lengthM, widthM, depthsM };
}

/**
 * Depth at a point, that of its cell; null on land and off the sheet.
 *
 * @returns metres
 */
export function depthAt(
  { columns, rows, lengthM, widthM, depthsM }: DepthGrid,
  { x, y }: Point,
): number | null {
  const [column, row] = [Math.floor((x / lengthM) * columns), Math.floor((y / widthM) * rows)];
  if (column < 0 || column >= columns || row < 0 || row >= rows) return null;
  const depth = depthsM[row * columns + column] as number;
  return Number.isNaN(depth) ? null : depth;
}

/** What a grid says of the whole lake; all zero for one without water. */
export function lakeFigures({ columns, rows, lengthM, widthM, depthsM }: DepthGrid): {
  areaM2: number;
  deepestM: number;
  meanM: number;
  /** Of its water, down to where light reaches the weeds. */
  shoalShare: number;
} {
  let [cells, sum, deepestM, shoal] = [0, 0, 0, 0];
  for (const depth of depthsM) {
    if (Number.isNaN(depth)) continue;
    cells += 1;
    sum += depth;
    deepestM = Math.max(deepestM, depth);
    if (depth <= SHOAL_M) shoal += 1;
  }
  const of = (value: number): number => (cells === 0 ? 0 : value / cells);
  return {
    areaM2: (cells * lengthM * widthM) / (columns * rows),
    deepestM,
    meanM: of(sum),
    shoalShare: of(shoal),
  };
}

/** Where a line to the east crosses a shape, west first. */
function crossingsAt(shape: readonly Point[], y: number): number[] {
  return shape
    .flatMap((a, i) => {
      const b = shape[(i + 1) % shape.length] as Point;
      return a.y > y !== b.y > y ? [((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x] : [];
    })
    .sort((a, b) => a - b);
}

function isBetween(edges: readonly number[], x: number): boolean {
  let passed = 0;
  while (passed < edges.length && (edges[passed] as number) <= x) passed += 1;
  return passed % 2 === 1;
}

/** Weighs the nearest soundings of any place, found ring by ring in buckets. */
function nearestOf(
  soundings: readonly Sounding[],
  lengthM: number,
  widthM: number,
): (x: number, y: number) => number {
  const side = Math.sqrt((lengthM * widthM * IN_A_BUCKET) / soundings.length);
  const across = Math.max(1, Math.ceil(lengthM / side));
  const down = Math.max(1, Math.ceil(widthM / side));
  const buckets: number[][] = Array.from({ length: across * down }, () => []);
  const bucket = (value: number, count: number): number =>
    Math.min(count - 1, Math.max(0, Math.floor(value / side)));
  soundings.forEach(({ x, y }, i) => buckets[bucket(y, down) * across + bucket(x, across)]?.push(i));
  const squares = new Float64Array(NEAREST);
  const depths = new Float64Array(NEAREST);

  return (x, y) => {
    let found = 0;
    const [column, row] = [bucket(x, across), bucket(y, down)];
    for (let ring = 0; ring <= Math.max(across, down); ring++) {
      // Whatever lies in rings not looked into is further than this.
      const reached = (ring - 1) * side;
      if (found === NEAREST && reached > 0 && (squares[NEAREST - 1] as number) <= reached * reached) break;
      for (let r = Math.max(0, row - ring); r <= Math.min(down - 1, row + ring); r++) {
        const whole = Math.abs(r - row) === ring;
        const step = whole ? 1 : Math.max(1, 2 * ring);
        for (let c = column - ring; c <= column + ring; c += step) {
          if (c < 0 || c >= across) continue;
          for (const i of buckets[r * across + c] as number[]) {
            const one = soundings[i] as Sounding;
            const square = (one.x - x) * (one.x - x) + (one.y - y) * (one.y - y);
            if (found === NEAREST && square >= (squares[NEAREST - 1] as number)) continue;
            let place = found < NEAREST ? found++ : NEAREST - 1;
            for (; place > 0 && (squares[place - 1] as number) > square; place--) {
              squares[place] = squares[place - 1] as number;
              depths[place] = depths[place - 1] as number;
            }
            squares[place] = square;
            depths[place] = one.depthM;
          }
        }
      }
    }
    let [sum, weights] = [0, 0];
    for (let i = 0; i < found; i++) {
      const square = squares[i] as number;
      if (square < 1e-9) return depths[i] as number;
      sum += (depths[i] as number) / square;
      weights += 1 / square;
    }
    return sum / weights;
  };
}
