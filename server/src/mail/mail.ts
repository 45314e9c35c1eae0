import type { Logger } from 'pino';
import type { Db, Pool } from '../db/pool';
import type { Settings } from '../settings';
import type { Facts, LetterKind } from './letter';
import { writeLetter } from './letters';
import { MailJob } from './mail-job';
import { queueLetter } from './mail.sql';
import { Post } from './post';
import { StandInMailbox } from './stand-in';

/** Letters of this process: put down by requests, sent by a job beside them. */
export class Mail {
  /** Where letters go. */
  readonly kind: 'server' | 'stand-in' | 'none';
  private readonly job: MailJob | null;
  private readonly mailbox: StandInMailbox;

  constructor(pool: Pool, settings: Settings, log: Logger, address: () => string) {
    const way = settings.DOCEO_MAIL;
    this.kind = way === 'stand-in' || way === 'none' ? way : 'server';
    this.mailbox = new StandInMailbox(pool);
    const url = () => (way === 'stand-in' ? this.mailbox.url() : Promise.resolve(way));
    const desk = { pool, address, secret: settings.DOCEO_SESSION_SECRET };
    this.job =
      this.kind === 'none'
        ? null
        : new MailJob(
            pool,
            new Post(url, settings.DOCEO_MAIL_FROM),
            (letter) => writeLetter(desk, letter),
            log,
          );
  }

  /** Puts a letter down; call `look` when it is sure to stay. Without mail nothing is kept. */
  async queue(db: Db, kind: LetterKind, to: string, facts: Facts = {}): Promise<void> {
    if (this.job) await queueLetter(db, kind, to, facts);
  }

  /** Has what was put down sent soon. */
  look(): void {
    this.job?.look();
  }

  async close(): Promise<void> {
    await this.job?.close();
    this.mailbox.close();
  }
}
