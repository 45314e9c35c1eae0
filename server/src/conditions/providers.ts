import type { SavedWater } from '@doceo/contract';
import { LRUCache } from 'lru-cache';
import type { ConditionAnswer, ConditionProvider } from './provider';
import { simulatedStation } from './simulated-station';

/** Who is asked for the conditions of a water: the first that covers it and answers. The last one covers all that lie somewhere. */
const CONDITION_PROVIDERS: readonly ConditionProvider[] = [simulatedStation];

/** The answer for a water that nobody covers, since nobody has said where it lies. */
const NOBODY: ConditionAnswer = { hours: [], source: 'nobody', simulated: false };

/** How long a provider may take, milliseconds. */
const TIMEOUT_MS = 4000;
/** How long an answer is good for, milliseconds, and how many are kept. */
const KEPT_MS = 10 * 60_000;
const KEPT_ANSWERS = 2000;

export type ConditionsOf = (water: SavedWater, fromMs: number, count: number) => Promise<ConditionAnswer>;

/**
 * Conditions of a water from these providers. One that is late, fails or has nothing is passed over for the next.
 *
 * @throws what the last provider threw, when none answered
 */
export function conditionsFrom(
  providers: readonly ConditionProvider[] = CONDITION_PROVIDERS,
  timeoutMs = TIMEOUT_MS,
): ConditionsOf {
  const kept = new LRUCache<string, ConditionAnswer>({ max: KEPT_ANSWERS, ttl: KEPT_MS });
  return async (water, fromMs, count) => {
    // A water that moved, or became of another kind, has other weather.
    const { kind, latitude, longitude } = water.water;
    const key = JSON.stringify([water.id, kind, latitude, longitude, fromMs, count]);
    const known = kept.get(key);
    if (known) return known;
    if (!providers.some((one) => one.covers(water))) return NOBODY;
    let failure: unknown;
    for (const [i, provider] of providers.entries()) {
      if (!provider.covers(water)) continue;
      try {
        const hours = await inTime(timeoutMs, (signal) => provider.hours(water, fromMs, count, signal));
        const answer = { hours, source: provider.source, simulated: provider.simulated };
        // One that stands in for another is asked again: the other may be back.
        if (i === providers.findIndex((first) => first.covers(water))) kept.set(key, answer);
        return answer;
      } catch (error) {
        failure = error;
      }
    }
    throw failure;
  };
}

/** The work's result, or its end when the time is over. */
function inTime<T>(timeoutMs: number, work: (signal: AbortSignal) => Promise<T>): Promise<T> {
  const signal = AbortSignal.timeout(timeoutMs);
  return new Promise((resolve, reject) => {
    signal.addEventListener('abort', () => reject(signal.reason as Error));
    work(signal).then(resolve, reject);
  });
}
