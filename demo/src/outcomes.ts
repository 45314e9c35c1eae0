import type { DrillOutcome } from '@doceo/core';
import { CLUB, EVENING_CLASS } from './people';

/** What a school’s students rose by in a drill: how many of how many lessons, mean and spread as shares. */
type Seen = [drillId: string, students: number, lessons: number, mean: number, spread: number];

const CLUB_SAW: Seen[] = [
  ['count-the-pause', 14, 6, 0.31, 0.2],
  ['lay-it-down', 9, 4, 0.22, 0.18],
  ['set-on-anything', 8, 3, 0.36, 0.22],
  ['find-the-seam', 6, 3, 0.19, 0.16],
  // Too few: it is neither shown nor counted.
  ['stop-and-say', 4, 2, 0.4, 0.2],
];
const CLASS_SAW: Seen[] = [
  ['count-the-pause', 11, 5, 0.18, 0.21],
  ['lay-it-down', 7, 3, 0.3, 0.19],
  ['set-on-anything', 12, 5, 0.28, 0.2],
  ['find-the-seam', 10, 4, 0.15, 0.17],
];

const sums = ([drillId, students, lessons, mean, spread]: Seen): DrillOutcome => ({
  ...{ drillId, students, lessons, riseSum: students * mean },
  riseSquares: students * mean ** 2 + (students - 1) * spread ** 2,
});

/** What two more schools tell of their lessons; the first one’s is added up from its own records. */
export const DEMO_OUTCOMES = [
  { circleId: CLUB.id, outcomes: CLUB_SAW.map(sums) },
  { circleId: EVENING_CLASS.id, outcomes: CLASS_SAW.map(sums) },
];
