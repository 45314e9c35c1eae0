import { middle, type Point } from '../geometry';
import { type Place, PLACE_KINDS, type PlaceKind, type Water } from '../water';
import type { Beat, PieceKind } from './beat';

/** Open bank is where one casts on grass; other pieces are the places of the same name. */
const PLACE_OF: Partial<Record<PieceKind, PlaceKind>> = { 'open-bank': 'grass' };

/**
 * The places of drawn beats: of each kind the longest piece, along the flow.
 *
 * @returns lengths in metres, off the scale of the drawing
 */
export function drawnPlaces(beats: readonly Beat[]): Place[] {
  return beats.flatMap((beat) => {
    const longest = new Map<PlaceKind, Place>();
    for (const { kind, shape } of beat.pieces) {
      const place = PLACE_OF[kind] ?? PLACE_KINDS.find((one) => one === kind);
      if (!place) continue;
      const lengthM = alongFlow(shape);
      if (lengthM < 1 || lengthM <= (longest.get(place)?.lengthM ?? 0)) continue;
      const drawn = { beatId: beat.id, at: middle(shape) };
      longest.set(place, {
        ...{ id: `${beat.id}/${place}`, name: beat.name, kind: place },
        ...{ lengthM, lengthFrom: 'entered', drawn },
      });
    }
    return [...longest.values()];
  });
}

/** The water of a drawn place. */
export interface PlaceWater {
  beat: string;
  /** Metres, at the level of the drawing. */
  depthM: number;
  /** Metres a second; negative where it runs back. */
  speedMs: number;
}

/** The water of the longest drawn piece of a kind; null where none is drawn, or nobody said how deep it is. */
export function waterOfPlace(beats: readonly Beat[], kind: PlaceKind): PlaceWater | null {
  const pieces = beats.flatMap((beat) =>
    beat.pieces.flatMap((piece) =>
      piece.kind === kind && piece.depthM !== null
        ? { ...piece, beat: beat.name, depthM: piece.depthM, lengthM: alongFlow(piece.shape) }
        : [],
    ),
  );
  const [longest] = pieces.sort((a, b) => b.lengthM - a.lengthM);
  return longest ? { beat: longest.beat, depthM: longest.depthM, speedMs: longest.speedMs ?? 0 } : null;
}

/**
 * A water with the places of its drawings: their lengths go before typical ones of their kind, and after what somebody
 * paced or said; where they lie is added to both.
 */
export function withDrawn(water: Water, beats: readonly Beat[]): Water {
  const drawn = new Map(drawnPlaces(beats).map((place) => [place.kind, place]));
  const said = water.places
    .filter(({ kind, lengthFrom }) => lengthFrom !== 'typical' || !drawn.has(kind))
    .map((place): Place => {
      const at = drawn.get(place.kind)?.drawn;
      return at ? { ...place, drawn: at } : place;
    });
  const isSaid = new Set(said.map(({ kind }) => kind));
  return { ...water, places: [...said, ...[...drawn.values()].filter(({ kind }) => !isSaid.has(kind))] };
}

/** How deep the drawn places of a water are where somebody said it: the shallowest and the deepest, metres; null where nobody did. */
export function depthsDrawn(beats: readonly Beat[]): { lowM: number; highM: number } | null {
  const depths = beats.flatMap(({ pieces }) =>
    pieces.flatMap(({ kind, depthM }) =>
      PLACE_KINDS.some((place) => place === kind) && depthM !== null ? depthM : [],
    ),
  );
  return depths.length === 0 ? null : { lowM: Math.min(...depths), highM: Math.max(...depths) };
}

function alongFlow(shape: readonly Point[]): number {
  const xs = shape.map(({ x }) => x);
  return Math.max(...xs) - Math.min(...xs);
}
