import { api, type HomeWaiting } from '@doceo/contract';
import { SAM, uuid } from '../../../testing/fixtures';
import { lessonServer, show } from '../../../testing/page';
import { StudentNewsComponent } from '../list/student-news.component';
import { HomeWaitingComponent } from './home-waiting.component';

const WAITING: HomeWaiting = {
  ...{ on: '2026-06-11', skillId: 'casting.pause', evidence: 'measured', good: 2, of: 3 },
  ids: [uuid(401), uuid(402), uuid(403)],
};

beforeEach(() => localStorage.clear());

describe('what a student did at home', () => {
  const open = async (waiting: HomeWaiting[]) => {
    const server = lessonServer().on(api.pages.waiting, waiting);
    const page = await show(HomeWaitingComponent, server, { student: SAM });
    let counted = 0;
    page.fixture.componentInstance.counted.subscribe(() => (counted += 1));
    return { page, server, counted: () => counted };
  };

  it('is shown as it came, and counts when one says so', async () => {
    const { page, server, counted } = await open([WAITING]);
    expect(page.text()).toMatch(/11 Jun, tapped along/);
    expect(document.querySelectorAll('i.good')).toHaveLength(2);
    server.on(api.pages.judge, []);
    await page.press('Count it');
    expect(server.of(api.pages.judge)[0]?.body).toEqual({ ids: WAITING.ids, counts: true });
    expect(page.all('h2')).toEqual([]);
    expect(counted()).toBe(1);
  });

  it('goes when one says so, or stays where the server refuses', async () => {
    const { page, server, counted } = await open([{ ...WAITING, good: 20, of: 40 }]);
    expect(document.querySelectorAll('.tries i')).toHaveLength(0);
    server.refuse(api.pages.judge, 403, 'forbidden');
    await page.press('Let it go');
    expect(page.all('li')).toHaveLength(1);
    server.on(api.pages.judge, []);
    await page.press('Let it go');
    expect(server.of(api.pages.judge).at(-1)?.body).toMatchObject({ counts: false });
    expect(page.all('li')).toEqual([]);
    expect(counted()).toBe(0);
  });

  it('is told on the list of students', async () => {
    const server = lessonServer().on(api.pages.news, [{ studentId: SAM.id, entries: 14 }]);
    const page = await show(StudentNewsComponent, server);
    expect(page.all('p')).toEqual([
      `${SAM.student.name} practised at home: 14 to look at first. ${SAM.student.name}’s record`,
    ]);
  });
});
