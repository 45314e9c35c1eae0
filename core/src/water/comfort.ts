export const SPECIES = ['brown-trout', 'rainbow-trout', 'grayling'] as const;
export type Species = (typeof SPECIES)[number];

export interface ComfortLimits {
  /** Best temperatures, °C. */
  fromC: number;
  toC: number;
  /** From here on fishing for it stops. */
  stopC: number;
}

/** Rules of thumb of the trade; local rules and the thermometer come first. */
export const COMFORT: Record<Species, ComfortLimits> = {
  'brown-trout': { fromC: 10, toC: 16, stopC: 19 },
  'rainbow-trout': { fromC: 10, toC: 17, stopC: 20 },
  grayling: { fromC: 8, toC: 15, stopC: 18 },
};

/**
 * The temperature from which one stops fishing for what lives in a water, °C: of its most sensitive species.
 *
 * @param species none when nobody has said what lives there: then of the most sensitive of all
 * @returns °C
 */
export function stopTemperature(species: readonly Species[]): number {
  return Math.min(...(species.length > 0 ? species : SPECIES).map((one) => COMFORT[one].stopC));
}

/** A thermometer reading at a depth. */
export interface DepthReading {
  depthM: number;
  celsius: number;
}

export interface ComfortBand {
  /** Depths within the best temperatures, from and to, shallow first. */
  bands: { fromM: number; toM: number }[];
  /** Depth nearest to the best temperatures when no band is there. */
  nearestM: number | null;
  /** Whether every reading is at or above the temperature at which fishing for it stops. */
  stop: boolean;
}

/**
 * Temperature at a depth, straight between readings, the end readings beyond them. Needs one reading or more.
 *
 * @returns degrees Celsius
 */
export function temperatureAt(profile: readonly DepthReading[], depthM: number): number {
  const sorted = [...profile].sort((a, b) => a.depthM - b.depthM);
  const [first, last] = [sorted[0] as DepthReading, sorted.at(-1) as DepthReading];
  if (depthM <= first.depthM) return first.celsius;
  if (depthM >= last.depthM) return last.celsius;
  const i = sorted.findIndex((reading) => reading.depthM >= depthM);
  const [above, below] = [sorted[i - 1] as DepthReading, sorted[i] as DepthReading];
  const share = (depthM - above.depthM) / (below.depthM - above.depthM || 1);
  return above.celsius + share * (below.celsius - above.celsius);
}

/**
 * Where in a profile a species is at ease: the stretches between the first and the last reading whose temperature, taken
 * straight between readings, lies in its best range.
 */
export function comfortBand(profile: readonly DepthReading[], species: Species): ComfortBand {
  const { fromC, toC, stopC } = COMFORT[species];
  const sorted = [...profile].sort((a, b) => a.depthM - b.depthM);
  if (sorted.length === 0) return { bands: [], nearestM: null, stop: false };
  const edges = new Set(sorted.map(({ depthM }) => depthM));
  sorted.slice(1).forEach((below, i) => {
    const above = sorted[i] as DepthReading;
    for (const celsius of [fromC, toC]) {
      const share = (celsius - above.celsius) / (below.celsius - above.celsius);
      if (share > 0 && share < 1) edges.add(above.depthM + share * (below.depthM - above.depthM));
    }
  });
  const depths = [...edges].sort((a, b) => a - b);
  const inside = (depthM: number): boolean => {
    const celsius = temperatureAt(sorted, depthM);
    return celsius >= fromC && celsius <= toC;
  };
  const bands: { fromM: number; toM: number }[] = [];
  depths.slice(1).forEach((toM, i) => {
    const fromM = depths[i] as number;
    if (!inside((fromM + toM) / 2)) return;
    const last = bands.at(-1);
    if (last && last.toM === fromM) last.toM = toM;
    else bands.push({ fromM, toM });
  });
  if (bands.length === 0 && sorted.length === 1 && inside(sorted[0]!.depthM))
    bands.push({ fromM: sorted[0]!.depthM, toM: sorted[0]!.depthM });
  const off = ({ celsius }: DepthReading): number => Math.max(fromC - celsius, celsius - toC, 0);
  const nearest = [...sorted].sort((a, b) => off(a) - off(b) || a.depthM - b.depthM)[0] as DepthReading;
  return {
    bands,
    nearestM: bands.length > 0 ? null : nearest.depthM,
    stop: sorted.every(({ celsius }) => celsius >= stopC),
  };
}
