import { once } from 'node:events';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import {
  type Attempt,
  attemptsOf,
  type HomeRecord,
  type HomeTrust,
  parametersFor,
  type SkillFit,
} from '@doceo/core';
import type { Logger } from 'pino';
import { withoutPatience } from '../db/patience';
import type { Pool } from '../db/pool';
import type { FitTask } from './fit-worker';
import {
  claimFit,
  endFit,
  findAttemptEvents,
  findStudentsWithEvents,
  replaceFits,
  touchFit,
} from './skill-fit.sql';

/** Students read from the database at once. */
const BATCH = 50;

/** Fits learning parameters to all records of the installation, in a thread of its own, one fit at a time. */
export class FitJob {
  private worker: Worker | null = null;
  private running: Promise<void> | null = null;

  /** @param root where `dist/fit-worker.mjs` lies */
  constructor(
    private readonly pool: Pool,
    private readonly root: string,
    private readonly log: Logger,
  ) {}

  /** Begins a fit unless one runs; resolves when it has begun. */
  async start(): Promise<void> {
    if (!(await claimFit(this.pool))) return;
    this.running = withoutPatience(() =>
      this.run()
        .then(() => endFit(this.pool, 'done'))
        .catch(async (error: unknown) => {
          this.log.error({ error }, 'the fit of learning parameters failed');
          await endFit(this.pool, 'failed').catch(() => undefined);
        }),
    );
  }

  /** Resolves when the fit that was begun here has ended. */
  async ended(): Promise<void> {
    await this.running;
  }

  close(): void {
    void this.worker?.terminate();
  }

  private async run(): Promise<void> {
    const sequences = await this.read();
    const worker = new Worker(join(this.root, 'dist/fit-worker.mjs'));
    this.worker = worker;
    const done = async <T>(task: FitTask): Promise<T> => {
      worker.postMessage(task);
      const [fit] = (await once(worker, 'message')) as [T];
      return fit;
    };
    try {
      const fits = new Map<string, SkillFit>();
      for (const [id, records] of sequences) {
        fits.set(id, await done<SkillFit>({ skill: records.map(({ attempts }) => [...attempts]) }));
        await touchFit(this.pool, fits.size, sequences.size);
      }
      // By what was just found of each skill, so that a hard skill is not taken for practice that says little.
      const found = Object.fromEntries(fits);
      const home = await done<HomeTrust>({
        home: [...sequences].flatMap(([id, records]) =>
          records.map((record) => ({ ...record, grid: parametersFor(found, id) })),
        ),
      });
      await this.pool.transaction((db) => replaceFits(db, fits, home));
    } finally {
      await worker.terminate();
      this.worker = null;
    }
  }

  /** Attempts of every student, by skill. */
  private async read(): Promise<Map<string, HomeRecord[]>> {
    const bySkill = new Map<string, HomeRecord[]>();
    const ids = await findStudentsWithEvents(this.pool);
    for (let from = 0; from < ids.length; from += BATCH) {
      const batch = ids.slice(from, from + BATCH);
      const events = await findAttemptEvents(this.pool, batch);
      for (const studentId of batch) {
        const own = new Map<string, Attempt[]>();
        for (const { skillId, ...attempt } of attemptsOf(events, studentId))
          own.set(skillId, [...(own.get(skillId) ?? []), attempt]);
        for (const [skillId, attempts] of own)
          bySkill.set(skillId, [...(bySkill.get(skillId) ?? []), { studentId, attempts }]);
      }
      await touchFit(this.pool, 0, bySkill.size);
    }
    return bySkill;
  }
}
