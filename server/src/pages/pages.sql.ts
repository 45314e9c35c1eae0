import { type HomeEntry, type HomeWaiting, inShape, shapeOf, type StudentLink } from '@doceo/contract';
import type { BankEventBody } from '@doceo/core';
import { tokenHash } from '../access/token';
import { type Db, rows, write } from '../db/pool';

interface LinkRow {
  id: string;
  made_at: Date;
  until_at: Date;
  closed_at: Date | null;
  views: number;
  viewed_at: Date | null;
  opened_by: string | null;
}

/** Most that are told of one student. */
const LISTED = 50;

/** Links to a student's page, newest first; uses student_links_student. */
export async function findStudentLinks(db: Db, studentId: string): Promise<StudentLink[]> {
  const found = await rows<LinkRow>(
    db,
    `SELECT id, made_at, until_at, closed_at, views, viewed_at, opened_by FROM student_links
     WHERE student_id = ? ORDER BY made_at DESC, id LIMIT ?`,
    [studentId, LISTED],
  );
  return found.map((row) => ({
    id: row.id,
    at: row.made_at.toISOString(),
    until: row.until_at.toISOString(),
    closed: row.closed_at !== null || row.until_at.getTime() <= Date.now(),
    views: Number(row.views),
    viewedAt: row.viewed_at?.toISOString() ?? null,
    openedBy: row.opened_by,
  }));
}

/** Whether there is a link of this id, to whosever page. */
export async function isStudentLink(db: Db, id: string): Promise<boolean> {
  return (await rows(db, 'SELECT id FROM student_links WHERE id = ?', [id])).length > 0;
}

export async function insertStudentLink(
  db: Db,
  link: { id: string; studentId: string; lessonId: string; token: string; days: number },
): Promise<void> {
  await write(
    db,
    `INSERT INTO student_links (id, student_id, lesson_id, token_hash, until_at)
     VALUES (?, ?, ?, ?, UTC_TIMESTAMP(3) + INTERVAL ? DAY)`,
    [link.id, link.studentId, link.lessonId, tokenHash(link.token), link.days],
  );
}

/** False when the student has no such link that is open. */
export async function closeStudentLink(db: Db, studentId: string, id: string): Promise<boolean> {
  return (
    (await write(
      db,
      'UPDATE student_links SET closed_at = UTC_TIMESTAMP(3) WHERE id = ? AND student_id = ? AND closed_at IS NULL',
      [id, studentId],
    )) > 0
  );
}

/** Whether there is something on the record of a student in a lesson; uses events_lesson. */
export async function isInLesson(db: Db, studentId: string, lessonId: string): Promise<boolean> {
  return (
    (
      await rows(db, 'SELECT seq FROM events WHERE lesson_id = ? AND student_id = ? LIMIT 1', [
        lessonId,
        studentId,
      ])
    ).length > 0
  );
}

/** A link as the page finds it. */
export interface OpenLink {
  id: string;
  studentId: string;
  lessonId: string;
  lessonOn: string;
  keeper: { id: string; name: string };
  openedBy: string | null;
}

/** Whose page a token opens; null for none. Uses student_links_token. */
export async function findOpenLink(db: Db, token: string): Promise<OpenLink | null> {
  const [row] = await rows<{
    id: string;
    student_id: string;
    lesson_id: string;
    lesson_on: string;
    keeper_id: string;
    keeper_name: string;
    opened_by: string | null;
  }>(
    db,
    `SELECT k.id, k.student_id, k.lesson_id, DATE(l.starts_at) AS lesson_on, u.id AS keeper_id, u.name AS keeper_name,
       k.opened_by
     FROM student_links k JOIN students s ON s.id = k.student_id JOIN users u ON u.id = s.owner_id
       JOIN lessons l ON l.id = k.lesson_id
     WHERE k.token_hash = ?`,
    [tokenHash(token)],
  );
  if (!row) return null;
  return {
    ...{ id: row.id, studentId: row.student_id, lessonId: row.lesson_id, lessonOn: row.lesson_on },
    ...{ keeper: { id: row.keeper_id, name: row.keeper_name }, openedBy: row.opened_by },
  };
}

/** One view more; by primary key. */
export async function noteView(db: Db, id: string): Promise<void> {
  await write(db, 'UPDATE student_links SET views = views + 1, viewed_at = UTC_TIMESTAMP(3) WHERE id = ?', [
    id,
  ]);
}

