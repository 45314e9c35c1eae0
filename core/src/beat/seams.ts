import { type Beat, isWater, type Piece } from './beat';
import type { Point } from '../geometry';
import { rasterOf } from './raster';

/** A line between faster and slower water, from its upper to its lower end. */
export interface Seam {
  points: Point[];
  /** Difference of speed across it, metres a second, on the mean. */
  contrastMs: number;
}

/** Difference of speed that makes a seam, metres a second. A rule of thumb. */
export const SEAM_MS = 0.25;
/** Shorter ones are not told, metres. */
const SHORTEST_M = 2;

interface Edge {
  column: number;
  row: number;
  contrastMs: number;
}

/**
 * Where the water's speed changes across the stream within half a metre. Edges of a grid that touch belong to one seam;
 * the seam runs through the middle of them, column by column. Turning the beat over turns its seams over.
 */
export function findSeams(beat: Beat): Seam[] {
  const { columns, rows, dx, dy, cells } = rasterOf(beat);
  const edges = new Map<number, Edge>();
  for (let column = 0; column < columns; column++) {
    const speeds = Array.from({ length: rows }, (_, row) => speedOf(cells[row * columns + column] ?? null));
    for (let row = 1; row < rows; row++) {
      const [above, below] = [speeds[row - 1], speeds[row]];
      if (above === null || above === undefined || below === null || below === undefined) continue;
      const contrastMs = Math.abs(above - below);
      if (contrastMs >= SEAM_MS) edges.set(column * (rows + 1) + row, { column, row, contrastMs });
    }
  }
  return groupsOf(edges, rows + 1)
    .map((group) => seamOf(group, dx, dy))
    .filter(({ points }) => (points.at(-1)?.x ?? 0) - (points[0]?.x ?? 0) >= SHORTEST_M)
    .sort((a, b) => b.contrastMs * b.points.length - a.contrastMs * a.points.length);
}

/** Of water only. */
function speedOf(piece: Piece | null): number | null {
  return piece && isWater(piece.kind) ? (piece.speedMs ?? 0) : null;
}

/** Edges that touch, also over a corner, together; they are kept by column and row. */
function groupsOf(edges: ReadonlyMap<number, Edge>, inAColumn: number): Edge[][] {
  const left = new Map(edges);
  const groups: Edge[][] = [];
  for (const [key, first] of edges) {
    if (!left.delete(key)) continue;
    const group: Edge[] = [];
    const open = [first];
    for (let edge = open.pop(); edge; edge = open.pop()) {
      group.push(edge);
      for (const column of [edge.column - 1, edge.column, edge.column + 1])
        for (const row of [edge.row - 1, edge.row, edge.row + 1]) {
          // No edge lies at a column's ends: a key never reaches into the next column.
          const next = left.get(column * inAColumn + row);
          if (next && left.delete(column * inAColumn + row)) open.push(next);
        }
    }
    groups.push(group);
  }
  return groups;
}

function seamOf(group: readonly Edge[], dx: number, dy: number): Seam {
  const byColumn = new Map<number, number[]>();
  for (const { column, row } of group) byColumn.set(column, [...(byColumn.get(column) ?? []), row]);
  const points = [...byColumn]
    .sort(([a], [b]) => a - b)
    .map(([column, rows]) => ({
      x: (column + 0.5) * dx,
      y: (rows.reduce((sum, row) => sum + row, 0) / rows.length) * dy,
    }));
  return { points, contrastMs: group.reduce((sum, { contrastMs }) => sum + contrastMs, 0) / group.length };
}
