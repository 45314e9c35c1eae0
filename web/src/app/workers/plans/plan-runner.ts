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
  /** A worker that waits for the next to be asked. */
  private ready: Worker | null = null;
  private keepsReady = false;

  /** Has a worker started before anything is asked, now and after each answer, so that answers come sooner. */
  warm(): void {
    this.keepsReady = true;
    this.ready ??= this.startWorker?.() ?? null;
  }

  cool(): void {
    this.keepsReady = false;
    this.ready?.terminate();
    this.ready = null;
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
        () => listener.complete(),
        (error: unknown) => listener.error(error),
      );
      return () => {
        worker?.terminate();
        if (this.keepsReady) this.warm();
      };
    });
  }
}

/** A turn later, so that it stays as it would be with a worker. */
async function inPage(request: PlanRequest, tell: (news: PlanNews) => void): Promise<void> {
  await new Promise((done) => setTimeout(done));
  await makePlans(request, tell);
}
