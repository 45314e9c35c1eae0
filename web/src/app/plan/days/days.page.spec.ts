import { api, type Lesson } from '@doceo/contract';
import type { FakeServer } from '../../../testing/fake-server';
import { LESSON, PLAN, WATER } from '../../../testing/fixtures';
import { lessonServer, setDate, show } from '../../../testing/page';
import { LAKE, outlookFrom } from '../../../testing/waters';
import { DaysPage } from './days.page';

describe('which day and water', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    setDate();
    server = lessonServer()
      .on(api.waters.list, [WATER, LAKE])
      // Thunder is foretold on all days at the river but on the 13th.
      .on(api.waters.outlook, ({ query }, { id }) =>
        outlookFrom(id ?? '', query['date'] ?? '', Number(query['days']), (date) =>
          id === WATER.id && date !== '2026-06-13' ? { thunder: 0.6 } : { windMs: id === WATER.id ? 1 : 12 },
        ),
      );
  });
  afterEach(() => jest.useRealTimers());

  it('tells the best day at the best water first, and asks for two weeks of each water once', async () => {
    const page = await show(DaysPage, server, { id: PLAN.id });
    expect(page.all('ol .told span > b')[0]).toMatch(/^Sat 13 Jun, \d\d:\d\d–\d\d:\d\d$/);
    expect(page.all('.chosen h2')[0]).toMatch(/^Sat 13 Jun/);
    expect(server.of(api.waters.outlook).map(({ query }) => query)).toEqual([
      { date: '2026-06-10', days: '14' },
      { date: '2026-06-10', days: '14' },
    ]);
    expect(page.text()).toContain('for Sam and Jonas');
  });

  it('marks what is stopped, and says why when it is looked at', async () => {
    const page = await show(DaysPage, server, { id: PLAN.id });
    expect(page.all('button.stopped').length).toBe(13);
    document.querySelector<HTMLElement>('button.stopped')?.click();
    await page.settle();
    expect(page.all('.chosen li')).toContain('Thunder is likely');
  });

  it('keeps to the hours and the days one teaches on', async () => {
    const page = await show(DaysPage, server, { id: PLAN.id });
    document.querySelector<HTMLElement>('input[type=checkbox]')?.click();
    await page.settle();
    // Two weekends at two waters.
    expect(page.all('.day button:not(.lesson)').length).toBe(8);
    expect(page.all('ol .told span > b').every((text) => /^(Sat|Sun)/.test(text))).toBe(true);
  });

  it('puts the plan on the day that was chosen', async () => {
    server.on(api.lessons.create, ({ body }) => {
      const { id, lesson } = body as { id: string; lesson: Lesson };
      return { ...LESSON, ...lesson, id };
    });
    const page = await show(DaysPage, server, { id: PLAN.id });
    await page.press('Schedule it then');
    await page.press('Schedule it');
    const [made] = server.of(api.lessons.create);
    const { lesson } = made?.body as { lesson: Lesson };
    expect(lesson).toMatchObject({
      ...{ planId: PLAN.id, waterId: WATER.id, studentIds: LESSON.studentIds },
    });
    expect(lesson.startsAt).toMatch(/^2026-06-13T/);
  });

  it('goes on without the weather of a water that nobody tells, and says where one does not lie', async () => {
    const nowhere = { ...LAKE, water: { ...LAKE.water, latitude: null, longitude: null } };
    server.on(api.waters.list, [WATER, nowhere]).refuse(api.waters.outlook, 404, 'not-found');
    const page = await show(DaysPage, server, { id: PLAN.id });
    await page.quiet();
    expect(page.text()).toContain('Nobody has said where it lies');
    expect(page.text()).toContain('Nobody tells its weather');
  });
});
