import { api, type SavedPlan, type SavedStudent } from '@doceo/contract';
import { type BankEvent, type PlanBody, SKILLS, skillState } from '@doceo/core';
import type { FakeServer } from '../../testing/fake-server';
import { attempt, event, JONAS, NOW, PLAN, SAM, uuid } from '../../testing/fixtures';
import { lessonServer, setDate, type Shown, show } from '../../testing/page';
import { RecordPage } from './record.page';
import { StudentListPage } from './student-list.page';
import { drawStreams } from './streams';

jest.mock('../theme/echarts-core', () => ({
  __esModule: true,
  default: {
    init: () => new Proxy({}, { get: () => () => undefined }),
  },
}));

const PAUSE = 'casting.pause';
const good = (n: number, skill = PAUSE): BankEvent[] => Array.from({ length: n }, () => attempt(skill, null));
const bad = (n: number, fault = 'cast.crack'): BankEvent[] =>
  Array.from({ length: n }, () => attempt(PAUSE, fault));

describe('the record', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    setDate(NOW + 3_600_000);
    server = lessonServer();
  });
  afterEach(() => jest.useRealTimers());

  const open = async (events: BankEvent[], id = SAM.id): Promise<Shown<RecordPage>> => {
    server.on(api.events.list, events);
    return show(RecordPage, server, { id });
  };
  const reach = (name: string): SVGElement =>
    [...document.querySelectorAll<SVGElement>('.reach')].find((found) =>
      found.getAttribute('aria-label')?.includes(`, ${name}:`),
    ) as SVGElement;

  it('draws every skill of the graph as a reach that tells its estimate', async () => {
    await open(good(10));
    expect(document.querySelectorAll('.reach')).toHaveLength(SKILLS.skills.length);
    expect(reach('Pause').getAttribute('aria-label')).toMatch(/0\.9\d likely, 10 attempts/);
  });

  it('shows evidence newest first, without what was taken back', async () => {
    const taken = attempt(PAUSE, 'cast.crack');
    const page = await open([...good(1), ...bad(1), taken, event({ kind: 'undo', targetId: taken.id })]);
    expect(page.all('td.bad, td.ok')).toHaveLength(2);
    expect(page.all('tbody tr')[0]).toContain('orward too soon');
  });

  it('narrows to one reach, by click or by key, and back', async () => {
    const page = await open([...good(3), ...good(2, 'casting.stop')]);
    expect(page.all('tbody tr')).toHaveLength(5);
    reach('Pause').dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await page.settle();
    expect(page.all('tbody tr')).toHaveLength(3);
    reach('Pause').dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await page.settle();
    expect(page.all('tbody tr')).toHaveLength(5);
  });

  it('shows long evidence a page at a time', async () => {
    const page = await open(good(30));
    expect(page.all('tbody tr')).toHaveLength(12);
    await page.press(/Show more of 30/);
    expect(page.all('tbody tr').length).toBeGreaterThan(12);
  });

  it('offers drills that fit the minutes, and makes a plan of them', async () => {
    server.on(api.plans.create, ({ body }) => ({ ...PLAN, ...(body as object) }) as SavedPlan);
    const page = await open(good(4, 'casting.grip-stance'));
    expect(page.all('.advice b').length).toBeGreaterThan(1);
    await page.press('Make a lesson of it');
    const made = server.of(api.plans.create)[0]?.body as { body: PlanBody };
    const [first, second] = made.body.blocks;
    expect([first?.drillId, first?.startMin]).toEqual(['hats-and-glasses', 0]);
    expect(page.all('.advice b')[0]).toBe(second?.title);
  });

  it('says what to do while there is nothing', async () => {
    expect((await open([])).text()).toContain('Nothing on the record yet');
  });

  it('shows nobody else’s student', async () => {
    expect((await open([], uuid(99))).text()).toContain('No such student');
  });

  it('changes the student, and asks a guardian of a minor', async () => {
    server.on(api.students.update, ({ body }) => ({ ...JONAS, student: body }) as SavedStudent);
    const page = await open([], JONAS.id);
    await page.press('Student');
    expect(page.text()).toContain('Without a guardian’s consent nothing is recorded');
    document.querySelector<HTMLInputElement>('input[name=consent]')?.click();
    await page.settle();
    await page.press('Save the student');
    expect(server.of(api.students.update)[0]?.body).toMatchObject({ guardianConsentOn: '2026-06-10' });
  });

  it('tells at the field that a name is needed', async () => {
    const page = await open([], SAM.id);
    await page.press('Student');
    await page.enter('input[name=name]', '  ');
    await page.press('Save the student');
    expect(page.text()).toContain('a name is needed');
    expect(server.of(api.students.update)).toEqual([]);
  });
});

describe('the students', () => {
  beforeEach(() => setDate());
  afterEach(() => jest.useRealTimers());

  it('are listed with what they are ready in', async () => {
    const page = await show(StudentListPage, lessonServer().on(api.events.list, good(12)));
    expect(page.all('.who b')).toEqual(['Sam Okande', 'Jonas Wren']);
    expect(page.all('.bar small')[0]).toMatch(/^casting 1\/\d+$/);
  });

  it('begin with an invitation', async () => {
    const page = await show(StudentListPage, lessonServer().on(api.students.list, []));
    await page.press('Add the first');
    expect(page.text()).toContain('Save the student');
  });
});

describe('the drawing of streams', () => {
  const streams = drawStreams(skillState(SKILLS, [], 0), 870, 112);

  it('has every skill once, left to right, without overlap', () => {
    const reaches = streams.flatMap((stream) => stream.reaches);
    expect(new Set(reaches.map(({ skill }) => skill.id)).size).toBe(SKILLS.skills.length);
    for (const stream of streams)
      stream.reaches.slice(1).forEach((next, i) => {
        const before = stream.reaches[i] as (typeof stream.reaches)[number];
        expect(next.x - next.width / 2).toBeCloseTo(before.x + before.width / 2, 6);
      });
  });

  it('stays inside its width', () => {
    for (const { reaches } of streams) {
      expect((reaches[0]?.x ?? 0) - (reaches[0]?.width ?? 0) / 2).toBeGreaterThanOrEqual(-0.001);
      expect((reaches.at(-1)?.x ?? 0) + (reaches.at(-1)?.width ?? 0) / 2).toBeLessThanOrEqual(870.001);
    }
  });

  it('is wider where more is mastered', () => {
    const tried = Array.from({ length: 12 }, (_, i) => ({ id: `${i}`, atMs: i, skillId: PAUSE, good: true }));
    const state = skillState(SKILLS, tried as never, 20);
    const height = (path: string): number => {
      const ys = [...path.matchAll(/[ML]([\d.]+) ([\d.]+)/g)].map(([, , y]) => Number(y));
      return Math.max(...ys) - Math.min(...ys);
    };
    const of = (all: typeof streams): number =>
      height(all.flatMap((stream) => stream.reaches).find(({ skill }) => skill.id === PAUSE)?.path ?? '');
    expect(of(drawStreams(state, 870, 112))).toBeGreaterThan(of(streams) + 10);
  });
});
