import type { HomeEntry, StudentPage } from '@doceo/contract';

/** What this device keeps of a page: how it was last, what was done and not sent, and which questions were answered. */
export interface Kept {
  page: StudentPage | null;
  entries: HomeEntry[];
  answered: string[];
  /** How often it was sent, for the words at the end of the page. */
  sentAt: number | null;
}

export const NOTHING: Kept = { page: null, entries: [], answered: [], sentAt: null };

/** So much of the token names its place and opens nothing. */
const placeOf = (token: string): string => `doceo.my.${token.slice(0, 6)}`;

/** What the device kept; nothing where it keeps nothing, or what cannot be read. */
export function readKept(token: string): Kept {
  try {
    const text = localStorage.getItem(placeOf(token));
    return text === null ? NOTHING : { ...NOTHING, ...(JSON.parse(text) as Partial<Kept>) };
  } catch {
    return NOTHING;
  }
}

/** @returns false where the device has no room for it, or keeps nothing */
export function keep(token: string, kept: Kept): boolean {
  try {
    localStorage.setItem(placeOf(token), JSON.stringify(kept));
    return true;
  } catch {
    return false;
  }
}

export function forget(token: string): void {
  try {
    localStorage.removeItem(placeOf(token));
  } catch {
    // A device that keeps nothing has nothing to forget.
  }
}
