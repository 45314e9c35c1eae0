import { randomUUID } from 'node:crypto';
import { type Db, rows, write } from '../db/pool';
import type { Facts, LetterKind, QueuedLetter } from './letter';

/** A process that claims a letter has so long for it; then it is somebody else's to send. Seconds. */
const CLAIM_S = 120;

interface LetterRow {
  id: string;
  kind: LetterKind;
  address: string;
  facts: string;
  queued_at: Date;
  tries: number;
}

/** What is due and in nobody's hands. */
const FREE = 'due_at <= UTC_TIMESTAMP(3) AND (claimed_until IS NULL OR claimed_until < UTC_TIMESTAMP(3))';

/** Puts a letter down to be sent. Nothing is looked up for it: what it says is settled when it goes. */
export async function queueLetter(
  db: Db,
  kind: LetterKind,
  address: string,
  facts: Facts = {},
): Promise<void> {
  await write(db, 'INSERT INTO mails (id, kind, address, facts) VALUES (?, ?, ?, ?)', [
    randomUUID(),
    kind,
    address,
    JSON.stringify(facts),
  ]);
}

/** Takes the letter that is longest due, for a while; null when none is. Uses mails_due and mails_claim. */
export async function claimLetter(db: Db): Promise<QueuedLetter | null> {
  const claim = randomUUID();
  const taken = await write(
    db,
    `UPDATE mails SET claim = ?, claimed_until = UTC_TIMESTAMP(3) + INTERVAL ? SECOND, tries = tries + 1
     WHERE ${FREE} ORDER BY due_at LIMIT 1`,
    [claim, CLAIM_S],
  );
  if (taken === 0) return null;
  const [row] = await rows<LetterRow>(
    db,
    'SELECT id, kind, address, facts, queued_at, tries FROM mails WHERE claim = ?',
    [claim],
  );
  return row
    ? {
        id: row.id,
        kind: row.kind,
        address: row.address,
        facts: JSON.parse(row.facts) as Facts,
        queuedAt: row.queued_at,
        tries: row.tries,
      }
    : null;
}

/** The letter went, or never will. */
export async function deleteLetter(db: Db, id: string): Promise<void> {
  await write(db, 'DELETE FROM mails WHERE id = ?', [id]);
}

/** It is tried again after a pause, by whoever comes first. */
export async function postponeLetter(db: Db, id: string, pauseS: number): Promise<void> {
  await write(
    db,
    'UPDATE mails SET claim = NULL, claimed_until = NULL, due_at = UTC_TIMESTAMP(3) + INTERVAL ? SECOND WHERE id = ?',
    [pauseS, id],
  );
}

/**
 * Nobody takes letters: all that is due waits, whomever it is for, and what waited too long goes.
 *
 * @param pauseOf the pause after so many tries, seconds
 */
export async function postponeAll(db: Db, pauseOf: (tries: number) => number, keptS: number): Promise<void> {
  await write(db, `DELETE FROM mails WHERE ${FREE} AND queued_at < UTC_TIMESTAMP(3) - INTERVAL ? SECOND`, [
    keptS,
  ]);
  const waiting = await rows<{ tries: number }>(
    db,
    `SELECT DISTINCT tries FROM mails WHERE ${FREE} ORDER BY tries DESC`,
  );
  for (const { tries } of waiting)
    await write(
      db,
      `UPDATE mails SET tries = tries + 1, due_at = UTC_TIMESTAMP(3) + INTERVAL ? SECOND WHERE tries = ? AND ${FREE}`,
      [pauseOf(tries + 1), tries],
    );
}

/** Whether anything is due. */
export async function isAnyDue(db: Db): Promise<boolean> {
  return (await rows(db, `SELECT id FROM mails WHERE ${FREE} LIMIT 1`)).length > 0;
}
