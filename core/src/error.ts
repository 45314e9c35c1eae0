/** Facts that go with an error: the name of the value, the value itself, what would have been allowed. */
export type ErrorFacts = Record<string, string | number | boolean | null>;

export type CoreErrorCode =
  | 'out-of-range'
  | 'unknown-id'
  | 'cycle'
  | 'not-a-number'
  | 'unreadable'
  | 'diverged';

/** Misuse of a core function. `code` is stable; wording for people is made elsewhere from code and facts. */
export class CoreError extends Error {
  constructor(
    readonly code: CoreErrorCode,
    readonly facts: ErrorFacts,
  ) {
    super(`${code}: ${JSON.stringify(facts)}`);
    this.name = 'CoreError';
  }
}

/**
 * Passes a finite number within a range through, refuses any other.
 *
 * @param value the number, in the unit its name says
 * @param min the least that is taken, same unit
 * @param max the most that is taken, same unit; none when left out
 * @throws CoreError 'out-of-range' with name, value and range
 * @returns the number itself
 */
export function inRange(name: string, value: number, min: number, max = Number.POSITIVE_INFINITY): number {
  if (!Number.isFinite(value) || value < min || value > max) {
    throw new CoreError('out-of-range', { name, value, min, max: Number.isFinite(max) ? max : null });
  }
  return value;
}
