import type { ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import type { Logger } from 'pino';
import { withoutPatience } from '../db/patience';
import type { Pool } from '../db/pool';
import { forkBehind } from '../large/fork-behind';
import type { Settings } from '../settings';
import { claimFit, endFit } from './skill-fit.sql';

/** Fits learning parameters to all records of the installation, in a process of its own, one fit at a time. */
export class FitJob {
  private child: ChildProcess | null = null;

  /** @param settings with the root below which `dist/fit.mjs` lies */
  constructor(
    private readonly pool: Pool,
    private readonly settings: Settings,
    private readonly log: Logger,
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

  private async run(): Promise<void> {
    this.child = forkBehind(this.settings.DOCEO_ROOT, 'fit');
    this.child.send(this.settings.DOCEO_DB_URL);
    const [code] = (await once(this.child, 'close')) as [number | null];
    this.child = null;
    if (code !== 0) throw new Error(`The fit ended with ${code}.`);
  }
}
