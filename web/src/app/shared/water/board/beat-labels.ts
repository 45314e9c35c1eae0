import { type Beat, cellAt, distance, isWater, middle, type Point, rasterOf } from '@doceo/core';

export interface BeatLabel {
  id: string;
  /** Middle of its foot. */
  at: Point;
  name: string;
  about: string;
  dark: boolean;
}

/** Width of a letter as a share of its height, on the mean. */
const LETTER_SHARE = 0.52;
const DARK_FROM_M = 1;
/** Places tried for a label, metres apart. */
const STEP_M = 1;

interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/**
 * Names of the pieces of water, each where its piece is on top and as near to its middle as it can be without lying on
 * another name or on a seam; one that finds no room may lie on a seam, and without that is left out.
 *
 * @param letterM height of the letters, metres
 * @param about what is told beside the name of a piece
 * @param taken places that must stay free, such as stands
 * @param seams lines that should stay free
 */
export function beatLabels(
  beat: Beat,
  letterM: number,
  about: (depthM: number, speedMs: number) => string,
  taken: readonly Point[] = [],
  seams: readonly (readonly Point[])[] = [],
): BeatLabel[] {
  const topmost = rasterOf(beat);
  const boxes: Box[] = taken.map(({ x, y }) => around({ x, y: y + letterM / 2 }, 3 * letterM, 1.6 * letterM));
  const dots: Box[] = seams.flat().map((dot) => around(dot, letterM, letterM / 2));
  const visible = new Map<string, Point[]>();
  for (let x = STEP_M / 2; x < beat.lengthM; x += STEP_M)
    for (let y = STEP_M / 2; y < beat.widthM; y += STEP_M) {
      const piece = cellAt(topmost, { x, y });
      if (piece && isWater(piece.kind)) visible.set(piece.id, [...(visible.get(piece.id) ?? []), { x, y }]);
    }
  // The last drawn lie on top and are the smallest: they have the least choice, and choose first.
  return [...beat.pieces].reverse().flatMap((piece) => {
    const places = visible.get(piece.id);
    if (!places) return [];
    const label = {
      id: piece.id,
      name: piece.name,
      about: about(piece.depthM ?? 0, piece.speedMs ?? 0),
      dark: (piece.depthM ?? 0) >= DARK_FROM_M,
    };
    const width = (label.name.length + 1 + label.about.length) * letterM * LETTER_SHARE;
    const heart = middle(piece.shape);
    const free = places
      .sort((a, b) => distance(a, heart) - distance(b, heart))
      .map((at) => ({ at, box: around(at, width, 1.15 * letterM) }))
      .filter(
        ({ box }) =>
          box.left >= 0 &&
          box.right <= beat.lengthM &&
          box.top >= 0 &&
          !boxes.some((other) => overlap(box, other)),
      );
    const found = free.find(({ box }) => !dots.some((dot) => overlap(box, dot))) ?? free[0];
    if (!found) return [];
    boxes.push(found.box);
    return [{ ...label, at: found.at }];
  });
}

function around({ x, y }: Point, width: number, height: number): Box {
  return { left: x - width / 2, right: x + width / 2, top: y - height, bottom: y + height * 0.25 };
}

function overlap(a: Box, b: Box): boolean {
  return a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
}
