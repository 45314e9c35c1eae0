import { inOrder } from '../skill';
import type { BankEvent, BankEventBody } from './event';
import { overviewOf } from './evidence-of';

/**
 * What counts of one student's record, column by column: what is the same of many entries stands once. A fifth of what
 * the entries take. Without the device and the block, which no estimate asks for.
 */
export interface RecordColumns {
  lessons: string[];
  bodies: BankEventBody[];
  /** One entry a place, in the order of time, in each of those below. */
  ids: string[];
  /** Milliseconds after the entry before; the first since 1970. */
  afterMs: number[];
  /** Places in `lessons` and in `bodies`, from 0. */
  lesson: number[];
  body: number[];
}

/**
 * Attempts, tangles, incidents, and what other entries say of skills, in columns.
 *
 * @param events of one student, as they came: taken back ones too, in any order
 */
export function toColumns(events: readonly BankEvent[]): RecordColumns {
  const lessons = new Places<string>();
  const bodies = new Places<BankEventBody>();
  const standing = inOrder(overviewOf(events));
  return {
    ids: standing.map(({ id }) => id),
    afterMs: standing.map(({ atMs }, i) => atMs - (standing[i - 1]?.atMs ?? 0)),
    lesson: standing.map(({ lessonId }) => lessons.of(lessonId)),
    body: standing.map(({ body }) => bodies.of(body)),
    lessons: lessons.all,
    bodies: bodies.all,
  };
}

/** The same of several students, each with his columns; entries of the whole group are left out. */
export function columnsByStudent(
  events: readonly BankEvent[],
): { studentId: string; columns: RecordColumns }[] {
  const byStudent = new Map<string, BankEvent[]>();
  for (const event of events) {
    if (event.studentId === null) continue;
    byStudent.set(event.studentId, [...(byStudent.get(event.studentId) ?? []), event]);
  }
  return [...byStudent].map(([studentId, own]) => ({ studentId, columns: toColumns(own) }));
}

/** The entries that columns were made of, in the order of time; `toColumns` of them gives the same columns. */
export function fromColumns(studentId: string, columns: RecordColumns): BankEvent[] {
  let atMs = 0;
  return columns.ids.map((id, i) => {
    atMs += columns.afterMs[i] ?? 0;
    return {
      ...{ id, studentId, atMs, deviceId: '', blockId: null },
      lessonId: columns.lessons[columns.lesson[i] ?? -1] ?? '',
      body: columns.bodies[columns.body[i] ?? -1] as BankEventBody,
    };
  });
}

/** Ids of all skills, drills and faults that the entries name. */
export function namedIn({ bodies }: RecordColumns): string[] {
  const ids = bodies.flatMap((body) =>
    body.kind === 'attempt' ? [body.skillId, body.drillId, body.faultId].filter((id) => id !== null) : [],
  );
  return [...new Set(ids)].sort();
}

/** Things that are the same have one place. */
class Places<T> {
  readonly all: T[] = [];
  private readonly places = new Map<string, number>();

  of(thing: T): number {
    const key = JSON.stringify(thing);
    const found = this.places.get(key);
    if (found !== undefined) return found;
    this.places.set(key, this.all.length);
    return this.all.push(thing) - 1;
  }
}
