import type { AskedConsent, ConsentNews, ConsentState } from '@doceo/contract';
import { tokenHash } from '../access/token';
import { noteBack, noteDeleted } from '../backup/deletions.sql';
import { type Db, rows, write } from '../db/pool';

/** A link that nobody answered opens nothing after so long. Days. */
export const ANSWER_DAYS = 30;

interface ConsentRow {
  id: string;
  student_id: string;
  email: string | null;
  asked_at: Date;
  until_at: Date;
  answered_at: Date | null;
  given: number | null;
  by_name: string | null;
  known: number;
  taken_back_at: Date | null;
  is_over: number;
}

const COLUMNS = `c.id, c.student_id, c.email, c.asked_at, c.until_at, c.answered_at, c.given, c.by_name, c.known,
  c.taken_back_at, c.until_at <= UTC_TIMESTAMP(3) AS is_over`;

function stateOf(row: ConsentRow): ConsentState {
  if (row.taken_back_at) return 'taken-back';
  if (!row.answered_at) return row.is_over ? 'over' : 'asked';
  if (!row.given) return 'refused';
  return row.known ? 'given' : 'look';
}

function toAsked(row: ConsentRow): AskedConsent {
  return {
    id: row.id,
    state: stateOf(row),
    email: row.email,
    askedAt: row.asked_at.toISOString(),
    untilAt: row.until_at.toISOString(),
    byName: row.by_name,
    answeredAt: row.answered_at?.toISOString() ?? null,
    takenBackAt: row.taken_back_at?.toISOString() ?? null,
  };
}

/** What guardians of a student were asked, newest first; uses consents_student. */
export async function findConsents(db: Db, studentId: string): Promise<AskedConsent[]> {
  const found = await rows<ConsentRow>(
    db,
    `SELECT ${COLUMNS} FROM consents c WHERE c.student_id = ? ORDER BY c.asked_at DESC, c.id LIMIT 50`,
    [studentId],
  );
  return found.map(toAsked);
}

/** Of the user's own students the newest question each, where it was not simply agreed to; uses students_owner. */
export async function findConsentNews(db: Db, userId: string): Promise<ConsentNews[]> {
  const found = await rows<ConsentRow>(
    db,
    `SELECT ${COLUMNS} FROM students s JOIN consents c ON c.id = (
         SELECT n.id FROM consents n WHERE n.student_id = s.id
         ORDER BY COALESCE(n.taken_back_at, n.answered_at, n.asked_at) DESC, n.id LIMIT 1)
     WHERE s.owner_id = ?`,
    [userId],
  );
  return found
    .map((row) => ({ row, state: stateOf(row) }))
    .filter(({ state }) => state !== 'given')
    .map(({ row, state }) => ({
      studentId: row.student_id,
      state,
      byName: row.by_name,
      at: (row.taken_back_at ?? row.answered_at ?? row.asked_at).toISOString(),
    }));
}

/** Asks anew; what nobody has answered yet is closed. */
export async function insertConsent(
  db: Db,
  asked: { id: string; studentId: string; userId: string; email: string | null; token: string | null },
): Promise<void> {
  await write(db, 'DELETE FROM consents WHERE student_id = ? AND answered_at IS NULL', [asked.studentId]);
  await write(
    db,
    `INSERT INTO consents (id, student_id, made_by, email, token_hash, until_at)
     VALUES (?, ?, ?, ?, ?, UTC_TIMESTAMP(3) + INTERVAL ? DAY)`,
    [
      asked.id,
      asked.studentId,
      asked.userId,
      asked.email,
      asked.token === null ? null : tokenHash(asked.token),
      ANSWER_DAYS,
    ],
  );
}

/** Whether there is a question of this id, about whomever. */
export async function isConsent(db: Db, id: string): Promise<boolean> {
  return (await rows(db, 'SELECT id FROM consents WHERE id = ?', [id])).length > 0;
}

/** False when that was answered, or there is none. */
export async function withdrawConsent(db: Db, studentId: string, id: string): Promise<boolean> {
  return (
    (await write(db, 'DELETE FROM consents WHERE id = ? AND student_id = ? AND answered_at IS NULL', [
      id,
      studentId,
    ])) > 0
  );
}

/**
 * Says that whoever agreed is the guardian, from when on it counts.
 *
 * @returns false when nothing of this id waits to be looked at
 */
export async function knowGuardian(db: Db, studentId: string, id: string): Promise<boolean> {
  const known = await write(
    db,
    `UPDATE consents SET known = 1
     WHERE id = ? AND student_id = ? AND given = 1 AND known = 0 AND taken_back_at IS NULL`,
    [id, studentId],
  );
  if (known === 0) return false;
  await write(
    db,
    `UPDATE students s JOIN consents c ON c.id = ? AND c.student_id = s.id
     SET s.guardian_consent_on = DATE(c.answered_at), s.guardian_name = c.by_name WHERE s.id = ?`,
    [id, studentId],
  );
  await noteBack(db, 'consent', studentId);
  return true;
}

/** The token of the letter that asks, and who asks about whom; null when it is asked no more. By primary key. */
export async function keepConsentToken(
  db: Db,
  id: string,
  token: string,
): Promise<{ studentName: string; instructor: string } | null> {
  await write(db, 'UPDATE consents SET token_hash = ? WHERE id = ? AND answered_at IS NULL', [
    tokenHash(token),
    id,
  ]);
  const [found] = await rows<{ student: string; instructor: string }>(
    db,
    `SELECT s.name AS student, u.name AS instructor FROM consents c JOIN students s ON s.id = c.student_id
       JOIN users u ON u.id = s.owner_id WHERE c.id = ? AND c.answered_at IS NULL`,
    [id],
  );
  return found ? { studentName: found.student, instructor: found.instructor } : null;
}

