import { type ChildProcess, fork } from 'node:child_process';
import { once } from 'node:events';
import { constants, getPriority, setPriority } from 'node:os';
import { join } from 'node:path';
import { ROOT } from '../testing/test-database';
import type { Running } from './running-server';
import { stolenMs, stolenSince } from './stolen';

/** The longest that a small request took, milliseconds: as the clock says, and without what the host kept back in it. */
export interface Slowest {
  clockMs: number;
  ownMs: number;
}

/** A time in which such requests were made; `keptBack` is the share of it in which the host let others go first, 0…1. */
export interface Watched extends Slowest {
  keptBack: number;
}

/**
 * Somebody else than who keeps the server busy: a process of his own, so that what the other one sends and reads does not
 * count. That one comes behind from now on, as if he sat at a machine of his own.
 */
export class Probe {
  private constructor(private readonly asker: ChildProcess) {}

  static async of({ origin, cookie }: Running): Promise<Probe> {
    const asker = fork(join(ROOT, 'dist/asker.mjs'), [origin, cookie]);
    await once(asker, 'message');
    setPriority(Math.max(getPriority(), constants.priority.PRIORITY_BELOW_NORMAL));
    return new Probe(asker);
  }

  /** The longest that a small request takes while something else goes on. */
  async slowestBeside(busy: () => Promise<unknown>): Promise<Watched> {
    const [from, before] = [performance.now(), stolenMs()];
    await this.told('begin');
    await busy();
    const slowest = (await this.told('over')) as Slowest;
    return { ...slowest, keptBack: stolenSince(before) / (performance.now() - from) };
  }

  async end(): Promise<void> {
    this.asker.kill();
    await once(this.asker, 'exit');
  }

  private async told(what: 'begin' | 'over'): Promise<unknown> {
    this.asker.send(what);
    return (await once(this.asker, 'message'))[0];
  }
}
