import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { api, type SavedLesson } from '@doceo/contract';
import { lastValueFrom } from 'rxjs';
import { FakeServer, Refusal, withServer } from '../../../testing/fake-server';
import { LESSON, PLAN, uuid } from '../../../testing/fixtures';
import { until } from '../../../testing/page';
import { ApiClient } from '../api/api-client';
import { LessonList } from './lesson-list';
import { lessonsBesides, lessonWith } from './lessons-besides';

const DAY_MS = 86_400_000;
const FIRST_MS = Date.parse('2026-06-01T08:00:00Z');
/** A lesson a day. */
const lesson = (day: number): SavedLesson => ({
  ...LESSON,
  id: uuid(500 + day),
  startsAt: new Date(FIRST_MS + day * DAY_MS).toISOString(),
});
const span = (from: number, until: number): number[] =>
  Array.from({ length: until - from }, (_, i) => from + i);
const all = span(0, 200).map(lesson);

describe('the lessons that a device knows', () => {
  let server: FakeServer;
  let list: LessonList;
  beforeEach(() => {
    // The twenty before the hundredth day and the forty after it are those around now.
    server = new FakeServer().on(api.lessons.list, ({ query: { from, until, planId, ids } }) => {
      if (ids) return all.filter(({ id }) => ids.split(',').includes(id));
      if (planId) return all.slice(3, 5);
      if (!from) return all.slice(80, 140);
      return all.filter(({ startsAt }) => startsAt >= from && (!until || startsAt < until)).slice(0, 60);
    });
    TestBed.configureTestingModule({ providers: withServer(server) });
    list = TestBed.inject(LessonList);
  });
  const load = (chosenId: string | null = null): Promise<unknown> => lastValueFrom(list.load(chosenId));
  const days = (): number[] =>
    list.lessons().map(({ startsAt }) => (Date.parse(startsAt) - FIRST_MS) / DAY_MS);
  const settled = async (): Promise<void> => {
    TestBed.tick();
    await new Promise((resolve) => setTimeout(resolve, 20));
  };
  /** Waits for it, however slow the machine. */
  const comes = async (read: () => unknown, expected: unknown): Promise<void> => {
    await until(() => {
      TestBed.tick();
      return JSON.stringify(read()) === JSON.stringify(expected);
    }).catch(() => undefined);
    expect(read()).toEqual(expected);
  };

  it('are those around now, and all that are to come, each once', async () => {
    await load();
    await comes(days, span(80, 200));
    expect(server.of(api.lessons.list).map(({ query }) => query['from'] ?? null)).toEqual([
      null,
      lesson(139).startsAt,
      lesson(198).startsAt,
    ]);
  });

  it('have the one that was chosen among them, however long ago it was', async () => {
    await load(lesson(7).id);
    expect(days().slice(0, 2)).toEqual([7, 80]);
  });

  it('do without it where nobody answers', async () => {
    const answered = server;
    answered.on(api.lessons.list, ({ query }) => {
      if (query['ids']) throw new Refusal(0);
      return all.slice(80, 100);
    });
    await load(lesson(7).id);
    expect(days()).toEqual(span(80, 100));
  });

  it('are joined by those of a time, page by page, in their order', async () => {
    await load();
    await lastValueFrom(list.besides({ from: lesson(0).startsAt, until: lesson(75).startsAt }));
    expect(days().slice(0, 76)).toEqual([...span(0, 75), 80]);
  });

  it('end where a whole page begins at one moment', async () => {
    server.on(api.lessons.list, ({ query }) =>
      query['from'] ? span(0, 60).map((day) => ({ ...lesson(day), startsAt: LESSON.startsAt })) : [],
    );
    await lastValueFrom(list.besides({ from: LESSON.startsAt }));
    expect(list.lessons()).toHaveLength(60);
    expect(server.of(api.lessons.list)).toHaveLength(1);
  });

  it('are asked for anew by who shows them, when those around now were', async () => {
    const planId = signal(PLAN.id);
    const there = TestBed.runInInjectionContext(() => lessonsBesides(() => [{ planId: planId() }]));
    await settled();
    // Not before those around now are there.
    expect([there(), server.calls.length]).toEqual([null, 0]);
    const asked = (): number => server.of(api.lessons.list).filter(({ query }) => query['planId']).length;
    await load();
    await comes(() => [there(), ...days().slice(0, 3)], [true, 3, 4, 80]);
    await load();
    await comes(() => [asked(), ...days().slice(0, 3)], [2, 3, 4, 80]);
  });

  it('say so where nobody tells of them, and are looked for when the server is back', async () => {
    server.on(api.lessons.list, ({ query }) => {
      if (query['ids']) throw new Refusal(0);
      return all.slice(80, 100);
    });
    const found = TestBed.runInInjectionContext(() => lessonWith(() => lesson(2).id));
    await load();
    await comes(() => [found.lesson(), found.looked()], [null, false]);
    // The application looks for the server while something is missing for want of it.
    expect(TestBed.inject(ApiClient).fromDevice()).toBe(true);
    server.on(api.lessons.list, ({ query }) => (query['ids'] ? [lesson(2)] : all.slice(80, 100)));
    await load();
    await comes(() => [found.lesson()?.id, found.looked()], [lesson(2).id, true]);
  });

  it('find one by its id, asking only for what is not known', async () => {
    const id = signal(lesson(90).id);
    const found = TestBed.runInInjectionContext(() => lessonWith(id));
    await load();
    await comes(() => found.lesson()?.id, lesson(90).id);
    const byId = (): number => server.of(api.lessons.list).filter(({ query }) => query['ids']).length;
    expect(byId()).toBe(0);
    id.set(lesson(2).id);
    await comes(() => [found.lesson()?.id, found.looked(), byId()], [lesson(2).id, true, 1]);
    id.set(uuid(999));
    await comes(() => [found.lesson(), found.looked(), byId()], [null, true, 2]);
  });
});
