import { TestBed } from '@angular/core/testing';
import { api, type Lesson, type SavedCourse, type SavedLesson } from '@doceo/contract';
import { columnsByStudent, type BankEvent, emptyPlan, type GoalForecast, type PlanBody } from '@doceo/core';
import { MessageService } from 'primeng/api';
import { Subject } from 'rxjs';
import type { FakeServer } from '../../../testing/fake-server';
import { attempt, JONAS, LESSON, PLAN, SAM, TAUGHT, uuid } from '../../../testing/fixtures';
import { lessonServer, setDate, type Shown, show } from '../../../testing/page';
import type { UndoData } from '../../data/undoable';
import type { CourseNews, CourseRequest } from '../../workers/plans/make-course';
import { PlanRunner } from '../../workers/plans/plan-runner';
import { CoursePage } from './course.page';

const GOAL = 'casting.pause';
const COURSE: SavedCourse = {
  id: uuid(91),
  course: {
    ...{ name: 'Summer evenings', fromOn: '2026-06-01', untilOn: '2026-07-15' },
    ...{ goals: [GOAL], studentIds: [SAM.id, JONAS.id] },
  },
};
const PAST: SavedLesson = { ...LESSON, id: uuid(50), startsAt: '2026-06-03T07:30:00Z' };
const NEXT: SavedLesson = { ...LESSON, id: uuid(52), startsAt: '2026-06-17T07:30:00Z' };
const ALONE: SavedLesson = {
  ...LESSON,
  ...{ id: uuid(53), startsAt: '2026-06-24T07:30:00Z', planId: uuid(22), studentIds: [JONAS.id] },
};
const AFTER: SavedLesson = { ...LESSON, id: uuid(54), startsAt: '2026-08-24T07:30:00Z' };
const NEW_PLAN: PlanBody = { ...emptyPlan(), aim: 'made', lengthMin: 120 };

function forecast(studentId: string, chance: number, request: CourseRequest): GoalForecast {
  const point = (atMs: number) => ({ atMs, mean: chance, low: chance / 2, high: 1 });
  return {
    ...{ studentId, skillId: GOAL, now: 0.3, chance, past: (request.task.overMs ?? []).map(() => 0.25) },
    course: [...request.task.lessons.map(({ lesson }) => lesson.startMs), request.task.untilMs].map(point),
    enoughAt: chance >= 0.8 ? 0 : null,
    wanting: chance >= 0.8 || chance < 0.1 ? null : { lesson: 1, attempts: chance < 0.45 ? 20 : 30 },
  };
}

