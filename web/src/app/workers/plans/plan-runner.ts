import { inject, Injectable } from '@angular/core';
import { proxy, type Remote, wrap } from 'comlink';
import { Observable } from 'rxjs';
import { drawn } from '../drawn';
import { workerBroken } from '../worker-broken';
import { type CourseNews, type CourseRequest, makeCourse } from './make-course';
import { makePlans, type PlanNews, type PlanRequest } from './make-plans';
import { PLANS_WORKER } from './plans-token';

interface PlansApi {
  makePlans: typeof makePlans;
  makeCourse: typeof makeCourse;
}

/** A worker, and how it is spoken to: once that is let go, it hears nothing any more. */
interface Maker {
  worker: Worker;
  plans: Remote<PlansApi>;
}

/** Makes plans in a worker; whoever stops listening stops it. */
@Injectable({ providedIn: 'root' })
export class PlanRunner {
  private readonly startWorker = inject(PLANS_WORKER, { optional: true });
  /** A worker that waits for the next to be asked. */
  private ready: Maker | null = null;
  private keepsReady = false;
  private rehearsal: PlanRequest | null = null;

  /**
   * Has a worker started before anything is asked, now and after each answer, so that answers come sooner.
   *
   * @param rehearsal something like what will be asked: it is made once and thrown away, since what a worker does the
   *   first time takes several times as long
   */
  warm(rehearsal: PlanRequest | null = null): void {
    this.keepsReady = true;
    this.rehearsal = rehearsal ?? this.rehearsal;
    if (this.ready) return;
    this.ready = this.started();
    if (this.ready && this.rehearsal) rehearse(this.ready, this.rehearsal);
  }

  cool(): void {
    this.keepsReady = false;
    this.rehearsal = null;
    this.ready?.worker.terminate();
    this.ready = null;
  }

  private started(): Maker | null {
    const worker = this.startWorker?.();
    return worker ? { worker, plans: wrap<PlansApi>(worker) } : null;
  }

  /**
   * Makes plans for one lesson.
   *
   * @param isEnough asked again and again: once it says so no more is looked for, and the best that was found counts
   */
  run(request: PlanRequest, isEnough: () => boolean = () => false): Observable<PlanNews> {
    return this.heard<PlanNews>(
      (plans, tell) => plans.makePlans(request, tell),
      // The search waits while a plan is drawn: both at once take the processor from each other, and the page stands still.
      async ({ kind }) => {
        if (kind === 'plan') await drawn();
        return isEnough();
      },
    );
  }

  /** Foretells a course, or plans its lessons. */
  course(request: CourseRequest): Observable<CourseNews> {
    return this.heard<CourseNews>((plans, tell) => plans.makeCourse(request, tell));
  }

  private heard<N>(
    ask: (plans: PlansApi | Remote<PlansApi>, tell: (news: N) => unknown) => Promise<unknown>,
    answer: (news: N) => unknown = () => null,
  ): Observable<N> {
    return new Observable((listener) => {
      const maker = this.ready ?? this.started();
      this.ready = null;
      let hasAnswered = false;
      const tell = (news: N): unknown => {
        listener.next(news);
        return answer(news);
      };
      const ended = maker
        ? Promise.race([ask(maker.plans, proxy(tell)), workerBroken(maker.worker)])
        : aTurnLater().then(() => ask({ makePlans, makeCourse }, tell));
      ended.then(
        () => {
          hasAnswered = true;
          listener.complete();
        },
        (error: unknown) => listener.error(error),
      );
      return () => {
        // One that has answered knows its work: the next question is for it.
        if (maker && hasAnswered && this.keepsReady && !this.ready) this.ready = maker;
        else maker?.worker.terminate();
        if (this.keepsReady) this.warm();
      };
    });
  }
}

function rehearse({ plans }: Maker, request: PlanRequest): void {
  const nobody = (): void => undefined;
  plans.makePlans({ ...request, tries: 0 }, proxy(nobody)).catch(nobody);
}

/** So that it stays as it would be with a worker. */
async function aTurnLater(): Promise<void> {
  await new Promise((done) => setTimeout(done));
}
