import { inject, Injectable } from '@angular/core';
import { CoreError } from '@doceo/core';
import { wrap } from 'comlink';
import { Observable } from 'rxjs';
import { type Bench, type BenchName, tell, type Told } from './bench-api';
import { BENCH_WORKER } from './bench-token';

/** Where a job is handed in. */
interface Door {
  tell: (name: BenchName, args: readonly unknown[]) => Promise<unknown>;
}

interface Job {
  start: (door: Door) => Promise<void>;
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
            const told = (await door.tell(name, args)) as Told<ReturnType<Bench[Name]>>;
            if ('code' in told) listener.error(new CoreError(told.code, told.facts));
            else {
              listener.next(told.value);
              listener.complete();
            }
          } catch (error) {
            listener.error(error);
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
    void job.start(door).finally(() => {
      this.idle.push(door);
      this.next();
    });
  }

  private newDoor(): Door | null {
    if (this.started >= WORKERS) return null;
    this.started += 1;
    return this.startWorker ? (wrap(this.startWorker()) as unknown as Door) : inPage();
  }
}

/** Computes in the page, a turn later, so that it stays as it would be with a worker. */
function inPage(): Door {
  return {
    tell: async (name, args) => {
      await new Promise((done) => setTimeout(done));
      return tell(name, args as never);
    },
  };
}