describe('a course', () => {
  let server: FakeServer;
  let asked: { request: CourseRequest; news: Subject<CourseNews> }[];
  beforeEach(() => {
    localStorage.clear();
    setDate();
    jest.spyOn(MessageService.prototype, 'add');
    asked = [];
    const course = (request: CourseRequest): Subject<CourseNews> => {
      const news = new Subject<CourseNews>();
      asked.push({ request, news });
      return news;
    };
    TestBed.configureTestingModule({ providers: [{ provide: PlanRunner, useValue: { course } }] });
    server = lessonServer()
      .on(api.courses.list, [COURSE])
      .on(api.lessons.list, [PAST, NEXT, ALONE, AFTER])
      .on(api.lessons.plan, (_, { id }) => ({ ...TAUGHT, lessonId: id ?? '' }))
      .on(api.plans.get, (_, { id }) => ({ ...PLAN, id: id ?? '', version: 7 }))
      .on(api.plans.update, ({ body }, { id }) => ({
        ...PLAN,
        ...(body as { body: PlanBody }),
        id: id ?? '',
      }))
      .on(api.plans.create, ({ body }) => ({ ...PLAN, ...(body as { id: string }) }))
      .on(api.plans.remove, { ok: true })
      .on(api.lessons.update, ({ body }, { id }) => ({ ...LESSON, ...(body as Lesson), id: id ?? '' }));
  });
  afterEach(() => {
    jest.restoreAllMocks();
    jest.useRealTimers();
  });

  const answer = async (page: Shown<CoursePage>, sam: number, jonas: number): Promise<void> => {
    const { request, news } = asked.at(-1)!;
    news.next({
      kind: 'course',
      plans: request.task.lessons.map(() => NEW_PLAN),
      goals: [forecast(SAM.id, sam, request), forecast(JONAS.id, jonas, request)],
    });
    news.complete();
    await page.settle();
  };
  const open = async (): Promise<Shown<CoursePage>> => {
    const page = await show(CoursePage, server, { id: COURSE.id });
    await page.settle();
    await answer(page, 0.85, 0.4);
    return page;
  };
  const proposed = async (): Promise<Shown<CoursePage>> => {
    const page = await open();
    await page.press('Plan its lessons');
    await answer(page, 0.9, 0.82);
    return page;
  };

  it('has the lessons of its students in its days, and foretells their plans as they are', async () => {
    const page = await open();
    const [{ request }] = asked as [(typeof asked)[number]];
    expect(request.tries).toBeNull();
    expect(request.task.lessons.map(({ lesson, studentIds }) => [lesson.date, studentIds])).toEqual([
      ['2026-06-17', [SAM.id, JONAS.id]],
      ['2026-06-24', [JONAS.id]],
    ]);
    expect(request.task.overMs).toEqual([Date.parse('2026-06-03T09:30:00Z')]);
    expect(page.all('a.lesson .what')).toHaveLength(3);
    expect(page.all('text.end')).toEqual(['1 of 2']);
  });

  it('tells of each student how likely a goal is, and draws his stream alone', async () => {
    const page = await open();
    expect(page.all('a.who .figure')).toEqual(['85 %', '40 %']);
    expect(page.all('a.who .note')).toEqual([
      'likely enough from Wed 17 Jun on',
      'not likely enough by then 20 more tries on Wed 24 Jun would do: Count the pause, 12 min more.',
    ]);
    await page.press('Jonas');
    expect(page.all('text.end')).toEqual(['40 %']);
  });

  it('says where a drill would go on for longer than it is good for', async () => {
    const page = await open();
    await page.press('Plan its lessons');
    await answer(page, 0.9, 0.5);
    expect(page.all('a.who .note')[1]).toContain(
      '30 more tries on Wed 24 Jun would do: Count the pause, 17 min more, longer than it is good for in one piece.',
    );
  });

  it('promises no number of tries where none would do', async () => {
    const page = await open();
    await page.press('Plan its lessons');
    await answer(page, 0.9, 0.05);
    expect(page.all('a.who .note')[1]).toBe(
      'not likely enough by then No number of tries in one lesson would do.',
    );
  });

  it('shows what the goal rests on, and how far each has it', async () => {
    const stops = Array.from({ length: 8 }, () => attempt('casting.stop', null));
    server.on(api.records.list, columnsByStudent(stops));
    const page = await open();
    expect(page.all('doceo-goal-needs .skill')).toEqual(['Stop']);
    const [sam, jonas] = page.all('doceo-goal-needs title');
    expect(sam).toMatch(/^Sam (9\d|100) %$/);
    expect(jonas).toMatch(/^Jonas [12]\d %$/);
  });

  it('says what a lesson was to train and did not, and where it comes again', async () => {
    const events: BankEvent[] = [
      {
        ...{ id: uuid(95), lessonId: PAST.id, studentId: SAM.id, blockId: null, deviceId: uuid(96) },
        atMs: Date.parse('2026-06-03T08:00:00Z'),
        body: { kind: 'attempt', skillId: 'casting.roll', drillId: null, good: true, faultId: null },
      },
    ];
    server.on(api.records.list, columnsByStudent(events));
    const page = await open();
    expect(page.text()).toContain(
      'Pause was planned for Wed 3 Jun and not tried. It comes again on Wed 17 Jun.',
    );
  });

  it('plans its lessons, tells the gain, and leaves them when they are left', async () => {
    const page = await proposed();
    expect(asked.at(-1)?.request.tries).toBeGreaterThan(0);
    expect(page.text()).toContain('2 of 2 goals likely enough, 1 with the plans as they are');
    await page.press('Leave them');
    expect(page.all('text.end')).toEqual(['1 of 2']);
    expect(server.of(api.plans.create)).toHaveLength(0);
  });

  it('keeps what it has found when it is stopped', async () => {
    const page = await open();
    await page.press('Plan its lessons');
    const { request, news } = asked.at(-1)!;
    news.next({ kind: 'planned', share: 0.5 });
    news.next({ kind: 'course', plans: [], goals: [forecast(SAM.id, 0.9, request)] });
    await page.settle();
    await page.press('Stop');
    expect(page.all('button')).toContain('Take the plans');
  });

  it('gives a lesson a plan of its own where others have its plan, else changes it; and all comes back', async () => {
    const page = await proposed();
    await page.press('Take the plans');
    await page.quiet();
    const [made] = server.of(api.plans.create);
    expect(made?.body).toMatchObject({ title: 'First nymphs, Wed 17 Jun', body: { aim: 'made' } });
    const { id } = made?.body as { id: string };
    expect(server.of(api.lessons.update)).toMatchObject([
      { path: `/api/lessons/${NEXT.id}`, body: { planId: id } },
    ]);
    expect(server.of(api.plans.update)).toMatchObject([
      { path: `/api/plans/${ALONE.planId}`, body: { body: { aim: 'made' }, baseVersion: 7 } },
    ]);
    const told = jest.mocked(TestBed.inject(MessageService).add).mock.calls.at(-1)?.[0];
    expect(told?.summary).toBe('2 lessons have a new plan');
    (told?.data as UndoData).undo();
    await page.quiet();
    expect(server.of(api.lessons.update).at(-1)).toMatchObject({ body: { planId: PLAN.id } });
    expect(server.of(api.plans.remove)).toMatchObject([{ path: `/api/plans/${id}` }]);
    expect(server.of(api.plans.update).at(-1)).toMatchObject({ body: { body: { aim: 'One drift each' } } });
  });

  it('says when a course is no more, and when it has nobody', async () => {
    const page = await show(CoursePage, server, { id: uuid(99) });
    expect(page.text()).toContain('No such course');
  });
});
