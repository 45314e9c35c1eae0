import type { PlanStudent } from '../rules/rule';

export const SPLITS = ['readiness', 'mixed'] as const;
/** Those alike together, or stronger with weaker. */
export type SplitBy = (typeof SPLITS)[number];

export interface SplitWish {
  /** How many groups, from 1 to the number of students. */
  groups: number;
  by: SplitBy;
  /** Whether left hands stay together, so that they can copy each other. */
  leftTogether: boolean;
  /** What a skill counts for who is ready; 1 where nothing is said. */
  goals?: Readonly<Record<string, number>>;
}

/**
 * How ready a student is: the mean of what he masters, by what each skill counts.
 *
 * @returns 0…1
 */
export function readiness({ skills }: PlanStudent, goals: Readonly<Record<string, number>> = {}): number {
  let [sum, weight] = [0, 0];
  for (const [id, { mastery }] of Object.entries(skills)) {
    const counts = goals[id] ?? 1;
    sum += counts * mastery;
    weight += counts;
  }
  return weight === 0 ? 0 : sum / weight;
}

/**
 * Groups of a class, none larger by more than one than another: by readiness those alike stand together, mixed each group
 * has its share of the strong. Left hands that are to stay together change places with those most like them.
 */
export function groupSplit(
  students: readonly PlanStudent[],
  { groups, by, leftTogether, goals = {} }: SplitWish,
): PlanStudent[][] {
  const count = Math.max(1, Math.min(groups, students.length));
  const ready = new Map(students.map((student) => [student.id, readiness(student, goals)]));
  const of = ({ id }: PlanStudent): number => ready.get(id) ?? 0;
  const ordered = [...students].sort((a, b) => of(b) - of(a) || (a.id < b.id ? -1 : 1));
  const parts: PlanStudent[][] = Array.from({ length: count }, () => []);
  ordered.forEach((student, i) =>
    parts[by === 'mixed' ? snake(i, count) : share(i, ordered.length, count)]!.push(student),
  );
  if (leftTogether) gatherLeft(parts, of);
  return parts.filter((part) => part.length > 0);
}

/** 0 1 2 2 1 0 0 1 2 …: the first of each round is the last of the next. */
function snake(i: number, count: number): number {
  const at = i % (2 * count);
  return at < count ? at : 2 * count - 1 - at;
}

/** The first groups are the larger ones. */
function share(i: number, students: number, count: number): number {
  const size = Math.floor(students / count);
  const larger = students % count;
  const inLarger = larger * (size + 1);
  return i < inLarger ? Math.floor(i / (size + 1)) : larger + Math.floor((i - inLarger) / size);
}

function isLeft({ needs = [] }: PlanStudent): boolean {
  return needs.includes('left-hand');
}

/** Left hands go to the group that has most of them, as many as it has room for. */
function gatherLeft(parts: PlanStudent[][], ready: (student: PlanStudent) => number): void {
  const lefts = (part: readonly PlanStudent[]): number => part.filter(isLeft).length;
  const home = parts.reduce((most, part) => (lefts(part) > lefts(most) ? part : most), parts[0]!);
  for (const part of parts) {
    if (part === home) continue;
    for (const [i, student] of part.entries()) {
      if (!isLeft(student)) continue;
      const others = home.filter((one) => !isLeft(one));
      if (others.length === 0) return;
      const nearest = others.reduce((a, b) =>
        Math.abs(ready(b) - ready(student)) < Math.abs(ready(a) - ready(student)) ? b : a,
      );
      home[home.indexOf(nearest)] = student;
      part[i] = nearest;
    }
  }
}
