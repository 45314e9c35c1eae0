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
import { BESIDE, COLUMN, type Layout, layoutFor, MAIN, type ReachLabel, ROW } from './layout';
import { bankLines, bend, type Course, ribbon, windingCourse } from './ribbon';

interface Point {
  x: number;
  y: number;
}

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
  label: ReachLabel;
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
  /** What the four make together; null where it was not asked for. */
  river: { path: string; x: number; y: number; ready: number; of: number } | null;
  /** Prerequisites that are not the reach just before, as thin lines. */
  rests: { from: string; to: string; path: string }[];
}

/** Half the width of the narrowest flow, pixels, and what of the bed the widest one takes that is still learning. */
const MIN = 3;
const LEARNING_SHARE = 0.5;

/** Least reaches a column has room for, so that a short one is not squeezed. */
const LEAST = 4;

/**
 * The record as four streams that join: each skill a reach that is full when the student has it, a narrow flow between
 * its banks while he learns it, and two banks without water while nobody has seen it; with what was won or lost since an
 * earlier state.
 *
 * @param river whether the four flow into a river that says how many of the skills he has
 */
export function drawSkillMap(
  skills: readonly Skill[],
  state: SkillState,
  then: SkillState | null,
  place: 'desk' | 'phone',
  river = true,
): SkillMap {
  const skillsOf = (strand: Strand): Skill[] => skills.filter((skill) => skill.strand === strand);
  const most = (strands: readonly Strand[]): number =>
    Math.max(LEAST, ...strands.map((strand) => skillsOf(strand).length));
  const [longest, beside] = [most(MAIN), most(BESIDE)];
  const layout = layoutFor(place, { longest, beside, river });
  const streams = (Object.keys(layout.starts) as Strand[])
    .filter((strand) => skillsOf(strand).length > 0)
    .map((strand) => streamOf(strand, skillsOf(strand), state, then, layout));
  const taught = streams.filter(({ strand }) => MAIN.includes(strand)).flatMap(({ reaches }) => reaches);
  const ready = taught.filter(({ stage }) => stage === 'has-it').length;
  return {
    width: layout.width,
    height: layout.height,
    streams,
    river: layout.mouth ? { ...riverOf(layout, layout.mouth), ready, of: taught.length } : null,
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
    join:
      layout.mouth && MAIN.includes(strand)
        ? joinOf(strand, course, length, now, layout, layout.mouth)
        : null,
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
  { direction, bed }: Layout,
  mouth: Point,
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

function riverOf({ direction, bed }: Layout, mouth: Point): { path: string; x: number; y: number } {
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
