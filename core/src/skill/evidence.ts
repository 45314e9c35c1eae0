import type { TracingParameters } from './parameters';

/**
 * How somebody came to see a skill: an attempt in the drill made for it, an attempt in another drill that shows it too,
 * something noticed in passing, an answer to a question, a result at a bench, a measurement.
 */
export const EVIDENCE_KINDS = ['drill', 'side', 'passing', 'answer', 'bench', 'measured'] as const;
export type EvidenceKind = (typeof EVIDENCE_KINDS)[number];

/** How an attempt was seen; what is left out is an attempt in a drill, under the instructor's eyes. */
export interface Seen {
  evidence?: EvidenceKind | undefined;
  /** Of an answer: how many there were to choose from. */
  choices?: number | undefined;
  /** Done alone at home. */
  home?: boolean | undefined;
}

/** What a kind of evidence says, as shares 0…1. Rules of thumb, until there are records to fit them to. */
interface Weight {
  /** How much the mark says of the skill; the rest is a coin. */
  trust: number;
  /** How much is learned by it, against an attempt in a drill. */
  learn: number;
}

const WEIGHTS: Record<EvidenceKind, Weight> = {
  drill: { trust: 1, learn: 1 },
  side: { trust: 0.8, learn: 0.5 },
  passing: { trust: 0.6, learn: 0.5 },
  answer: { trust: 0.8, learn: 0.25 },
  bench: { trust: 0.7, learn: 0.5 },
  measured: { trust: 1, learn: 1 },
};
/** What is left of the trust in something that nobody else saw, until a school's own records say otherwise. */
export const HOME_TRUST = 0.6;
/** A measurement errs less than an eye: what is left of slip and guess. */
const MEASURED = 0.6;
/** Who knows answers wrongly so often. */
const ANSWER_SLIP = 0.08;
/** Choices of an answer that does not say how many there were. */
const USUAL_CHOICES = 3;

/**
 * Slip, guess and learning of one way of seeing a skill, from those of an attempt in a drill.
 *
 * @returns probabilities 0…1, slip + guess below 1
 */
export function seenBy(parameters: TracingParameters, seen: Seen): TracingParameters {
  const { evidence = 'drill', choices = USUAL_CHOICES, home = false } = seen;
  if (evidence === 'drill' && !home) return parameters;
  const { trust: whole, learn } = WEIGHTS[evidence];
  const trust = whole * (home ? (parameters.home ?? HOME_TRUST) : 1);
  const share = evidence === 'measured' ? MEASURED : 1;
  const slip = evidence === 'answer' ? ANSWER_SLIP : parameters.slip * share;
  const guess = evidence === 'answer' ? 1 / Math.max(2, choices) : parameters.guess * share;
  const blurred = (probability: number): number => trust * probability + (1 - trust) * 0.5;
  return {
    initial: parameters.initial,
    learn: parameters.learn * learn,
    slip: blurred(slip),
    guess: blurred(guess),
  };
}

/**
 * Trust in each way of seeing a skill, 0…1: how much the mark says of it, the rest is a coin.
 *
 * @param home share that is left at home, 0…1
 */
export function trusts(home = HOME_TRUST): { evidence: EvidenceKind; home: boolean; trust: number }[] {
  return EVIDENCE_KINDS.flatMap((evidence) => [
    { evidence, home: false, trust: WEIGHTS[evidence].trust },
    { evidence, home: true, trust: WEIGHTS[evidence].trust * home },
  ]);
}

/**
 * A number that is the same for attempts seen the same way.
 *
 * @returns a whole number, 0 and more
 */
export function seenKey({ evidence = 'drill', choices = 0, home = false }: Seen): number {
  const asked = evidence === 'answer' ? choices : 0;
  return EVIDENCE_KINDS.indexOf(evidence) + EVIDENCE_KINDS.length * (home ? 1 : 0) + 100 * asked;
}
