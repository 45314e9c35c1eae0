/** Where a group is in its plan, and for whom taps count. */
export interface GroupPlace {
  lessonId: string;
  /** Minutes from the start of the lesson; null goes by the clock. */
  minute: number | null;
  /** None: the first. */
  chosen: string[];
  /** Who stepped out, with the block he is at. */
  out: Record<string, string>;
  /** Whether those of whom others have the care are shown too; in a lesson of several. */
  others?: boolean;
}

/** The place that was kept, if it is one of this lesson; else the beginning. */
export function placeIn(lessonId: string, kept: GroupPlace | null): GroupPlace {
  return kept?.lessonId === lessonId ? kept : { lessonId, minute: null, chosen: [], out: {} };
}
