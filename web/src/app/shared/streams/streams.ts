import {
  READY,
  type Skill,
  type SkillEstimate,
  type SkillStage,
  skillStage,
  type SkillState,
  type Strand,
} from '@doceo/core';
import { STRAND_NAMES } from '@doceo/texts';
import { bankLines, bend, type Course, ribbon, windingCourse } from './ribbon';

export interface Reach {
  skill: Skill;
  stage: SkillStage;
  attempts: number;
  goods: number;
  /** The stage at the moment compared with, when it was another. */
  was: SkillStage | null;
  /** The whole bed for what a student has, a narrow flow for what he learns, nothing for what nobody saw. */
  fill: string;
  /** What was won and lost since the moment compared with. */
  won: string;
  lost: string;
  /** Whole bed, which is what one touches, and its two banks. */
  bed: string;
  banks: string;
  hit: { x: number; y: number; width: number; height: number };
  /** Where it begins across the stream. */
  gate: { x1: number; y1: number; x2: number; y2: number };
  middle: { x: number; y: number };
  label: { x: number; y: number; lines: string[]; tick: { y1: number; y2: number } | null };
}

export interface Stream {
  strand: Strand;
  name: string;
  title: { x: number; y: number };
  reaches: Reach[];
  /** From the last reach into the river all streams make; null where a strand runs beside. */
  join: { fill: string; banks: string } | null;
}

export interface SkillMap {
  width: number;
  height: number;
  streams: Stream[];
  river: { path: string; x: number; y: number; ready: number; of: number };
  /** Prerequisites that are not the reach just before, as thin lines. */
  rests: { from: string; to: string; path: string }[];
}

interface Layout {
  direction: 'right' | 'down';
  width: number;
  height: number;
  /** Half the bed's width. */
  bed: number;
  swing: number;
  starts: Record<Strand, { x: number; y: number; length: number }>;
  mouth: { x: number; y: number };
  label: (place: { x: number; y: number }, index: number, name: string, step: number) => Reach['label'];
}

const MAIN: Strand[] = ['casting', 'rigging', 'hook-setting', 'water'];
const BESIDE: Strand[] = ['safety', 'fish-care'];
/** Half the width of the narrowest flow, pixels, and what of the bed the widest one takes that is still learning. */
const MIN = 3;
const LEARNING_SHARE = 0.5;
const ROW = 126;
const FIRST_ROW = 86;
const COLUMN = 92;
/** Where the first column stands on a phone, with room for the lines beside it. */
const LEFT = 18;
const STEP = 50;
const LINE = 12;
/** Mean width of a letter on the desk, pixels. */
const LETTER = 6.2;

/** Least reaches a column of a phone has room for, so that a short one is not squeezed. */
const LEAST = 4;
/** Least width of a reach on the desk, pixels. */
const DESK_STEP = 45;

/**
 * @param longest reaches of the longest strand: with many the drawing grows wider, for one finger must part two of them
 */
const desk = (longest: number): Layout => {
  const length = Math.max(776, longest * DESK_STEP);
  const more = length - 776;
  return {
    direction: 'right',
    width: 960 + more,
    height: FIRST_ROW + 4 * ROW + 48,
    bed: 20,
    swing: 4,
    starts: {
      casting: { x: 4, y: FIRST_ROW, length },
      rigging: { x: 4, y: FIRST_ROW + ROW, length },
      'hook-setting': { x: 4, y: FIRST_ROW + 2 * ROW, length },
      water: { x: 4, y: FIRST_ROW + 3 * ROW, length },
      safety: { x: 4, y: FIRST_ROW + 4 * ROW, length: 440 + more / 2 },
      'fish-care': { x: 500 + more / 2, y: FIRST_ROW + 4 * ROW, length: 380 + more / 2 },
    },
    mouth: { x: 850 + more, y: FIRST_ROW + 1.5 * ROW },
    label: ({ x, y }, index, name, step) => {
      const high = index % 2 === 1;
      // A label has the width of two reaches, since the next one stands at the other height.
      const lines = wrap(name, Math.floor((2 * step) / LETTER) - 1);
      const bottom = y - (high ? 52 : 28);
      return {
        x: Math.max(x, (Math.max(...lines.map(({ length }) => length)) * LETTER) / 2),
        y: bottom - (lines.length - 1) * LINE,
        lines,
        tick: high ? { y1: bottom + 4, y2: y - 22 } : null,
      };
    },
  };
};

/**
 * @param longest reaches of the longest of the four strands
 * @param beside reaches of the longer of the two that run beside
 */
