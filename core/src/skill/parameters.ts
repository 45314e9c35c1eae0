/** Parameters of knowledge tracing for one skill; all probabilities 0…1. */
export interface TracingParameters {
  /** Mastered before the first attempt. */
  initial: number;
  /** Becomes mastered by one attempt. */
  learn: number;
  /** Fails although mastered. */
  slip: number;
  /** Succeeds although not mastered. */
  guess: number;
  /** Share of the trust in an attempt that is left at home; the rule of thumb when left out. */
  home?: number;
}

/** Those that a fit finds for a skill by itself. */
export type FittedParameter = Exclude<keyof TracingParameters, 'home'>;

const INITIAL = [0.08, 0.35];
const LEARN = [0.02, 0.05, 0.11];
const SLIP = [0.06, 0.13, 0.22];
const GUESS = [0.12, 0.22, 0.34];

/** Plausible parameters, equally likely before any attempt is seen. */
export const PARAMETER_GRID: readonly TracingParameters[] = INITIAL.flatMap((initial) =>
  LEARN.flatMap((learn) => SLIP.flatMap((slip) => GUESS.map((guess) => ({ initial, learn, slip, guess })))),
);
