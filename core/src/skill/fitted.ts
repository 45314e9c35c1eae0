import type { SkillFit } from './fit';
import { type FittedParameter, PARAMETER_GRID, type TracingParameters } from './parameters';

/** Fits of a school's own records, by skill id. Those that saw too little are not used. */
export type FittedSkills = Readonly<Record<string, FittedSkill>>;
type FittedSkill = Pick<SkillFit, 'enough' | 'mean' | 'spread'> & {
  /** How far attempts at home are believed, 0…1; the rule of thumb when left out. */
  home?: number | undefined;
};

/**
 * How far students differ among themselves, at the least, however sure the mean over all of them is. About half of
 * what the prior allows; a rule of thumb.
 */
const STUDENTS_DIFFER: Record<FittedParameter, number> = {
  initial: 0.08,
  learn: 0.02,
  slip: 0.03,
  guess: 0.05,
};
const MIN = 0.01;
const MAX: Record<FittedParameter, number> = { initial: 0.9, learn: 0.5, slip: 0.45, guess: 0.45 };

/**
 * Plausible parameters for the tracing of one skill: those fitted to the school's records, each one spread either way,
 * or the prior that ships when there were too few records.
 */
export function parametersFor(fitted: FittedSkills, skillId: string): readonly TracingParameters[] {
  const fit = fitted[skillId];
  const grid = fit?.enough ? around(fit) : PARAMETER_GRID;
  const home = fit?.home;
  return home === undefined ? grid : grid.map((parameters) => ({ ...parameters, home }));
}

function around({ mean, spread }: FittedSkill): TracingParameters[] {
  const either = (key: FittedParameter): number[] => {
    const by = Math.max(spread[key], STUDENTS_DIFFER[key]);
    return [mean[key] - by, mean[key] + by].map((value) => Math.min(MAX[key], Math.max(MIN, value)));
  };
  return either('initial').flatMap((initial) =>
    either('learn').flatMap((learn) =>
      either('slip').flatMap((slip) => either('guess').map((guess) => ({ initial, learn, slip, guess }))),
    ),
  );
}
