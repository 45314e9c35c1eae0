import { CoreError } from '../error';

export const TAKE_KINDS = ['dip', 'stop', 'twitch', 'sideways', 'lie-down', 'tighten', 'jump'] as const;
/** What a take looks like. */
export type TakeKind = (typeof TAKE_KINDS)[number];
export const NOISE_KINDS = ['tick', 'wave', 'weed'] as const;
/** What looks like one and is none. */
export type NoiseKind = (typeof NOISE_KINDS)[number];

/** Something the indicator did. */
export interface Stimulus {
  atMs: number;
  kind: TakeKind | NoiseKind;
}

export interface KindScore {
  kind: TakeKind;
  shown: number;
  hits: number;
  /** How well it is told from what is none, and the leaning towards setting (less than zero) or waiting. */
  dPrime: number;
  bias: number;
  medianMs: number | null;
}

export interface TakeScore {
  hits: number;
  misses: number;
  falseAlarms: number;
  /** Things that were none and were let pass. */
  passed: number;
  /** Sets on nothing at all. */
  onNothing: number;
  dPrime: number;
  bias: number;
  /** Reaction of the hits: median, and the middle half of them. */
  medianMs: number | null;
  fromMs: number | null;
  toMs: number | null;
  kinds: KindScore[];
}

/** A set that comes later than this after a take is none on it. Estimate: fish spit a nymph in about that. */
export const LATEST_MS = 1500;

const isTake = (kind: Stimulus['kind']): kind is TakeKind => (TAKE_KINDS as readonly string[]).includes(kind);

/**
 * How well takes are told from the rest, by signal detection: d′ = z(hits) − z(false alarms), bias c = −½ (z(hits) +
 * z(false alarms)). Half a case is added to each count and one to each number, so that none and all have an end
 * (M. J. Hautus, 1995): a blind player comes to zero, a perfect one to the most that so many cases can tell.
 *
 * Each set goes to the last thing before it that is not answered yet, within the time.
 *
 * @throws CoreError 'out-of-range' when stimuli or sets are not in the order of their times
 */
export function takeScore(
  stimuli: readonly Stimulus[],
  setsMs: readonly number[],
  latestMs = LATEST_MS,
): TakeScore {
  ordered(
    'stimuli',
    stimuli.map(({ atMs }) => atMs),
  );
  ordered('sets', setsMs);
  const answers = new Map<number, number>();
  let onNothing = 0;
  for (const atMs of setsMs) {
    const open = stimuli.findLastIndex(
      (one, i) => one.atMs <= atMs && atMs - one.atMs <= latestMs && !answers.has(i),
    );
    if (open < 0) onNothing += 1;
    else answers.set(open, atMs - (stimuli[open] as Stimulus).atMs);
  }
  const answered = (keep: (kind: Stimulus['kind']) => boolean): { shown: number; times: number[] } => {
    const all = stimuli
      .map((one, i) => ({ ...one, tookMs: answers.get(i) }))
      .filter(({ kind }) => keep(kind));
    return { shown: all.length, times: all.flatMap(({ tookMs }) => tookMs ?? []).sort((a, b) => a - b) };
  };
  const takes = answered(isTake);
  const noise = answered((kind) => !isTake(kind));
  return {
    hits: takes.times.length,
    misses: takes.shown - takes.times.length,
    falseAlarms: noise.times.length,
    passed: noise.shown - noise.times.length,
    onNothing,
    ...sensitivity(takes.times.length, takes.shown, noise.times.length, noise.shown),
    medianMs: quantile(takes.times, 0.5),
    fromMs: quantile(takes.times, 0.25),
    toMs: quantile(takes.times, 0.75),
    kinds: TAKE_KINDS.flatMap((kind): KindScore[] => {
      const { shown, times } = answered((one) => one === kind);
      return shown === 0
        ? []
        : [
            {
              kind,
              shown,
              hits: times.length,
              ...sensitivity(times.length, shown, noise.times.length, noise.shown),
              medianMs: quantile(times, 0.5),
            },
          ];
    }),
  };
}

function sensitivity(
  hits: number,
  takes: number,
  alarms: number,
  noise: number,
): { dPrime: number; bias: number } {
  const hit = normalQuantile((hits + 0.5) / (takes + 1));
  const alarm = normalQuantile((alarms + 0.5) / (noise + 1));
  return { dPrime: hit - alarm, bias: -(hit + alarm) / 2 };
}

/** Of sorted values, straight between two; null of none. */
function quantile(sorted: readonly number[], share: number): number | null {
  if (sorted.length === 0) return null;
  const at = (sorted.length - 1) * share;
  const [low, high] = [sorted[Math.floor(at)] as number, sorted[Math.ceil(at)] as number];
  return low + (high - low) * (at - Math.floor(at));
}

function ordered(name: string, times: readonly number[]): void {
  const wrong = times.findIndex((at, i) => !Number.isFinite(at) || (i > 0 && at < (times[i - 1] as number)));
  if (wrong >= 0)
    throw new CoreError('out-of-range', {
      name: `${name}[${wrong}]`,
      value: times[wrong] ?? null,
      min: null,
    });
}

/**
 * The value below which a share of the normal distribution lies, by P. J. Acklam's rational approximation (2003), good to
 * about 1e-9 of the value.
 */
export function normalQuantile(share: number): number {
  if (!(share > 0 && share < 1))
    throw new CoreError('out-of-range', { name: 'share', value: share, min: 0, max: 1 });
  const LOW = 0.02425;
  if (share > 1 - LOW) return -normalQuantile(1 - share);
  if (share < LOW) {
    const q = Math.sqrt(-2 * Math.log(share));
    return (
      poly(
        [
          -7.784894002430293e-3, -0.3223964580411365, -2.400758277161838, -2.549732539343734,
          4.374664141464968, 2.938163982698783,
        ],
        q,
      ) / poly([7.784695709041462e-3, 0.3224671290700398, 2.445134137142996, 3.754408661907416, 1], q)
    );
  }
  const q = share - 0.5;
  const r = q * q;
  return (
    (q *
      poly(
        [
          -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716,
          2.506628277459239,
        ],
        r,
      )) /
    poly(
      [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572, 1],
      r,
    )
  );
}

function poly(coefficients: readonly number[], x: number): number {
  return coefficients.reduce((sum, coefficient) => sum * x + coefficient, 0);
}