/** By which name the guardian opened it; the first one stays. */
export async function noteGuardian(db: Db, id: string, name: string): Promise<void> {
  await write(db, 'UPDATE student_links SET opened_by = ? WHERE id = ? AND opened_by IS NULL', [name, id]);
}

/** Keeps what came back; what is here already, counted or not, is left as it is. */
export async function insertHomeEntries(
  db: Db,
  link: { id: string; studentId: string },
  entries: readonly HomeEntry[],
): Promise<void> {
  const known = await rows<{ id: string }>(db, 'SELECT id FROM events WHERE id IN (?)', [
    entries.map(({ id }) => id),
  ]);
  const fresh = entries.filter(({ id }) => !known.some((one) => one.id === id));
  if (fresh.length === 0) return;
  await write(
    db,
    `INSERT INTO home_entries (id, link_id, student_id, at_ms, shape, body) VALUES ?
     ON DUPLICATE KEY UPDATE id = home_entries.id`,
    [
      fresh.map(({ id, atMs, body }) => [
        id,
        link.id,
        link.studentId,
        atMs,
        shapeOf('event'),
        JSON.stringify(body),
      ]),
    ],
  );
}

/** How many entries of one student wait; uses home_entries_student. */
export async function countWaiting(db: Db, studentId: string): Promise<number> {
  const [row] = await rows<{ n: number }>(db, 'SELECT COUNT(*) AS n FROM home_entries WHERE student_id = ?', [
    studentId,
  ]);
  return Number(row?.n ?? 0);
}

/** Of the user's own students, of whom something waits; uses students_owner and home_entries_student. */
export async function findHomeNews(
  db: Db,
  userId: string,
): Promise<{ studentId: string; entries: number }[]> {
  const found = await rows<{ student_id: string; n: number }>(
    db,
    `SELECT h.student_id, COUNT(*) AS n FROM students s JOIN home_entries h ON h.student_id = s.id
     WHERE s.owner_id = ? GROUP BY h.student_id`,
    [userId],
  );
  return found.map(({ student_id, n }) => ({ studentId: student_id, entries: Number(n) }));
}

interface HomeRow {
  id: string;
  link_id: string;
  lesson_id: string;
  at_ms: number;
  shape: number;
  body: string;
}

/** What waits, with the link and the lesson it belongs to, in the order of time. */
export interface WaitingEntry {
  id: string;
  linkId: string;
  lessonId: string;
  atMs: number;
  body: Extract<BankEventBody, { kind: 'attempt' }>;
}

/** Uses home_entries_student. */
export async function findWaiting(
  db: Db,
  studentId: string,
  ids: readonly string[] | null = null,
): Promise<WaitingEntry[]> {
  const found = await rows<HomeRow>(
    db,
    `SELECT h.id, h.link_id, k.lesson_id, h.at_ms, h.shape, h.body FROM home_entries h
       JOIN student_links k ON k.id = h.link_id
     WHERE h.student_id = ?${ids === null ? '' : ' AND h.id IN (?)'} ORDER BY h.at_ms, h.id`,
    ids === null ? [studentId] : [studentId, ids],
  );
  return found.map((row) => ({
    ...{ id: row.id, linkId: row.link_id, lessonId: row.lesson_id, atMs: Number(row.at_ms) },
    body: inShape('event', row.shape, JSON.parse(row.body)) as WaitingEntry['body'],
  }));
}

export async function deleteWaiting(db: Db, studentId: string, ids: readonly string[]): Promise<void> {
  await write(db, 'DELETE FROM home_entries WHERE student_id = ? AND id IN (?)', [studentId, ids]);
}

/** What waits by day and by what was done, the latest first. */
export function groupedByDay(entries: readonly WaitingEntry[]): HomeWaiting[] {
  const groups = new Map<string, HomeWaiting>();
  for (const { id, atMs, body } of entries) {
    const on = new Date(atMs).toISOString().slice(0, 10);
    const evidence = body.evidence ?? 'drill';
    const key = `${on}/${body.skillId}/${evidence}`;
    const group = groups.get(key) ?? { on, skillId: body.skillId, evidence, good: 0, of: 0, ids: [] };
    group.good += body.good ? 1 : 0;
    group.of += 1;
    group.ids.push(id);
    groups.set(key, group);
  }
  return [...groups.values()].sort((a, b) => (a.on > b.on ? -1 : a.on < b.on ? 1 : 0));
}