const phone = (longest: number, beside: number): Layout => ({
  direction: 'down',
  width: LEFT + 4 * COLUMN,
  height: 34 + longest * STEP + 160 + beside * STEP + 6,
  bed: 9,
  swing: 2,
  starts: {
    casting: { x: LEFT, y: 34, length: longest * STEP },
    rigging: { x: LEFT + COLUMN, y: 34, length: longest * STEP },
    'hook-setting': { x: LEFT + 2 * COLUMN, y: 34, length: longest * STEP },
    water: { x: LEFT + 3 * COLUMN, y: 34, length: longest * STEP },
    safety: { x: LEFT, y: 34 + longest * STEP + 160, length: beside * STEP },
    'fish-care': { x: LEFT + 2 * COLUMN, y: 34 + longest * STEP + 160, length: beside * STEP },
  },
  mouth: { x: LEFT + 1.9 * COLUMN, y: 34 + longest * STEP + 66 },
  label: ({ x, y }, _index, name) => {
    const lines = wrapNarrow(name, 11);
    return { x: x + 14, y: y + 4 - ((lines.length - 1) * LINE) / 2, lines, tick: null };
  },
});

/**
 * The record as four streams that join: each skill a reach that is full when the student has it, a narrow flow between
 * its banks while he learns it, and two banks without water while nobody has seen it; with what was won or lost since an
 * earlier state.
 */
export function drawSkillMap(
  skills: readonly Skill[],
  state: SkillState,
  then: SkillState | null,
  place: 'desk' | 'phone',
): SkillMap {
  const skillsOf = (strand: Strand): Skill[] => skills.filter((skill) => skill.strand === strand);
  const most = (strands: readonly Strand[]): number =>
    Math.max(LEAST, ...strands.map((strand) => skillsOf(strand).length));
  const [longest, beside] = [most(MAIN), most(BESIDE)];
  const layout = place === 'desk' ? desk(Math.max(longest, 1.8 * beside)) : phone(longest, beside);
  const streams = (Object.keys(layout.starts) as Strand[])
    .filter((strand) => skillsOf(strand).length > 0)
    .map((strand) => streamOf(strand, skillsOf(strand), state, then, layout));
  const taught = streams.filter(({ join }) => join).flatMap(({ reaches }) => reaches);
  const ready = taught.filter(({ stage }) => stage === 'has-it').length;
  return {
    width: layout.width,
    height: layout.height,
    streams,
    river: { ...riverOf(layout), ready, of: taught.length },
    rests: restsOf(streams, layout),
  };
}

function streamOf(
  strand: Strand,
  skills: readonly Skill[],
  state: SkillState,
  then: SkillState | null,
  layout: Layout,
): Stream {
  const { x, y, length } = layout.starts[strand];
  const row = Object.keys(layout.starts).indexOf(strand);
  const course = windingCourse({ x, y }, layout.direction, row * 1.3, layout.swing);
  const step = length / skills.length;
  const widths = (of: SkillState): ((along: number) => number) => {
    const halves = skills.map(({ id }) => halfWidth(of[id], layout.bed));
    return (along) => between(halves, along / step - 0.5);
  };
  const now = widths(state);
  const before = then ? widths(then) : now;
  const bed = (): number => layout.bed;
  const reaches = skills.map((skill, index): Reach => {
    const [from, to] = [step * index, step * (index + 1)];
    const middle = course((from + to) / 2);
    const start = course(from);
    const draw = (outer: (along: number) => number, inner?: (along: number) => number): string =>
      ribbon(course, from, to, outer, inner);
    const stage = stageOf(state[skill.id]);
    const was = then ? stageOf(then[skill.id]) : stage;
    return {
      skill,
      stage,
      attempts: state[skill.id]?.attempts ?? 0,
      goods: state[skill.id]?.goods ?? 0,
      was: was === stage ? null : was,
      fill: draw(now),
      won: draw((along) => Math.max(now(along), before(along)), before),
      lost: draw((along) => Math.max(now(along), before(along)), now),
      bed: draw(bed),
      banks: bankLines(course, from, to, bed),
      hit:
        layout.direction === 'right'
          ? { x: x + from, y: y - 62, width: step, height: 90 }
          : { x: x - 12, y: y + from, width: COLUMN, height: step },
      gate: {
        x1: start.x - start.acrossX * layout.bed,
        y1: start.y - start.acrossY * layout.bed,
        x2: start.x + start.acrossX * layout.bed,
        y2: start.y + start.acrossY * layout.bed,
      },
      middle,
      label: layout.label(middle, index, skill.name, step),
    };
  });
  return {
    strand,
    name: STRAND_NAMES[strand],
    title: layout.direction === 'right' ? { x, y: y + layout.bed + 20 } : { x: x - 10, y: y - 12 },
    reaches,
    join: MAIN.includes(strand) ? joinOf(strand, course, length, now, layout) : null,
  };
}

function stageOf(estimate: SkillEstimate | undefined): SkillStage {
  return estimate ? skillStage(estimate) : 'not-seen';
}

