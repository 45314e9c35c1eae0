import { oneIsAlone } from '../places';
import { distance } from '../geometry';
import { hookDistance } from '../safety';
import type { Beat } from './beat';
import { rasterOf } from './raster';
import { allStands, isBeyond, type Stand, type StandingOptions } from './stands';

/** Who is to stand, together. */
export interface SuggestOptions extends StandingOptions {
  students: number;
  rodM: number;
  leaderM: number;
}

/**
 * How far apart students must stand: twice the longest line, and never within rod, leader and arm.
 *
 * @returns metres
 */
export function spacing({ rodM, leaderM }: Pick<SuggestOptions, 'rodM' | 'leaderM'>, castM: number): number {
  return hookDistance(castM, { rodM, leaderM });
}

/**
 * Where students stand and where they cast, the best place first taken, none within reach of another's line, and nobody
 * alone across the water from the others: there is no help there. Places in the water beyond the wader's figure are
 * never among them; the caller says that it is judged on the spot.
 *
 * @returns at most as many as there are students, in the order in which to fish: downstream first, tail before head
 */
export function suggestStands(beat: Beat, options: SuggestOptions): Stand[] {
  const raster = rasterOf(beat);
  return together(allStands(beat, options), (stand) => isBeyond(beat, raster, stand.at), options).sort(
    (a, b) => b.lie.at.x - a.lie.at.x || a.castM - b.castM,
  );
}

/** The best places; when one of them would be alone on a side, all on one side or two at least on each. */
function together(
  all: readonly Stand[],
  beyond: (stand: Stand) => boolean,
  options: SuggestOptions,
): Stand[] {
  const best = apart(all, options);
  const side = new Map(all.map((stand) => [stand, beyond(stand)]));
  const isLonely = (stands: readonly Stand[]): boolean =>
    oneIsAlone(stands.map((stand) => side.get(stand) ?? false));
  if (!isLonely(best)) return best;
  const worth = (stands: readonly Stand[]): number => stands.reduce((sum, { score }) => sum + score, 0);
  const [top] = [true, false]
    .map((one) =>
      apart(
        all.filter((stand) => side.get(stand) === one),
        options,
      ),
    )
    .flatMap((same) => [same, apart([...same.slice(0, 2), ...all], options)])
    .filter((stands) => !isLonely(stands))
    .sort((a, b) => b.length - a.length || worth(b) - worth(a));
  return top ?? [];
}

/** As many as there are students, the first of them first, each out of reach of the others. */
function apart(ranked: readonly Stand[], options: SuggestOptions): Stand[] {
  const taken: Stand[] = [];
  for (const stand of ranked) {
    if (taken.length >= options.students) break;
    const free = taken.every(
      (other) => distance(stand.at, other.at) >= spacing(options, Math.max(stand.castM, other.castM)),
    );
    if (free) taken.push(stand);
  }
  return taken;
}
