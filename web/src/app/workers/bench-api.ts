import {
  type Beat,
  CoreError,
  type CoreErrorCode,
  type DepthGrid,
  type DriftRun,
  type DriftScene,
  type ErrorFacts,
  type Lake,
  type LakeOptions,
  type LoopCast,
  loopCast,
  mendCompared,
  type Presentation,
  rankPresentation,
  type SideDrift,
  sideDrift,
  type SuggestOptions,
  type Standing,
  type StandingOptions,
  standsForGroup,
  suggestLake,
  suggestStands,
  sweepCell,
  type SurfaceDrift,
  surfaceDrift,
  type SweepCell,
} from '@doceo/core';

/** A drift, and with mends in it what the same line fed as slack gives, and neither. */
export interface DriftResult {
  run: DriftRun;
  fedCleanM: number | null;
  leftCleanM: number | null;
}

/** The computations of the benches. */
export const BENCH = {
  surface: (options: Partial<SurfaceDrift>): DriftResult => {
    const acts = options.acts ?? [];
    if (!acts.some(({ kind }) => kind === 'mend'))
      return { run: surfaceDrift(options), fedCleanM: null, leftCleanM: null };
    const { mended, fed, left } = mendCompared({ ...options, acts });
    return { run: mended, fedCleanM: fed.cleanM, leftCleanM: left.cleanM };
  },
  side: (options: Partial<SideDrift>) => sideDrift(options),
  rank: (scene: DriftScene, presentation: Presentation) => rankPresentation(scene, presentation),
  sweep: (drift: SideDrift, cell: SweepCell) => sweepCell(drift, cell),
  loop: (options: Partial<LoopCast>) => loopCast(options),
  stands: (beat: Beat, options: SuggestOptions) => suggestStands(beat, options),
  groupStands: (beat: Beat, people: readonly Standing[], around: Omit<StandingOptions, 'wader'>) =>
    standsForGroup(beat, people, around),
  lakeAdvice: (lake: Lake, grid: DepthGrid, options: LakeOptions) => suggestLake(lake, grid, options),
};

export type Bench = typeof BENCH;
export type BenchName = keyof Bench;

/** A result, or an error of the core as plain data: a thrown error loses its fields on the way out of a worker. */
export type JobResult<T> = { value: T } | { code: CoreErrorCode; facts: ErrorFacts };

/** Runs one computation by its name. */
export function runJob<Name extends BenchName>(
  name: Name,
  args: Parameters<Bench[Name]>,
): JobResult<ReturnType<Bench[Name]>> {
  try {
    const compute = BENCH[name] as unknown as (...args: Parameters<Bench[Name]>) => ReturnType<Bench[Name]>;
    return { value: compute(...args) };
  } catch (error) {
    if (error instanceof CoreError) return { code: error.code, facts: error.facts };
    throw error;
  }
}
