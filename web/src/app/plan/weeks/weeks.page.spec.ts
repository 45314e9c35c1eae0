import { api, type Lesson, type SavedLesson } from '@doceo/contract';
import Dexie from 'dexie';
import { IDBFactory } from 'fake-indexeddb';
import { MessageService } from 'primeng/api';
import { TestBed } from '@angular/core/testing';
import type { UndoData } from '../../data/undoable';
import { type FakeServer, Refusal } from '../../../testing/fake-server';
import { ALONG, LESSON, uuid, WATER } from '../../../testing/fixtures';
import { lessonServer, setDate, show, until } from '../../../testing/page';
import { outlookFrom } from '../../../testing/waters';
import { WeeksPage } from './weeks.page';

const LATER: SavedLesson = {
  ...LESSON,
  ...{ id: uuid(52), startsAt: '2026-06-17T07:30:00Z', planTitle: 'Tuck and drift' },
};

describe('the weeks', () => {
  let server: FakeServer;
  const undo = (): void => {
    const told = jest.mocked(TestBed.inject(MessageService).add).mock.calls.at(-1)?.[0];
    (told?.data as UndoData).undo();
  };
  const starts = (): string[] =>
    server.of(api.lessons.update).map(({ body }) => (body as Lesson).startsAt.slice(0, 16));
  beforeEach(() => {
    localStorage.clear();
    setDate();
    jest.spyOn(MessageService.prototype, 'add');
    server = lessonServer()
      .on(api.lessons.list, [LESSON, LATER])
      .on(api.lessons.update, ({ body }, { id }) => ({ ...LESSON, ...(body as Lesson), id: id ?? '' }))
      .on(api.lessons.create, ({ body }) => {
        const { id, lesson } = body as { id: string; lesson: Lesson };
        return { ...LESSON, ...lesson, id };
      })
      .on(api.lessons.remove, { ok: true })
      .on(api.waters.outlook, ({ query }, { id }) =>
        outlookFrom(id ?? '', query['date'] ?? '', Number(query['days'])),
      );
  });
  afterEach(() => {
    jest.restoreAllMocks();
    jest.useRealTimers();
  });

  it('draw no night where no water is, and say so', async () => {
    server.on(api.waters.list, []).on(api.lessons.list, []);
    const page = await show(WeeksPage, server);
    await page.settle();
    expect(document.querySelectorAll('.night')).toHaveLength(0);
    expect(document.querySelectorAll('.unknown').length).toBeGreaterThan(0);
    expect(page.text()).toContain('No water yet');
  });

  it('say that lessons may be missing which this device does not have', async () => {
    Dexie.dependencies.indexedDB = new IDBFactory();
    server.on(api.lessons.list, ({ query }) => {
      if (query['from']) throw new Refusal(0);
      return [LESSON];
    });
    const page = await show(WeeksPage, server);
    await until(() => page.text().includes('lessons of these weeks may be missing'));
    expect(document.querySelectorAll('.day button')).toHaveLength(1);
    await page.press('Later ›');
    await until(() => page.text().includes('No lesson known in these weeks'));
  });

  it('leave the lesson of a fellow where he put it', async () => {
    server.on(api.lessons.list, [LESSON, { ...ALONG, id: LATER.id, startsAt: LATER.startsAt }]);
    const page = await show(WeeksPage, server);
    document.querySelectorAll<HTMLElement>('.day button')[1]?.click();
    await page.settle();
    expect(page.all('.bench-side p').join()).toContain('Tobias Lind’s lesson');
    for (const gone of ['a day later', 'Put 3 more on the calendar', 'Cancel the lesson'])
      expect(page.all('.bench-side button')).not.toContain(gone);
    // What follows of one's own moves along; his does not.
    document.querySelectorAll<HTMLElement>('.day button')[0]?.click();
    await page.settle();
    expect(page.text()).not.toContain('What follows for its students');
    expect(page.all('.bench-side button').join()).toContain('a day later');
  });

  it('show the lessons on their days, from the Monday of this week on', async () => {
    const page = await show(WeeksPage, server);
    expect(page.all('h2').slice(0, 4)).toEqual(['Week 24', 'Week 25', 'Week 26', 'Week 27']);
    expect(page.all('.day .long')).toEqual(['First nymphs', 'Tuck and drift']);
    expect(page.all('.dates .today')).toEqual(['Wed 10']);
    expect(page.all('.water span')[0]).toBe('12 °C');
  });

  it('move a lesson with what follows, and back again', async () => {
    const page = await show(WeeksPage, server);
    await page.press(/First nymphs/);
    expect(page.all('aside li')).toEqual(['Wed 17 Jun, Tuck and drift']);
    expect(page.all('.steps .btn')[3]).toBe('a week later on Tuck and drift');
    document.querySelector<HTMLElement>('.along input')?.click();
    await page.settle();
    expect(page.all('.steps .btn')[3]).toBe('a week later');
    await page.press('a week later');
    expect(starts()).toEqual(['2026-06-17T07:30', '2026-06-24T07:30']);
    undo();
    await page.settle();
    expect(starts().slice(2)).toEqual(['2026-06-10T07:30', '2026-06-17T07:30']);
  });

  it('repeat a lesson, but on days one teaches on or out of season, and say so', async () => {
    const ends = { ...WATER, water: { ...WATER.water, rules: { ...WATER.water.rules, seasonTo: '06-30' } } };
    server.on(api.waters.list, [ends]);
    const page = await show(WeeksPage, server);
    await page.press(/First nymphs/);
    await page.press('Put 3 more on the calendar');
    const made = server
      .of(api.lessons.create)
      .map(({ body }) => (body as { lesson: Lesson }).lesson.startsAt);
    expect(made.map((text) => text.slice(0, 10))).toEqual(['2026-06-24']);
    const told = jest.mocked(TestBed.inject(MessageService).add).mock.calls.at(-1)?.[0].summary;
    expect(told).toBe(
      '1 lesson more; Wed 17 Jun left out, you teach Tuck and drift; Wed 1 Jul left out, closed season',
    );
    undo();
    await page.settle();
    expect(server.of(api.lessons.remove)).toHaveLength(1);
  });

  it('cancel a lesson, and bring it back', async () => {
    const page = await show(WeeksPage, server);
    await page.press(/Tuck and drift/);
    await page.press('Cancel the lesson');
    expect(page.all('.day .long')).toEqual(['First nymphs']);
    undo();
    await page.settle();
    expect(page.all('.day .long')).toHaveLength(2);
  });

  it('turn to the weeks before and after, and say when nothing is in them', async () => {
    const page = await show(WeeksPage, server);
    await page.press('Later ›');
    expect(page.text()).toContain('No lesson in these weeks');
    await page.press(/First nymphs, Wed 10 Jun/);
    expect(page.all('aside h2')).toEqual(['First nymphs']);
  });
});
