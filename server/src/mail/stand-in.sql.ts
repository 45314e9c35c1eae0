import type { StandInMail } from '@doceo/contract';
import { type Db, rows, write } from '../db/pool';

/** So many letters are kept. */
const KEPT = 200;

/** Puts a letter into the mailbox; one that came already is known by its id. */
export async function insertStandInMail(
  db: Db,
  mail: { messageId: string; address: string; subject: string; text: string },
): Promise<void> {
  await write(
    db,
    'INSERT IGNORE INTO stand_in_mails (message_id, address, subject, text) VALUES (?, ?, ?, ?)',
    [mail.messageId, mail.address.toLowerCase(), mail.subject, mail.text],
  );
  await write(db, 'DELETE FROM stand_in_mails WHERE seq + ? <= (SELECT MAX(seq) FROM stand_in_mails)', [
    KEPT,
  ]);
}

/** What came, latest first; by primary key. */
export async function findStandInMails(db: Db): Promise<StandInMail[]> {
  const found = await rows<{
    seq: number;
    address: string;
    subject: string;
    text: string;
    arrived_at: Date;
  }>(db, 'SELECT seq, address, subject, text, arrived_at FROM stand_in_mails ORDER BY seq DESC LIMIT ?', [
    KEPT,
  ]);
  return found.map(({ seq, address, subject, text, arrived_at }) => ({
    id: Number(seq),
    to: address,
    subject,
    text,
    at: arrived_at.toISOString(),
  }));
}
