import type { ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import type { Logger } from 'pino';
import { withoutPatience } from '../db/patience';
import type { Pool } from '../db/pool';
import { forkBehind } from '../large/fork-behind';
import type { Settings } from '../settings';
import { claimFit, endFit, keepFit } from './skill-fit.sql';

/** How often it is noted that a fit still runs; one without such a note for a minute counts as broken off, milliseconds. */
const NOTED_EVERY_MS = 10_000;

/** Fits learning parameters to all records of the installation, in a process of its own, one fit at a time. */
export class FitJob {
  private child: ChildProcess | null = null;

  /** @param settings with the root below which `dist/fit.mjs` lies */
  constructor(
    private readonly pool: Pool,
    private readonly settings: Pick<Settings, 'DOCEO_ROOT' | 'DOCEO_DB_URL'>,
    private readonly log: Logger,
    private readonly notedEveryMs = NOTED_EVERY_MS,
  ) {}

  /** Begins a fit unless one runs; resolves when it has begun. */
  async start(): Promise<void> {
    if (!(await claimFit(this.pool))) return;
    void withoutPatience(() =>
      this.run()
        .then(() => endFit(this.pool, 'done'))
        .catch(async (error: unknown) => {
          this.log.error({ err: error }, 'the fit of learning parameters failed');
          await endFit(this.pool, 'failed').catch(() => undefined);
        }),
    );
  }

  close(): void {
    this.child?.kill('SIGKILL');
  }

  /** Whether it still runs is said from here: a large record is read, or one skill fitted, for longer than a minute. */
  private async run(): Promise<void> {
    this.child = forkBehind(this.settings.DOCEO_ROOT, 'fit');
    const noting = setInterval(() => void keepFit(this.pool).catch(() => undefined), this.notedEveryMs);
    try {
      this.child.send(this.settings.DOCEO_DB_URL);
      const [code] = (await once(this.child, 'close')) as [number | null];
      if (code !== 0) throw new Error(`The fit ended with ${code}.`);
    } finally {
      clearInterval(noting);
      this.child = null;
    }
  }
}
