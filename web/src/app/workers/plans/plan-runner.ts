import { inject, Injectable } from '@angular/core';
import { proxy, type Remote, wrap } from 'comlink';
import { Observable } from 'rxjs';
import { workerBroken } from '../worker-broken';
import { type CourseNews, type CourseRequest, makeCourse } from './make-course';
import { makePlans, type PlanNews, type PlanRequest } from './make-plans';
import { PLANS_WORKER } from './plans-token';

interface PlansApi {
  makePlans: typeof makePlans;
  makeCourse: typeof makeCourse;
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

  /** Makes plans for one lesson. */
  run(request: PlanRequest): Observable<PlanNews> {
    return this.heard<PlanNews>((plans, tell) => plans.makePlans(request, tell));
  }

  /** Foretells a course, or plans its lessons. */
  course(request: CourseRequest): Observable<CourseNews> {
    return this.heard<CourseNews>((plans, tell) => plans.makeCourse(request, tell));
  }

  private heard<N>(
    ask: (plans: PlansApi | Remote<PlansApi>, tell: (news: N) => void) => Promise<unknown>,
  ): Observable<N> {
    return new Observable((listener) => {
      const worker = this.ready ?? this.startWorker?.();
      this.ready = null;
      const tell = (news: N): void => listener.next(news);
      const ended = worker
        ? Promise.race([ask(wrap<PlansApi>(worker), proxy(tell)), workerBroken(worker)])
        : aTurnLater().then(() => ask({ makePlans, makeCourse }, tell));
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

/** So that it stays as it would be with a worker. */
async function aTurnLater(): Promise<void> {
  await new Promise((done) => setTimeout(done));
}
