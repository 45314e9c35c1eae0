import type { Logger } from 'pino';
import { withoutPatience } from '../db/patience';
import type { Pool } from '../db/pool';
import { clearDue } from './keeping';
import { findKeepers } from './keeping.sql';

const LOOK_EVERY_MS = 3_600_000;

/** Has go, once an hour, what is due by the rules. Several processes may: what one took is gone for the other. */
export class KeepingJob {
  private readonly timer: NodeJS.Timeout;
  private running: Promise<void> = Promise.resolve();

  constructor(
    private readonly pool: Pool,
    private readonly log: Logger,
  ) {
    this.timer = setInterval(() => this.look(), LOOK_EVERY_MS);
    this.timer.unref();
  }

  /** Begins; nobody waits for it. */
  look(): void {
    this.running = this.running
      .then(() => withoutPatience(() => this.clearAll(new Date().toISOString().slice(0, 10))))
      .catch((error: unknown) => this.log.error({ err: error }, 'what is due could not be cleared'));
  }

  async clearAll(today: string): Promise<void> {
    for (const userId of await findKeepers(this.pool)) {
      const went = await clearDue(this.pool, userId, today);
      if (went.entries + went.students > 0) this.log.info({ userId, ...went }, 'records went by the rule');
    }
  }

  /** Ends the looking; resolves when what was begun has ended. */
  close(): Promise<void> {
    clearInterval(this.timer);
    return this.running;
  }
}
