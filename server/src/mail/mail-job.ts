import type { Logger } from 'pino';
import { withoutPatience } from '../db/patience';
import type { Pool } from '../db/pool';
import type { Letter, QueuedLetter } from './letter';
import { claimLetter, deleteLetter, isAnyDue, postponeAll, postponeLetter } from './mail.sql';
import type { Post } from './post';

const LOOK_EVERY_MS = 20_000;
const FIRST_PAUSE_S = 30;
const LONGEST_PAUSE_S = 3600;
/** What could not be sent for so long is not sent any more, seconds: what it says is no news by then. */
const KEPT_S = 3 * 24 * 3600;

/** Seconds until the next try: twice as long each time, an hour at most. */
export function pauseAfter(tries: number): number {
  return Math.min(LONGEST_PAUSE_S, FIRST_PAUSE_S * 2 ** Math.min(tries - 1, 10));
}

/**
 * Sends what is queued, outside of every request. Several processes share the work: each letter is claimed by one, and
 * is gone from the queue when the mail server took it.
 */
export class MailJob {
  private readonly timer: NodeJS.Timeout;
  private running: Promise<void> | null = null;
  private closed = false;
  private asked = false;

  /** @param write the words of a letter, null when it is for nobody */
  constructor(
    private readonly pool: Pool,
    private readonly post: Post,
    private readonly write: (letter: QueuedLetter) => Promise<Letter | null>,
    private readonly log: Logger,
    private readonly pause: (tries: number) => number = pauseAfter,
  ) {
    this.timer = setInterval(() => this.look(), LOOK_EVERY_MS);
    this.timer.unref();
  }

  /** Looks soon whether anything is to be sent; nobody waits for it. */
  look(): void {
    if (this.closed) return;
    if (this.running) {
      this.asked = true;
      return;
    }
    this.asked = false;
    this.running = withoutPatience(() => this.sendAll())
      .catch((error: unknown) => this.log.error({ err: error }, 'letters could not be looked after'))
      .then(() => {
        this.running = null;
        if (this.asked) this.look();
      });
  }

  /** Sends everything that is due now, in this process; what fails waits for its next try. */
  async sendAll(): Promise<void> {
    if (!(await isAnyDue(this.pool))) return;
    // Asked before anybody is looked up: whether an address is known changes nothing that shows while mail is down.
    if (!(await this.post.isThere())) {
      this.log.warn('the mail server does not answer; letters wait');
      return postponeAll(this.pool, this.pause, KEPT_S);
    }
    while (!this.closed) {
      const letter = await claimLetter(this.pool);
      if (!letter) return;
      await this.send(letter);
    }
  }

  /** Ends the looking; resolves when what was begun has ended. */
  async close(): Promise<void> {
    this.closed = true;
    clearInterval(this.timer);
    await this.running;
    this.post.close();
  }

  private async send(letter: QueuedLetter): Promise<void> {
    const words = await this.write(letter);
    const sent = words ? await this.post.send(letter.id, letter.address, words) : 'never';
    const facts = { letter: letter.id, kind: letter.kind, tries: letter.tries };
    if (sent === 'later' && Date.now() - letter.queuedAt.getTime() < KEPT_S * 1000) {
      this.log.info(facts, 'a letter waits for its next try');
      return postponeLetter(this.pool, letter.id, this.pause(letter.tries));
    }
    if (words && sent !== 'sent') this.log.warn(facts, 'a letter could not be sent');
    await deleteLetter(this.pool, letter.id);
  }
}
