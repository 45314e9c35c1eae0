import {
  type Beat,
  CoreError,
  type CoreErrorCode,
  type DriftRun,
  type DriftScene,
  type ErrorFacts,
  type LoopCast,
  loopCast,
  mendCompared,
  type Presentation,
  rankPresentation,
  type SideDrift,
  sideDrift,
  type SuggestOptions,
  suggestStands,
  sweepCell,
  type SurfaceDrift,
  surfaceDrift,
  type SweepCell,
} from '@doceo/core';

/** A drift, and with mends in it what the same line fed as slack gives, and neither. */
export interface ToldDrift {
  run: DriftRun;
  fedCleanM: number | null;
  leftCleanM: number | null;
}

/** The computations of the benches. */
export const BENCH = {
  surface: (given: Partial<SurfaceDrift>): ToldDrift => {
    const acts = given.acts ?? [];
    if (!acts.some(({ kind }) => kind === 'mend'))
      return { run: surfaceDrift(given), fedCleanM: null, leftCleanM: null };
    const { mended, fed, left } = mendCompared({ ...given, acts });
    return { run: mended, fedCleanM: fed.cleanM, leftCleanM: left.cleanM };
  },
  side: (given: Partial<SideDrift>) => sideDrift(given),
  rank: (scene: DriftScene, presentation: Presentation) => rankPresentation(scene, presentation),
  sweep: (drift: SideDrift, cell: SweepCell) => sweepCell(drift, cell),
  loop: (given: Partial<LoopCast>) => loopCast(given),
  stands: (beat: Beat, options: SuggestOptions) => suggestStands(beat, options),
};

export type Bench = typeof BENCH;
export type BenchName = keyof Bench;

/** A result, or an error of the core as plain data: an error's own fields do not come through a worker's door. */
export type Told<T> = { value: T } | { code: CoreErrorCode; facts: ErrorFacts };

/** Computes and tells. */
export function tell<Name extends BenchName>(
  name: Name,
  args: Parameters<Bench[Name]>,
): Told<ReturnType<Bench[Name]>> {
  try {
    const compute = BENCH[name] as unknown as (...given: Parameters<Bench[Name]>) => ReturnType<Bench[Name]>;
    return { value: compute(...args) };
  } catch (error) {
    if (error instanceof CoreError) return { code: error.code, facts: error.facts };
    throw error;
  }
}
