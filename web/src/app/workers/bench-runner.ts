import { inject, Injectable } from '@angular/core';
import { CoreError } from '@doceo/core';
import { wrap } from 'comlink';
import { Observable } from 'rxjs';
import { type Bench, type BenchName, runJob, type JobResult } from './bench-api';
import { BENCH_WORKER } from './bench-token';
import { workerBroken } from './worker-broken';

/** A worker, or what stands in for one. */
interface WorkerHandle {
  runJob: (name: BenchName, args: readonly unknown[]) => Promise<unknown>;
  /** Fails when the worker behind it is gone, or never came. */
  broken: Promise<never>;
  close: () => void;
}

interface Job {
  /** Resolves when it has ended, with whether the worker can be used again. */
  start: (worker: WorkerHandle) => Promise<boolean>;
}

/** Both cores of a small machine. */
const WORKERS = 2;

/**
 * Runs the benches' computations on both cores. Jobs that are looked at go before those of a list; unsubscribing
 * removes a job that has not begun.
 */
@Injectable({ providedIn: 'root' })
export class BenchRunner {
  private readonly startWorker = inject(BENCH_WORKER, { optional: true });
  private readonly idle: WorkerHandle[] = [];
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
        start: async (worker) => {
          try {
            const result = (await Promise.race([worker.runJob(name, args), worker.broken])) as JobResult<
              ReturnType<Bench[Name]>
            >;
            if ('code' in result) listener.error(new CoreError(result.code, result.facts));
            else {
              listener.next(result.value);
              listener.complete();
            }
            return true;
          } catch (error) {
            worker.close();
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
    const worker = this.idle.pop() ?? this.newWorker();
    const job = worker && queue.shift();
    if (!worker || !job) return;
    void job.start(worker).then((usable) => {
      if (usable) this.idle.push(worker);
      else this.started -= 1;
      this.next();
    });
  }

  private newWorker(): WorkerHandle | null {
    if (this.started >= WORKERS) return null;
    this.started += 1;
    return this.startWorker ? ofWorker(this.startWorker()) : inPage();
  }
}

function ofWorker(worker: Worker): WorkerHandle {
  const { runJob } = wrap<Pick<WorkerHandle, 'runJob'>>(worker);
  return {
    runJob: (name, args) => Promise.resolve(runJob(name, args as never)),
    broken: workerBroken(worker),
    close: () => worker.terminate(),
  };
}

/** Computes in the page, a turn later, so that it stays as it would be with a worker. */
function inPage(): WorkerHandle {
  return {
    runJob: async (name, args) => {
      await new Promise((done) => setTimeout(done));
      return runJob(name, args as never);
    },
    broken: new Promise<never>(() => undefined),
    close: () => undefined,
  };
}
