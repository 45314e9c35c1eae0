import {
  ALONE,
  type Curriculum,
  isShared,
  type PlanBody,
  runningOrder,
  staffLanes,
  strandOf,
} from '@doceo/core';

/** What an adult does, as it is drawn beside the lanes of the students. */
export interface StaffColumn {
  /** `1`, `2` for instructors, `a`, `b` for assistants. */
  mark: string;
  name: string;
  left: number;
  spans: StaffShape[];
}

interface StaffShape {
  key: string;
  top: number;
  left: number;
  width: number;
  height: number;
  /** Number of the line. */
  number: number;
  strandClass: string;
  eyesOn: boolean;
  selected: boolean;
}

/** Width of a column, pixels. */
export const STAFF_PX = 20;
const GAP_PX = 3;

/** Who has which group when, where more than one teaches. */
export function staffColumns(
  plan: PlanBody,
  curriculum: Curriculum,
  pxPerMin: number,
  selectedId: string | null,
): StaffColumn[] {
  if (!isShared(plan.staff ?? ALONE)) return [];
  const numberOf = new Map(
    runningOrder(plan).flatMap(({ number, blocks }) => blocks.map(({ id }) => [id, number] as const)),
  );
  const counts = { instructor: 0, assistant: 0 };
  return staffLanes(plan, curriculum).map(({ who, spans }, column) => {
    counts[who] += 1;
    const left = column * STAFF_PX;
    return {
      mark: who === 'instructor' ? String(counts[who]) : 'abcdefgh'.charAt(counts[who] - 1),
      name: `${who} ${counts[who]}`,
      left,
      spans: spans.map((span): StaffShape => {
        // Groups that one has at once stand beside each other.
        const beside = spans.filter((one) => one.startMin < span.endMin && span.startMin < one.endMin);
        const width = (STAFF_PX - GAP_PX) / beside.length;
        const [block] = span.blocks;
        const strand = block && strandOf(curriculum, block);
        return {
          key: `${block?.id} ${span.startMin}`,
          top: span.startMin * pxPerMin,
          height: (span.endMin - span.startMin) * pxPerMin - 1.5,
          ...{ left: left + beside.indexOf(span) * width, width },
          number: numberOf.get(block?.id ?? '') ?? 0,
          strandClass: strand ? `strand-fill strand-${strand}` : 'rest',
          eyesOn: span.eyesOn,
          selected: span.blocks.some(({ id }) => id === selectedId),
        };
      }),
    };
  });
}

/** `Who has whom: instructor 1 has block 2 from 09:45 to 10:00, eyes on.` For who cannot see the drawing. */
export function staffSpoken(columns: readonly StaffColumn[]): string {
  return columns
    .map(
      ({ name, spans }) =>
        `${name}: ${spans.map(({ number, eyesOn }) => `block ${number}${eyesOn ? ', eyes on' : ''}`).join('; ') || 'free'}`,
    )
    .join('. ');
}
