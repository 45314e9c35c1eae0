import { api, type Course } from '@doceo/contract';
import type { FakeServer } from '../../../testing/fake-server';
import { JONAS, SAM, uuid } from '../../../testing/fixtures';
import { lessonServer, setDate, show } from '../../../testing/page';
import { CourseListPage } from './course-list.page';

const course = (name: string, untilOn: string): Course => ({
  ...{ name, fromOn: '2026-01-01', untilOn, goals: ['casting.pause'], studentIds: [SAM.id] },
});

describe('the courses', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    setDate();
    server = lessonServer().on(api.courses.list, [
      { id: uuid(91), course: course('Long over', '2026-02-01') },
      { id: uuid(92), course: course('Later', '2026-09-01') },
      { id: uuid(93), course: course('Soon', '2026-07-01') },
    ]);
  });
  afterEach(() => jest.useRealTimers());

  it('stand in the order of their end, those that are over last', async () => {
    const page = await show(CourseListPage, server);
    expect(page.all('.course h3')).toEqual(['Soon', 'Later', 'Long over']);
    expect(page.all('.course')[0]).toContain('1 Jan 2026 – 1 Jul 2026');
  });

  it('begin with those of the next lesson, six weeks from today on', async () => {
    server.on(api.courses.create, ({ body }) => body as never);
    const page = await show(CourseListPage, server);
    await page.press('New course');
    await page.enter('doceo-course-form input[name=name]', 'Mends');
    const pause = [...document.querySelectorAll('label')].find(
      (label) => label.textContent?.trim() === 'Pause',
    );
    pause?.querySelector('input')?.click();
    await page.press('Begin the course');
    const [sent] = server.of(api.courses.create);
    expect((sent?.body as { course: Course }).course).toEqual({
      ...{ name: 'Mends', fromOn: '2026-06-10', untilOn: '2026-07-22' },
      ...{ goals: ['casting.pause'], studentIds: [SAM.id, JONAS.id] },
    });
  });

  it('say what misses where it misses, and keep what was typed', async () => {
    server.refuse(api.courses.create, 400, 'invalid', [
      { path: 'course.goals', code: 'too_small', message: 'too few' },
    ]);
    const page = await show(CourseListPage, server);
    await page.press('New course');
    await page.enter('doceo-course-form input[name=name]', 'Mends');
    await page.press('Begin the course');
    expect(page.all('.wrong')).toEqual(['choose at least one']);
    expect(document.querySelector<HTMLInputElement>('doceo-course-form input[name=name]')?.value).toBe(
      'Mends',
    );
  });

  it('are told of when there is none', async () => {
    server.on(api.courses.list, []);
    const page = await show(CourseListPage, server);
    expect(page.text()).toContain('No course yet');
    // What it will look like is typical, says so, and leads nowhere.
    expect(page.all('doceo-course-streams .name')).toHaveLength(3);
    expect(page.all('doceo-course-streams .end').every((end) => /^\d\d %$/.test(end))).toBe(true);
    expect(page.all('doceo-course-example doceo-origin')).toEqual(['typical']);
    expect(page.all('doceo-course-streams [role=button]')).toEqual([]);
  });
});
