import { type Curriculum, type PlanB, runningOrder, strandOf } from '@doceo/core';

/** A line of a plan B, known by a letter where the plan's own lines have numbers. */
export interface PlanBRow {
  letter: string;
  title: string;
  place: string;
  cue: string;
  startMin: number;
  durationMin: number;
  /** Places in the group; none for everybody. */
  lanes: number[];
  strandClass: string;
}

/** The lines of a plan B in the order in which they are taught. */
export function planBRows(curriculum: Curriculum, { blocks }: PlanB): PlanBRow[] {
  return runningOrder({ blocks }).map(({ number, blocks: [first, ...more] }) => {
    const strand = strandOf(curriculum, first);
    return {
      letter: String.fromCharCode(96 + Math.min(26, number)),
      title: first.title,
      place: first.place === 'anywhere' ? '' : first.place.replace('-', ' '),
      cue: first.cue,
      startMin: first.startMin,
      durationMin: first.durationMin,
      lanes: [first, ...more].flatMap(({ lane }) => (lane === null ? [] : [lane])),
      strandClass: strand ? `strand-fill strand-${strand}` : 'rest',
    };
  });
}
