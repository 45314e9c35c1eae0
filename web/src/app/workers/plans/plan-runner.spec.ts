import { TestBed } from '@angular/core/testing';
import { emptyPlan, planProblems, taskFor } from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { lastValueFrom, tap, toArray } from 'rxjs';
import { WATER } from '../../../testing/fixtures';
import { until } from '../../../testing/page';
import type { CourseRequest } from './make-course';
import { type PlanNews, type PlanRequest, sentCurriculum } from './make-plans';
import { PlanRunner } from './plan-runner';
import { PLANS_WORKER } from './plans-token';

/** A plan of an hour for two, as the page asks for it. */
function request(lengthMin = 60, groupSize = 2): PlanRequest {
  const plan = { ...emptyPlan(), lengthMin, groupSize };
  const day = { curriculum: SHIPPED, lesson: null, closed: [] };
  const { curriculum, ...task } = taskFor(plan, { use: 'fill' }, day);
  return { curriculum: sentCurriculum(curriculum), task, before: [], seed: 'spec', tries: 300 };
}

/** Workers that never answer, and know whether they were ended. */
function silentWorkers(): { started: { ended: boolean }[]; start: () => Worker } {
  const started: { ended: boolean }[] = [];
  const nothing = (): void => undefined;
  const start = (): Worker => {
    const worker = {
      ...{ addEventListener: nothing, removeEventListener: nothing, start: nothing, postMessage: nothing },
      ended: false,
      terminate: () => (worker.ended = true),
    };
    started.push(worker);
    return worker as unknown as Worker;
  };
  return { started, start };
}

describe('the runner of plans', () => {
  it('tells of plans, each better, with how far it is, and of what there was at the end', async () => {
    TestBed.configureTestingModule({});
    const news = await lastValueFrom(TestBed.inject(PlanRunner).run(request()).pipe(toArray()));
    const plans = news.flatMap((one) => (one.kind === 'plan' ? one : []));
    expect(plans.length).toBeGreaterThan(1);
    const totals = plans.map(({ score }) => score.total);
    expect(totals).toEqual([...totals].sort((a, b) => a - b));
    expect(plans.at(-1)!.plan.blocks[0]).toMatchObject({ kind: 'safety', startMin: 0 });
    expect(news.some(({ kind }) => kind === 'share')).toBe(true);
    expect(news.at(-1)).toMatchObject({
      ...{ kind: 'end', before: { score: { figures: { gainSkills: 0 } } }, gone: [] },
    });
  });

  it('looks into a plan where that is asked: first the plan comes, then when it ends and what its check finds', async () => {
    TestBed.configureTestingModule({});
    const asked = { ...request(), outlookFor: { lesson: null } };
    const news = await lastValueFrom(TestBed.inject(PlanRunner).run(asked).pipe(toArray()));
    const [first, second, ...rest] = news.flatMap((one) => (one.kind === 'plan' ? one : []));
    expect(first!.outlook).toBeNull();
    expect(second!.plan).toEqual(first!.plan);
    for (const { plan, outlook } of [second!, ...rest]) {
      expect(outlook!.problems).toEqual(planProblems(SHIPPED, plan, null));
      expect(outlook!.overrun!.latestMin).toBeGreaterThan(outlook!.overrun!.soonestMin);
    }
  });

  it('does not look further while a plan is being drawn', async () => {
    TestBed.configureTestingModule({});
    const frame = jest.spyOn(globalThis, 'requestAnimationFrame').mockReturnValue(0);
    const news: PlanNews[] = [];
    const run = TestBed.inject(PlanRunner)
      .run(request())
      .subscribe((one) => news.push(one));
    await until(() => frame.mock.calls.length > 0);
    await new Promise((turn) => setTimeout(turn));
    expect(news.map(({ kind }) => kind)).toEqual(['plan']);
    run.unsubscribe();
    frame.mockRestore();
  });

  it('looks no further once that is enough, and tells of what it found', async () => {
    TestBed.configureTestingModule({});
    let shares = 0;
    const isEnough = (): boolean => shares > 0;
    const run = TestBed.inject(PlanRunner)
      .run({ ...request(), tries: 1_000_000 }, isEnough)
      .pipe(tap(({ kind }) => (shares += kind === 'share' ? 1 : 0)));
    const news = await lastValueFrom(run.pipe(toArray()));
    expect(shares).toBe(1);
    expect(news.at(-1)).toMatchObject({ kind: 'end', gone: [] });
  });

  it('plans a course, tells how far it is, and of it at the end', async () => {
    TestBed.configureTestingModule({});
    const [weekMs, nowMs] = [7 * 86_400_000, Date.parse('2026-06-10T08:00:00Z')];
    const student = {
      ...{
        id: 's',
        name: 'S',
        ageYears: 30,
        saidAdult: true,
        guardianConsent: true,
        needs: [],
        attempts: [],
      },
    };
    const plan = { ...emptyPlan(), lengthMin: 60, groupSize: 1 };
    const course: CourseRequest = {
      curriculum: sentCurriculum(SHIPPED),
      task: {
        ...{ students: [student], goals: ['casting.stop'], nowMs, untilMs: nowMs + 2 * weekMs },
        lessons: [{ plan, lesson: { startMs: nowMs + weekMs, date: '2026-06-17', water: WATER.water } }],
      },
      ...{ seed: 'spec', tries: 100 },
    };
    const runner = TestBed.inject(PlanRunner);
    const news = await lastValueFrom(runner.course(course).pipe(toArray()));
    const shares = news.flatMap((one) => (one.kind === 'planned' ? [one.share] : []));
    expect(shares).toEqual([0.25, 0.5, 0.75, 1]);
    const made = news.at(-1);
    expect(made).toMatchObject({ kind: 'course', goals: [{ skillId: 'casting.stop' }] });
    const [foretold] = await lastValueFrom(runner.course({ ...course, tries: null }).pipe(toArray()));
    expect(foretold).toMatchObject({ kind: 'course', plans: [{ blocks: [] }] });
  });

  it('tells why there is none', async () => {
    TestBed.configureTestingModule({});
    const news = await lastValueFrom(TestBed.inject(PlanRunner).run(request(60, 0)).pipe(toArray()));
    expect(news).toEqual([{ kind: 'none', whyNot: { why: 'no-students' } }]);
  });

  it('ends its worker when nobody listens, and has the next one ready where it was asked to', () => {
    const { started, start } = silentWorkers();
    const port = { addEventListener: () => undefined, start: () => undefined, postMessage: () => undefined };
    Object.assign(globalThis, {
      MessageChannel: class {
        port1 = port;
        port2 = port;
      },
    });
    TestBed.configureTestingModule({ providers: [{ provide: PLANS_WORKER, useValue: start }] });
    const runner = TestBed.inject(PlanRunner);
    runner.run(request()).subscribe().unsubscribe();
    expect(started.map(({ ended }) => ended)).toEqual([true]);
    runner.warm();
    expect(started).toHaveLength(2);
    runner.run(request()).subscribe().unsubscribe();
    expect(started.map(({ ended }) => ended)).toEqual([true, true, false]);
    runner.cool();
    expect(started.map(({ ended }) => ended)).toEqual([true, true, true]);
  });
});
