import { parseLength, type UnitSystem } from '@doceo/core';

/** A length as people type it, metres; null for what is none. */
export function plainLength(text: string, units: UnitSystem): number | null {
  try {
    return parseLength(text, units);
  } catch {
    return null;
  }
}