/** Half the width of the water of a skill, pixels, of a bed that is so wide. */
function halfWidth(estimate: SkillEstimate | undefined, bed: number): number {
  const stage = stageOf(estimate);
  if (stage === 'not-seen' || !estimate) return 0;
  if (stage === 'has-it') return bed;
  return MIN + (LEARNING_SHARE * bed - MIN) * Math.min(1, estimate.mastery / READY);
}

/** From the end of a stream into its own quarter of the river's mouth. */
function joinOf(
  strand: Strand,
  course: Course,
  length: number,
  now: (along: number) => number,
  { direction, mouth, bed }: Layout,
): { fill: string; banks: string } {
  const quarter = bed / 2 + 2;
  const slot = (MAIN.indexOf(strand) - 1.5) * quarter;
  const to = direction === 'right' ? { x: mouth.x, y: mouth.y + slot } : { x: mouth.x + slot, y: mouth.y };
  const way = bend(course(length), to, direction);
  const half = now(length);
  const narrowing = (start: number, end: number) => (along: number) => start + (end - start) * along;
  return {
    fill: ribbon(way, 0, 1, narrowing(half, (half / bed) * (quarter / 2))),
    banks: bankLines(way, 0, 1, narrowing(bed, quarter / 2)),
  };
}

function riverOf({ direction, mouth, bed }: Layout): { path: string; x: number; y: number } {
  const half = bed + 4;
  const length = direction === 'right' ? 104 : 70;
  const end =
    direction === 'right' ? { x: mouth.x + length, y: mouth.y } : { x: mouth.x, y: mouth.y + length };
  const widening = (along: number): number => half + 6 * along + (direction === 'down' ? 52 * along : 0);
  return {
    path: ribbon(bend(mouth, end, direction), 0, 1, widening),
    x: (mouth.x + end.x) / 2,
    y: direction === 'right' ? mouth.y : mouth.y + 0.7 * length,
  };
}

/** Thin lines below the streams from a skill to one that rests on it and does not follow it at once. */
function restsOf(streams: readonly Stream[], { direction, bed }: Layout): SkillMap['rests'] {
  const reaches = new Map(
    streams.flatMap((stream) => stream.reaches.map((reach) => [reach.skill.id, reach])),
  );
  return streams.flatMap(({ reaches: own }) =>
    own.flatMap((reach, index) =>
      reach.skill.needs
        .filter((need) => own[index - 1]?.skill.id !== need)
        .flatMap((need) => {
          const from = reaches.get(need)?.middle;
          return from
            ? [{ from: need, to: reach.skill.id, path: arc(from, reach.middle, direction, bed) }]
            : [];
        }),
    ),
  );
}

function arc(
  from: { x: number; y: number },
  to: { x: number; y: number },
  direction: 'right' | 'down',
  bed: number,
): string {
  if (direction === 'down') {
    const side = from.x === to.x || Math.abs(from.x - to.x) < COLUMN / 2 ? -bed - 3 : 0;
    return `M${from.x + side} ${from.y}C${from.x + side * 1.3} ${from.y} ${to.x + side * 1.3} ${to.y} ${to.x + side} ${to.y}`;
  }
  const [y1, y2] = [from.y + bed, to.y + (Math.abs(from.y - to.y) < ROW / 2 ? bed : -bed)];
  const sag = Math.abs(from.y - to.y) < ROW / 2 ? 10 + Math.min(16, Math.abs(to.x - from.x) / 14) : 30;
  return `M${from.x} ${y1}C${from.x} ${y1 + sag} ${to.x} ${y2 + (y2 > y1 + bed ? -sag : sag)} ${to.x} ${y2}`;
}

/** A width that runs smoothly from each reach into its neighbours; `at` counts reaches. */
function between(halves: readonly number[], at: number): number {
  const value = (i: number): number => halves[Math.min(halves.length - 1, Math.max(0, i))] as number;
  const from = Math.floor(at);
  const share = at - from;
  const smooth = share * share * (3 - 2 * share);
  return value(from) * (1 - smooth) + value(from + 1) * smooth;
}

/** Words in at most two lines of about this many letters. */
function wrap(text: string, most: number): string[] {
  if (text.length <= most) return [text];
  const words = text.split(' ');
  let first = '';
  while (words.length > 1 && `${first} ${words[0]}`.trim().length <= Math.max(most, text.length / 2))
    first = `${first} ${words.shift()}`.trim();
  return [first || (words.shift() ?? ''), words.join(' ')].filter(Boolean);
}

/** Words in as many lines as it takes; a hyphen may end one. */
function wrapNarrow(text: string, most: number): string[] {
  return text.split(/ |(?<=-)/).reduce<string[]>((lines, word) => {
    const last = lines.at(-1);
    if (last === undefined) return [word];
    const joined = last.endsWith('-') ? last + word : `${last} ${word}`;
    return joined.length <= most ? [...lines.slice(0, -1), joined] : [...lines, word];
  }, []);
}
