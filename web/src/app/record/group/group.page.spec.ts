import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { api, type SavedPlan } from '@doceo/contract';
import { columnsByStudent, type BankEvent, drillEffects, type PlanBody, studentEffects } from '@doceo/core';
import type { FakeServer } from '../../../testing/fake-server';
import { attempt, JONAS, NOW, PLAN, SAM, uuid } from '../../../testing/fixtures';
import { lessonServer, setDate, type Shown, show } from '../../../testing/page';
import { GroupPage } from './group.page';

const many = (n: number, skill: string, student = SAM.id): BankEvent[] =>
  Array.from({ length: n }, () => ({ ...attempt(skill, null), studentId: student }));

describe('the group', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    setDate(NOW + 3_600_000);
    server = lessonServer();
  });
  afterEach(() => jest.useRealTimers());

  const open = async (events: BankEvent[]): Promise<Shown<GroupPage>> => {
    const ids = [...new Set(events.map(({ studentId }) => studentId!))];
    const people = ids.map((id) => studentEffects(events, id));
    server
      .on(api.records.list, columnsByStudent(events))
      .on(api.records.effects, { drills: drillEffects(SHIPPED, people), plans: [], named: [] });
    return show(GroupPage, server);
  };
  const cells = (page: Shown<GroupPage>, skill: string): (string | null)[] =>
    [...page.element.querySelectorAll(`td svg[aria-label*=", ${skill}:"]`)].map((cell) =>
      cell.getAttribute('aria-label'),
    );

  it('tells of each student who has a skill, who is ready for it, and what the others lack', async () => {
    const page = await open(many(15, 'casting.grip-stance'));
    expect(cells(page, 'Grip and stance')).toEqual([
      expect.stringMatching(/^Sam Okande, Grip and stance: has it, seen 15 times$/),
      expect.stringMatching(/^Jonas Wren, Grip and stance: ready to learn it, not seen$/),
    ]);
    expect(cells(page, 'Straight path')[1]).toContain('lacks Grip and stance');
  });

  it('shows only what somebody is ready for, until every skill is asked for', async () => {
    const page = await open([]);
    const few = page.all('tbody th[scope=row]').length;
    expect(page.all('tbody th[scope=row]')).not.toContain('Overhead cast');
    page.element.querySelector<HTMLInputElement>('input[type=checkbox]')?.click();
    await page.settle();
    expect(page.all('tbody th[scope=row]')).toHaveLength(SHIPPED.skills.all.length);
    expect(few).toBeLessThan(SHIPPED.skills.all.length);
  });

  it('names whom a drill is for, and makes a lesson of the drills for as many as there are', async () => {
    server.on(api.plans.create, ({ body }) => ({ ...PLAN, ...(body as object) }) as SavedPlan);
    const held = SHIPPED.skills.all.filter(({ id }) => id !== 'casting.grip-stance');
    const page = await open(held.flatMap(({ id }) => many(12, id)));
    const trap = page.all('article').find((text) => text.includes('Under the finger'));
    expect(trap).toContain('For Jonas.');
    await page.press('Make a lesson of it');
    const made = server.of(api.plans.create)[0]?.body as { title: string; body: PlanBody };
    expect(made.title).toBe('What comes next for all');
    expect(made.body.groupSize).toBe(2);
    expect(made.body.blocks[0]?.drillId).toBe('hats-and-glasses');
  });

  const bout = (student: string, lesson: number): BankEvent[] =>
    many(6, 'casting.pause', student).map((event) => ({
      ...event,
      lessonId: uuid(lesson),
      body: { ...event.body, drillId: 'count-the-pause' } as BankEvent['body'],
    }));

  it('says nothing of a drill from too few times and students', async () => {
    expect((await open(bout(SAM.id, 51))).text()).toContain('too few to say: 1 time, 1 student');
  });

  it('shows how well a drill worked, with the interval, when there are enough', async () => {
    const third = { ...SAM, id: uuid(13) };
    server.on(api.students.list, [SAM, JONAS, third]);
    const page = await open([SAM, JONAS, third].flatMap(({ id }) => [...bout(id, 51), ...bout(id, 52)]));
    expect(page.text()).toMatch(/\+0\.\d\d ±0\.\d\d\s*good 100, then 100 of 100/);
    expect(page.text()).toContain('6 times, 3 students');
  });

  it('tells what went wrong when the records do not come', async () => {
    server.refuse(api.records.effects, 400, 'invalid');
    const page = await show(GroupPage, server);
    expect(page.element.querySelector('[role=alert]')).not.toBeNull();
    // That nothing is there would not be true.
    expect(page.text()).not.toContain('Nothing is on the record yet.');
  });
});
