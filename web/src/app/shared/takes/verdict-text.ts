import type { Verdict } from './trainer-run';

/** What is said at once of a set, or of a take that went by. */
export function verdictText(verdict: Verdict): string {
  switch (verdict.kind) {
    case 'hit':
      return `on, after ${(verdict.tookMs / 1000).toFixed(2)} s`;
    case 'bottom':
      return 'bottom: right to set';
    case 'false':
      return 'that was the water';
    case 'nothing':
      return 'nothing there';
    case 'missed':
      return 'a take went by';
  }
}
