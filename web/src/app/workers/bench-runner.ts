import { inject, Injectable } from '@angular/core';
import { CoreError } from '@doceo/core';
import { wrap } from 'comlink';
import { Observable } from 'rxjs';
import { type Bench, type BenchName, tell, type Told } from './bench-api';
import { BENCH_WORKER } from './bench-token';
import { workerBroken } from './worker-broken';

/** Where a job is handed in. */
interface Door {
  tell: (name: BenchName, args: readonly unknown[]) => Promise<unknown>;
  /** Fails when the worker behind it is gone, or never came. */
  broken: Promise<never>;
  close: () => void;
}

interface Job {
  /** Resolves when it has ended, with whether the door can be used again. */
  start: (door: Door) => Promise<boolean>;
}

/** Both cores of a small machine. */
const WORKERS = 2;

/**
 * Runs the benches' computations on both cores. Those that are looked at go before those of a list; whoever stops
 * listening takes his from the queue.
 */
@Injectable({ providedIn: 'root' })
export class BenchRunner {
  private readonly startWorker = inject(BENCH_WORKER, { optional: true });
  private readonly idle: Door[] = [];
  private started = 0;
  private readonly soon: Job[] = [];
  private readonly later: Job[] = [];

  /** One that is looked at. */
  run<Name extends BenchName>(
    name: Name,
    ...args: Parameters<Bench[Name]>
  ): Observable<ReturnType<Bench[Name]>> {
    return this.queued(this.soon, name, args);
  }

  /** One of a list. */
  runOfMany<Name extends BenchName>(
    name: Name,
    ...args: Parameters<Bench[Name]>
  ): Observable<ReturnType<Bench[Name]>> {
    return this.queued(this.later, name, args);
  }

  private queued<Name extends BenchName>(
    queue: Job[],
    name: Name,
    args: Parameters<Bench[Name]>,
  ): Observable<ReturnType<Bench[Name]>> {
    return new Observable((listener) => {
      const job: Job = {
        start: async (door) => {
          try {
            const told = (await Promise.race([door.tell(name, args), door.broken])) as Told<
              ReturnType<Bench[Name]>
            >;
            if ('code' in told) listener.error(new CoreError(told.code, told.facts));
            else {
              listener.next(told.value);
              listener.complete();
            }
            return true;
          } catch (error) {
            door.close();
            listener.error(error);
            return false;
          }
        },
      };
      queue.push(job);
      this.next();
      return () => {
        const at = queue.indexOf(job);
        if (at >= 0) queue.splice(at, 1);
      };
    });
  }

  private next(): void {
    const queue = this.soon.length > 0 ? this.soon : this.later;
    if (queue.length === 0) return;
    const door = this.idle.pop() ?? this.newDoor();
    const job = door && queue.shift();
    if (!door || !job) return;
    void job.start(door).then((usable) => {
      if (usable) this.idle.push(door);
      else this.started -= 1;
      this.next();
    });
  }

  private newDoor(): Door | null {
    if (this.started >= WORKERS) return null;
    this.started += 1;
    return this.startWorker ? ofWorker(this.startWorker()) : inPage();
  }
}

function ofWorker(worker: Worker): Door {
  const { tell } = wrap<Pick<Door, 'tell'>>(worker);
  return {
    tell: (name, args) => Promise.resolve(tell(name, args as never)),
    broken: workerBroken(worker),
    close: () => worker.terminate(),
  };
}

/** Computes in the page, a turn later, so that it stays as it would be with a worker. */
function inPage(): Door {
  return {
    tell: async (name, args) => {
      await new Promise((done) => setTimeout(done));
      return tell(name, args as never);
    },
    broken: new Promise<never>(() => undefined),
    close: () => undefined,
  };
}
