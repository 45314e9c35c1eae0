import type { Place, PlaceKind, WaterKind } from './water';

const place = (name: string, kind: PlaceKind, lengthM: number): Place => ({
  id: kind,
  name,
  kind,
  lengthM,
  lengthFrom: 'typical',
});

/** Rules of thumb: what such a water mostly has, and how long a stretch of it mostly is. */
const TYPICAL: Record<WaterKind, Place[]> = {
  river: [
    place('Pool', 'pool', 40),
    place('Run', 'run', 60),
    place('Riffle', 'riffle', 40),
    place('Meadow', 'grass', 50),
  ],
  brook: [place('Pockets', 'pocket', 80), place('Meadow', 'grass', 40)],
  lake: [place('Shoal', 'shoal', 120), place('Margin', 'margin', 120), place('Lawn', 'grass', 50)],
  pond: [place('Margin', 'margin', 60), place('Lawn', 'grass', 40)],
};

/** Places that a water of a kind mostly has, to be offered and paced out; never taken for its own by themselves. */
export function typicalPlaces(kind: WaterKind): Place[] {
  return TYPICAL[kind].map((one) => ({ ...one }));
}
