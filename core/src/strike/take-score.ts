import { normalQuantile } from '../statistics';
import { quantileSorted } from 'd3-array';
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
    medianMs: quantileSorted(takes.times, 0.5) ?? null,
    fromMs: quantileSorted(takes.times, 0.25) ?? null,
    toMs: quantileSorted(takes.times, 0.75) ?? null,
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
              medianMs: quantileSorted(times, 0.5) ?? null,
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

function ordered(name: string, times: readonly number[]): void {
  const wrong = times.findIndex((at, i) => !Number.isFinite(at) || (i > 0 && at < (times[i - 1] as number)));
  if (wrong >= 0)
    throw new CoreError('out-of-range', {
      name: `${name}[${wrong}]`,
      value: times[wrong] ?? null,
      min: null,
    });
}