/** A question as whoever holds its link finds it. */
export interface HeldConsent extends AskedConsent {
  studentId: string;
  studentName: string;
  guardianName: string;
  keeper: { id: string; name: string; email: string };
  /** Whether the name of who answered is that of the guardian. */
  known: boolean;
  /** Whether this device answered it. */
  mine: boolean;
}

/** Uses consents_token; null for a token of none. */
export async function findHeldConsent(
  db: Db,
  { token, key }: { token: string; key: string | null },
): Promise<HeldConsent | null> {
  const [row] = await rows<
    ConsentRow & {
      key_hash: string | null;
      student_name: string;
      guardian_name: string;
      keeper_id: string;
      keeper_name: string;
      keeper_email: string;
    }
  >(
    db,
    `SELECT ${COLUMNS}, c.key_hash, s.name AS student_name, s.guardian_name, u.id AS keeper_id, u.name AS keeper_name,
       u.email AS keeper_email
     FROM consents c JOIN students s ON s.id = c.student_id JOIN users u ON u.id = s.owner_id
     WHERE c.token_hash = ?`,
    [tokenHash(token)],
  );
  if (!row) return null;
  return {
    ...toAsked(row),
    studentId: row.student_id,
    studentName: row.student_name,
    guardianName: row.guardian_name,
    keeper: { id: row.keeper_id, name: row.keeper_name, email: row.keeper_email },
    known: Boolean(row.known),
    mine: key !== null && row.key_hash === tokenHash(key),
  };
}

/** Keeps a question and its student from changing until the transaction ends; uses consents_token. */
export async function lockHeldConsent(db: Db, token: string): Promise<void> {
  await rows(
    db,
    'SELECT c.id FROM consents c JOIN students s ON s.id = c.student_id WHERE c.token_hash = ? FOR UPDATE',
    [tokenHash(token)],
  );
}

/** What was answered; a consent counts at once when the name is known, a refusal whoever says it. */
export async function answerConsent(
  db: Db,
  { id, studentId }: { id: string; studentId: string },
  answer: { given: boolean; name: string; known: boolean; key: string },
): Promise<void> {
  await write(
    db,
    `UPDATE consents SET answered_at = UTC_TIMESTAMP(3), given = ?, by_name = ?, known = ?, key_hash = ?,
       taken_back_at = NULL WHERE id = ?`,
    [answer.given, answer.name, answer.known, tokenHash(answer.key), id],
  );
  if (!answer.given) return endConsent(db, studentId);
  if (!answer.known) return;
  await write(db, 'UPDATE students SET guardian_consent_on = UTC_DATE() WHERE id = ?', [studentId]);
  await noteBack(db, 'consent', studentId);
}

export async function takeConsentBack(
  db: Db,
  { id, studentId }: { id: string; studentId: string },
): Promise<void> {
  await write(db, 'UPDATE consents SET taken_back_at = UTC_TIMESTAMP(3) WHERE id = ?', [id]);
  await endConsent(db, studentId);
}

/** From now on nothing is recorded of a minor. */
async function endConsent(db: Db, studentId: string): Promise<void> {
  await write(db, 'UPDATE students SET guardian_consent_on = NULL WHERE id = ?', [studentId]);
  await noteDeleted(db, 'consent', studentId);
}

/** The same for all consents that stand of a student, as when a backup brought them back. */
export async function endConsents(db: Db, studentId: string): Promise<void> {
  await write(
    db,
    `UPDATE consents SET taken_back_at = UTC_TIMESTAMP(3)
     WHERE student_id = ? AND given = 1 AND taken_back_at IS NULL`,
    [studentId],
  );
  await endConsent(db, studentId);
}

/**
 * The day on which a guardian last said no, or took a consent back, when that is the last word; null otherwise. Uses
 * consents_student.
 */
export async function findLastNo(db: Db, studentId: string): Promise<string | null> {
  const [last] = await rows<{ no_on: string | null }>(
    db,
    `SELECT IF(given = 0 OR taken_back_at IS NOT NULL, DATE(COALESCE(taken_back_at, answered_at)), NULL) AS no_on
     FROM consents WHERE student_id = ? AND answered_at IS NOT NULL
     ORDER BY COALESCE(taken_back_at, answered_at) DESC LIMIT 1`,
    [studentId],
  );
  return last?.no_on ?? null;
}

/** What there is of a student; uses events_age and readings_student. */
export async function countOfStudent(
  db: Db,
  studentId: string,
): Promise<{ entries: number; readings: number; since: string | null }> {
  const [found] = await rows<{ entries: number; since: number | null; readings: number }>(
    db,
    `SELECT (SELECT COUNT(*) FROM events WHERE student_id = ?) AS entries,
       (SELECT MIN(at_ms) FROM events WHERE student_id = ?) AS since,
       (SELECT COUNT(*) FROM readings WHERE student_id = ?) AS readings`,
    [studentId, studentId, studentId],
  );
  const since = found?.since ?? null;
  return {
    entries: Number(found?.entries ?? 0),
    readings: Number(found?.readings ?? 0),
    since: since === null ? null : new Date(Number(since)).toISOString().slice(0, 10),
  };
}
