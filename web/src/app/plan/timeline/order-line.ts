import { type Curriculum, type OrderRow, type PlanBody, type RowChange, strandOf } from '@doceo/core';
import { changeTag } from '@doceo/texts';
import { isPlace, type Lane, shortName } from './lanes';

/** A line of the running order: what it is of, what becomes of it, and whether it goes. */
export interface OrderLine {
  row: OrderRow;
  change: RowChange;
  gone: boolean;
}

/** What is known of the day besides the line. */
export interface LineContext {
  curriculum: Curriculum;
  plan: PlanBody;
  lanes: readonly Lane[];
  selectedId: string | null;
  /** Blocks with a problem, and those that differ in more than their time. */
  flagged: ReadonlySet<string>;
  touched: ReadonlySet<string>;
  /** Blocks below whose line something is settled. */
  islands: { has: (id: string) => boolean };
  /** Of blocks that go why, where it is known. */
  whyGone: ReadonlyMap<string, string> | null;
  /** Whether several are told by the letters that stand above their lanes, since there is no room for their names. */
  short: boolean;
  /** A minute of the lesson as it is told. */
  clock: (minutes: number) => string;
}

/** A line of the running order as it is drawn. */
export interface DrawnLine {
  row: OrderRow;
  key: string;
  ids: string;
  islands: string[];
  strandClass: string;
  time: string;
  who: string;
  where: string;
  line: string;
  selected: boolean;
  gone: boolean;
  tag: string;
  locked: boolean;
  flagged: boolean;
  spoken: string;
}

export function drawnLine({ row, change, gone }: OrderLine, context: LineContext): DrawnLine {
  const { curriculum, plan, lanes, selectedId, touched, islands, clock } = context;
  const [block] = row.blocks;
  const strand = strandOf(curriculum, block);
  const why = gone ? (context.whyGone?.get(block.id) ?? '') : '';
  const flagged = row.blocks.some(({ id }) => context.flagged.has(id));
  const isTouched = !gone && row.blocks.some(({ id }) => touched.has(id));
  const who = whoOf(row, lanes, context.short);
  const names = whoOf(row, lanes, false);
  return {
    row,
    // Whoever else comes to do it, it is the same line: what is drawn of it stays.
    key: `${gone ? 'gone ' : ''}${block.id}`,
    ids: row.blocks.map(({ id }) => id).join(' '),
    islands: gone ? [] : row.blocks.filter(({ id }) => islands.has(id)).map(({ id }) => id),
    strandClass: strand ? `strand-fill strand-${strand}` : 'rest',
    time: clock(block.startMin),
    who,
    where: [
      block.place === 'anywhere' ? '' : block.place.replace('-', ' '),
      plan.rigs.find(({ id }) => id === block.rigId)?.name ?? '',
    ]
      .filter(Boolean)
      .join(', '),
    line: why || block.cue || block.note,
    selected: !gone && row.blocks.some(({ id }) => id === selectedId),
    gone,
    tag: changeTag(change) || (isTouched ? 'changed' : ''),
    locked: row.blocks.some(({ locked }) => locked),
    flagged,
    spoken: [
      who === names ? '' : names,
      `${block.durationMin} minutes`,
      strand ?? '',
      flagged ? 'has a problem' : '',
      block.locked ? 'locked' : '',
      gone ? ['goes', why].filter(Boolean).join(': ') : changeTag(change),
    ]
      .filter(Boolean)
      .join(', '),
  };
}

function whoOf({ blocks }: OrderRow, lanes: readonly Lane[], short: boolean): string {
  const names = blocks.flatMap(({ lane }) => (lane === null ? [] : (lanes[lane]?.name ?? '')));
  if (names.length === 0 || names.length === lanes.length) return 'all';
  if (names.length === 1) return names[0]!;
  const told = (some: readonly string[]): string => some.map(shortName).join(', ');
  const others = lanes.flatMap(({ name }) => (names.includes(name) ? [] : name));
  if (short && others.length < names.length) return `not ${told(others)}`;
  if (names.length > 2 && others.length < names.length && !others.some(isPlace))
    return `all but ${others.join(', ')}`;
  // Places without anybody are told by their numbers.
  return short || names.every(isPlace) ? told(names) : names.join(', ');
}
