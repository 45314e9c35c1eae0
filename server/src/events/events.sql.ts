import { inShape, shapeOf } from '@doceo/contract';
import type { BankEvent, BankEventBody } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';
import { raiseRecords } from '../records/records.sql';
import { OPEN_ACCESS } from '../students/access.sql';

export interface EventRow {
  id: string;
  lesson_id: string;
  student_id: string | null;
  block_id: string | null;
  device_id: string;
  at_ms: number;
  clock_ahead_ms: number;
  shape: number;
  body: string;
}

export const EVENT_COLUMNS =
  'id, lesson_id, student_id, block_id, device_id, at_ms, clock_ahead_ms, shape, body';

export function toEvent(row: EventRow): BankEvent {
  return {
    id: row.id,
    lessonId: row.lesson_id,
    studentId: row.student_id,
    blockId: row.block_id,
    deviceId: row.device_id,
    atMs: Number(row.at_ms),
    ...(Number(row.clock_ahead_ms) === 0 ? {} : { clockAheadMs: Number(row.clock_ahead_ms) }),
    body: inShape('event', row.shape, JSON.parse(row.body)) as BankEventBody,
  };
}

/** Entries that are read and told within a few milliseconds. */
const FEW = 1000;

/** Whether there are so many entries of these that it takes long to read them; uses events_lesson and events_student. */
export async function hasManyEvents(
  db: Db,
  of: 'lesson_id' | 'student_id',
  ids: readonly string[],
): Promise<boolean> {
  if (ids.length === 0) return false;
  const [found] = await rows<{ n: number }>(
    db,
    `SELECT COUNT(*) AS n FROM (SELECT 1 FROM events WHERE ${of} IN (?) LIMIT ${FEW + 1}) few`,
    [ids],
  );
  return Number(found?.n) > FEW;
}

/** Entries that are read with one statement: more would hold the database, and whoever tells them, too long. */
const PAGE = 2000;

/**
 * Entries in the order the server got them, a page at a time, so that no statement takes long. What is saved in between
 * may be missing, also before what is there.
 *
 * @param where a condition on the entry `e`, which an index with seq finds
 */
async function findPaged(db: Db, where: string, values: readonly unknown[]): Promise<BankEvent[]> {
  const found: BankEvent[] = [];
  for (let page: (EventRow & { seq: number })[], after = 0; ; after = Number(page.at(-1)?.seq)) {
    page = await rows(
      db,
      `SELECT seq, ${EVENT_COLUMNS} FROM events e WHERE ${where} AND seq > ? ORDER BY seq LIMIT ${PAGE}`,
      [...values, after],
    );
    for (const row of page) found.push(toEvent(row));
    if (page.length < PAGE) return found;
  }
}

/**
 * Events of a lesson in the order the server got them, without those of students whom the user may not see any more; uses
 * events_lesson.
 */
export function findEventsOfLesson(db: Db, userId: string, lessonId: string): Promise<BankEvent[]> {
  return findPaged(
    db,
    `lesson_id = ? AND (student_id IS NULL
       OR EXISTS (SELECT 1 FROM students s WHERE s.id = e.student_id AND s.owner_id = ?)
       OR EXISTS (SELECT 1 FROM student_access a
                  WHERE a.student_id = e.student_id AND a.user_id = ? AND ${OPEN_ACCESS}))`,
    [lessonId, userId, userId],
  );
}

/** Events of a student in the order the server got them; uses events_student. */
export function findEventsOfStudent(db: Db, studentId: string): Promise<BankEvent[]> {
  return findPaged(db, 'student_id = ?', [studentId]);
}

/** Entries of some kinds of these students; uses events_student. */
async function findOfKinds(db: Db, studentIds: readonly string[], kinds: string): Promise<BankEvent[]> {
  return studentIds.length === 0 ? [] : findPaged(db, `student_id IN (?) AND ${kinds}`, [studentIds]);
}

/** Entries of these students that say something of skills, and what was taken back. */
export function findCountingEvents(db: Db, studentIds: readonly string[]): Promise<BankEvent[]> {
  return findOfKinds(db, studentIds, "kind NOT IN ('note', 'sentence', 'lane', 'tried')");
}

/** Attempts of these students and what was taken back. */
export function findAttemptEvents(db: Db, studentIds: readonly string[]): Promise<BankEvent[]> {
  return findOfKinds(db, studentIds, "kind IN ('attempt', 'undo')");
}

/** Which of these ids are stored, and for which lesson; uses events_id. */
export async function findEventLessons(db: Db, ids: string[]): Promise<Map<string, string>> {
  if (ids.length === 0) return new Map();
  const found = await rows<{ id: string; lesson_id: string }>(
    db,
    'SELECT id, lesson_id FROM events WHERE id IN (?)',
    [ids],
  );
  return new Map(found.map((row) => [row.id, row.lesson_id]));
}

/**
 * Adds events, and says that the records of their students have changed; one that another request stored in the meantime
 * is left as it is. Call it in a transaction.
 */
export async function insertEvents(db: Db, userId: string, events: BankEvent[]): Promise<void> {
  if (events.length === 0) return;
  const values = events.map((event) => [
    event.id,
    event.lessonId,
    event.studentId,
    event.blockId,
    event.deviceId,
    userId,
    event.atMs,
    event.clockAheadMs ?? 0,
    event.body.kind,
    shapeOf('event'),
    JSON.stringify(event.body),
  ]);
  await write(
    db,
    'INSERT INTO events (id, lesson_id, student_id, block_id, device_id, recorded_by, at_ms, clock_ahead_ms, kind, shape, body) VALUES ? ON DUPLICATE KEY UPDATE id = events.id',
    [values],
  );
  await raiseRecords(db, [...new Set(events.flatMap(({ studentId }) => studentId ?? []))]);
}

/** Uses events_lesson. */
export async function countEventsOfLesson(db: Db, lessonId: string): Promise<number> {
  return (
    (await rows<{ n: number }>(db, 'SELECT COUNT(*) AS n FROM events WHERE lesson_id = ?', [lessonId]))[0]
      ?.n ?? 0
  );
}
