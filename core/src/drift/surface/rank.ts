import { type DriftScene, driftOf, inReach, type Presentation } from './presentation';
import { surfaceDrift } from './surface-drift';

/** What a presentation gives, over how the slack may lie and the current may be. */
export interface Ranked {
  id: string;
  /** Metres and seconds without drag: the median, and from the second to the second last of nine. */
  cleanM: number;
  fromM: number;
  toM: number;
  cleanS: number;
  fromS: number;
  toS: number;
}

/** Shares of the slack and of the speed that are tried: what an angler does not know. */
const SLACKS = [0.6, 1, 1.5];
const SPEEDS = [0.85, 1, 1.15];
/** Coarser than a run that is looked at: the order does not need more. */
const COARSE = { nodes: 24, stepS: 0.04, untilDrag: true };

/**
 * Clean drift of a presentation, of nine runs.
 *
 * @returns null where the lie is out of its reach
 * @throws CoreError as `surfaceDrift`
 */
export function rankPresentation(scene: DriftScene, presentation: Presentation): Ranked | null {
  if (!inReach(scene, presentation)) return null;
  const options = driftOf(scene, presentation);
  const runs = SLACKS.flatMap((slack) =>
    SPEEDS.map((speed) =>
      surfaceDrift({
        ...options,
        ...COARSE,
        slackShare: scene.slackShare * slack,
        lanes: scene.lanes.map(({ toM, speedMs }) => ({ toM, speedMs: speedMs * speed })),
      }),
    ),
  );
  const metres = runs.map(({ cleanM }) => cleanM).sort((a, b) => a - b);
  const seconds = runs.map(({ cleanS }) => cleanS).sort((a, b) => a - b);
  const middle = (runs.length - 1) / 2;
  return {
    id: presentation.id,
    cleanM: metres[middle]!,
    fromM: metres[1]!,
    toM: metres.at(-2)!,
    cleanS: seconds[middle]!,
    fromS: seconds[1]!,
    toS: seconds.at(-2)!,
  };
}
