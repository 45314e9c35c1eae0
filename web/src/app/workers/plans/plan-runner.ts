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

  run(request: PlanRequest): Observable<PlanNews> {
    return new Observable((listener) => {
      const worker = this.startWorker?.();
      const tell = (news: PlanNews): void => listener.next(news);
      const ended = worker
        ? Promise.race([wrap<PlansApi>(worker).makePlans(request, proxy(tell)), workerBroken(worker)])
        : inPage(request, tell);
      ended.then(
        () => {
          worker?.terminate();
          listener.complete();
        },
        (error: unknown) => listener.error(error),
      );
      return () => worker?.terminate();
    });
  }
}

/** A turn later, so that it stays as it would be with a worker. */
async function inPage(request: PlanRequest, tell: (news: PlanNews) => void): Promise<void> {
  await new Promise((done) => setTimeout(done));
  await makePlans(request, tell);
}
