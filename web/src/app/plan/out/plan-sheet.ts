import {
  type Block,
  type Curriculum,
  curriculumOf,
  drillOf,
  mainSkillOf,
  type OrderRow,
  type PlanBody,
  runningOrder,
  type Strand,
  strandOf,
  textInUnits,
  type UnitSystem,
} from '@doceo/core';
import { counted, planBWhen } from '@doceo/texts';
import { spanText, timeText } from '../../data/lesson/lesson-texts';
import { packingAmount, packingLines, packingSpares } from '../../data/lesson/packing';
import { type CutRow, cutRows, knotRows } from '../../shared/rig/rig-rows';

/** One line of what is done. */
export interface SheetRow {
  id: string;
  /** The blocks that it stands for. */
  blockIds: string[];
  /** `09:30–09:50` on a day, else from its beginning: `0:00–0:20`. */
  time: string;
  minutes: number;
  who: string;
  title: string;
  strand: Strand | null;
  place: string;
  rig: string;
  say: string;
  done: string;
  watch: string;
  note: string;
  /** For students: what good looks like, and how it is done, step by step. */
  good: string;
  how: string[];
}

/** A plan as it is read by somebody: on paper, as a text, behind a link. Nobody is named in it. */
export interface PlanSheet {
  title: string;
  aim: string;
  /** `210 min`, `4 students`, … */
  facts: string[];
  /** Day, time and water, where it has them. */
  when: string;
  light: string;
  rows: SheetRow[];
  planB: { when: string; rows: SheetRow[] } | null;
  rigs: { name: string; cuts: CutRow[]; knots: string[] }[];
  pack: { group: string; lines: { amount: string; name: string; spares: string }[] }[];
  from: string;
}

/** A day that a plan is taught on. */
export interface SheetDay {
  startMs: number;
  zone: string;
  /** `Sat 28 Nov, 09:30–13:00, the Ostrel`. */
  when: string;
  /** `Sun 07:58 to 15:40, last light 16:25`; empty where it is not known. */
  light: string;
}

/** Everything of a plan that somebody else needs to teach it, in words and in his units. */
export function sheetOf(
  { title, body }: { title: string; body: PlanBody },
  shipped: Curriculum,
  units: UnitSystem,
  from: string,
  day: SheetDay | null = null,
): PlanSheet {
  const curriculum = curriculumOf(shipped, body);
  const told = (text: string): string => textInUnits(text, units);
  const row = ({ blocks }: OrderRow): SheetRow => rowOf(blocks, body, curriculum, told, day);
  const packed = packingLines(curriculum, body, [], units);
  const from0 = body.planB?.fromMin ?? 0;
  const since = day ? timeText(day.startMs + from0 * 60_000, day.zone) : clock(from0);
  return {
    ...{ title, from, aim: body.aim, when: day?.when ?? '', light: day?.light ?? '' },
    facts: [
      `${body.lengthMin} min`,
      counted(body.groupSize, 'student'),
      body.level.replaceAll('-', ' '),
      body.waterKind === 'any' ? 'any water' : body.waterKind,
      ...(body.season ? [body.season] : []),
    ],
    rows: runningOrder(body).map(row),
    planB: body.planB
      ? {
          when: `From ${since}, ${planBWhen(body.planB.trigger)}.`,
          rows: runningOrder({ blocks: body.planB.blocks }).map(row),
        }
      : null,
    rigs: body.rigs.map(({ name, rig }) => ({
      name,
      cuts: cutRows(rig, units),
      knots: knotRows(rig, units, null).map((knot) => `${knot.name}, ${knot.joins}`),
    })),
    pack: [...new Set(packed.map(({ group }) => group))].map((group) => ({
      group,
      lines: packed
        .filter((line) => line.group === group)
        .map((line) => ({
          amount: packingAmount(line, units),
          name: line.name,
          spares: packingSpares(line, units),
        })),
    })),
  };
}

/** `1:45` for 105 minutes. */
function clock(minutes: number): string {
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
}

function rowOf(
  blocks: readonly [Block, ...Block[]],
  body: PlanBody,
  curriculum: Curriculum,
  told: (text: string) => string,
  day: SheetDay | null,
): SheetRow {
  const [first] = blocks;
  const drill = drillOf(curriculum, first);
  const lanes = blocks.flatMap(({ lane }) => (lane === null ? [] : [lane + 1]));
  return {
    blockIds: blocks.map(({ id }) => id),
    ...{ id: first.id, title: first.title, strand: strandOf(curriculum, first) },
    time: day
      ? spanText(day.startMs + first.startMin * 60_000, first.durationMin, day.zone)
      : `${clock(first.startMin)}–${clock(first.startMin + first.durationMin)}`,
    minutes: first.durationMin,
    who: lanes.length === 0 ? 'all' : `student ${lanes.join(', ')}`,
    place: first.place === 'anywhere' ? '' : first.place.replace('-', ' '),
    rig: body.rigs.find(({ id }) => id === first.rigId)?.name ?? '',
    say: told(first.cue || (drill?.cue ?? '')),
    done: drill ? told(`${drill.success.good} of ${drill.success.of}: ${drill.success.at}`) : '',
    watch: first.watchFor
      .flatMap((id) => curriculum.faults.find(id)?.short.toLowerCase() ?? [])
      .slice(0, 4)
      .join(', '),
    note: first.note,
    good: drill ? told(curriculum.skills.find(mainSkillOf(drill))?.good ?? '') : '',
    how: (drill?.how ?? []).map(told),
  };
}
