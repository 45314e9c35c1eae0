import { inject, Injectable } from '@angular/core';
import { proxy, wrap } from 'comlink';
import { Observable } from 'rxjs';
import { workerBroken } from '../worker-broken';
import { makePlans, type PlanNews, type PlanRequest } from './make-plans';
import { PLANS_WORKER } from './plans-token';

interface PlansApi {
  makePlans: typeof makePlans;
}

/** Makes plans in a worker; whoever stops listening stops it. */
@Injectable({ providedIn: 'root' })
export class PlanRunner {
  private readonly startWorker = inject(PLANS_WORKER, { optional: true });

  private ready: Worker | null = null;

  /** Starts a worker before it is asked for anything, so that the first answer comes sooner. */
  warm(): void {
    this.ready ??= this.startWorker?.() ?? null;
  }

  run(request: PlanRequest): Observable<PlanNews> {
    return new Observable((listener) => {
      const worker = this.ready ?? this.startWorker?.();
      this.ready = null;
      const tell = (news: PlanNews): void => listener.next(news);
      const ended = worker
        ? Promise.race([wrap<PlansApi>(worker).makePlans(request, proxy(tell)), workerBroken(worker)])
        : inPage(request, tell);
      ended.then(
        () => {
          this.keep(worker);
          listener.complete();
        },
        (error: unknown) => listener.error(error),
      );
      return () => {
        if (worker !== this.ready) worker?.terminate();
      };
    });
  }

  /** A worker that is done is used again for the next. */
  private keep(worker: Worker | undefined): void {
    if (!worker) return;
    if (this.ready) worker.terminate();
    else this.ready = worker;
  }
}

/** A turn later, so that it stays as it would be with a worker. */
async function inPage(request: PlanRequest, tell: (news: PlanNews) => void): Promise<void> {
  await new Promise((done) => setTimeout(done));
  await makePlans(request, tell);
}
