import type { DrillOutcome } from '@doceo/core';
import { type Db, rows, write } from '../db/pool';

export async function findTells(db: Db, circleId: string): Promise<boolean> {
  const [found] = await rows<{ tells_outcomes: number }>(
    db,
    'SELECT tells_outcomes FROM circles WHERE id = ?',
    [circleId],
  );
  return Boolean(found?.tells_outcomes);
}

/** Whether a circle tells; what its members' records say is added up anew at their next look. */
export async function updateTells(db: Db, circleId: string, tells: boolean): Promise<void> {
  await write(db, 'UPDATE circles SET tells_outcomes = ? WHERE id = ?', [tells, circleId]);
  if (!tells) await write(db, 'DELETE FROM drill_outcomes WHERE circle_id = ?', [circleId]);
  await write(
    db,
    'UPDATE users u JOIN circle_members m ON m.user_id = u.id SET u.outcomes_seq = NULL WHERE m.circle_id = ?',
    [circleId],
  );
}

/** The circle in which a user's records are counted: the first of his that tells; uses circle_members_user. */
export async function findTellingCircle(db: Db, userId: string): Promise<string | null> {
  const [found] = await rows<{ id: string }>(
    db,
    `SELECT c.id FROM circle_members m JOIN circles c ON c.id = m.circle_id
     WHERE m.user_id = ? AND c.tells_outcomes = 1 ORDER BY c.created_at, c.id LIMIT 1`,
    [userId],
  );
  return found?.id ?? null;
}

/**
 * How often the records of a user's students have changed in all, when that is not what was added up; else null. Not by
 * the greatest number of an entry: those of several nodes of a database do not come in their order. Uses students_owner.
 */
export async function findNotCounted(db: Db, userId: string): Promise<number | null> {
  const [found] = await rows<{ changes: number; counted: number | null }>(
    db,
    `SELECT (SELECT COALESCE(SUM(s.record_no), 0) FROM students s WHERE s.owner_id = u.id) AS changes,
       u.outcomes_seq AS counted
     FROM users u WHERE u.id = ?`,
    [userId],
  );
  if (!found) return null;
  const changes = Number(found.changes);
  return changes === Number(found.counted) ? null : changes;
}

/** Two who add up the same user's records do it one after the other. Call it in a transaction, first. */
export async function lockOutcomes(db: Db, userId: string): Promise<void> {
  await rows(db, 'SELECT id FROM users WHERE id = ? FOR UPDATE', [userId]);
}

/** Puts what a user's records say in the place of what they said before. */
export async function replaceOutcomes(
  db: Db,
  userId: string,
  circleId: string,
  outcomes: readonly DrillOutcome[],
  changes: number,
): Promise<void> {
  await write(db, 'DELETE FROM drill_outcomes WHERE user_id = ?', [userId]);
  await insertOutcomes(db, userId, circleId, outcomes);
  await write(db, 'UPDATE users SET outcomes_seq = ? WHERE id = ?', [changes, userId]);
}

/** Nothing is told of a user's records until they are added up anew, as when a student of his is gone. */
export async function forgetOutcomes(db: Db, userId: string): Promise<void> {
  await write(db, 'DELETE FROM drill_outcomes WHERE user_id = ?', [userId]);
  await write(db, 'UPDATE users SET outcomes_seq = NULL WHERE id = ?', [userId]);
}

export async function insertOutcomes(
  db: Db,
  userId: string,
  circleId: string,
  outcomes: readonly DrillOutcome[],
): Promise<void> {
  if (outcomes.length === 0) return;
  await write(
    db,
    `INSERT INTO drill_outcomes (user_id, drill_id, circle_id, students, lessons, rise_sum, rise_squares) VALUES ?`,
    [
      outcomes.map(({ drillId, students, lessons, riseSum, riseSquares }) => [
        ...[userId, drillId, circleId, students, lessons, riseSum, riseSquares],
      ]),
    ],
  );
}

export interface CircleOutcome extends DrillOutcome {
  circleId: string;
}

/** What the records of all circles that tell say, an instructor a row; uses drill_outcomes_circle. */
export async function findOutcomes(db: Db): Promise<CircleOutcome[]> {
  const found = await rows<{
    circle_id: string;
    drill_id: string;
    students: number;
    lessons: number;
    rise_sum: number;
    rise_squares: number;
  }>(
    db,
    `SELECT o.circle_id, o.drill_id, o.students, o.lessons, o.rise_sum, o.rise_squares
     FROM drill_outcomes o JOIN circles c ON c.id = o.circle_id AND c.tells_outcomes = 1 ORDER BY o.drill_id, o.circle_id`,
  );
  return found.map((row) => ({
    ...{ circleId: row.circle_id, drillId: row.drill_id, students: row.students, lessons: row.lessons },
    ...{ riseSum: row.rise_sum, riseSquares: row.rise_squares },
  }));
}
