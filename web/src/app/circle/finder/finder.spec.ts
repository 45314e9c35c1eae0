import { api, type SavedPlan } from '@doceo/contract';
import type { LibraryFit } from '@doceo/core';
import { LESSON, PLAN, uuid } from '../../../testing/fixtures';
import { lessonServer, setDate, show } from '../../../testing/page';
import { WHOLE_PLAN } from '../../../testing/whole-plan';
import { FinderComponent } from './finder.component';
import { DEPTH_PX, finderRow, planWorked, TIME_PX, workedText } from './finder-rows';

const FIT: LibraryFit = {
  verdict: 'fits',
  students: [
    { id: 'a', name: 'Petra Holm', readiness: 'ready', first: [] },
    { id: 'b', name: 'Sam Reed', readiness: 'needs-first', first: ['Pause', 'Stop'] },
    { id: 'c', name: 'Noor Said', readiness: 'look-first', first: ['Grip'] },
  ],
  water: {
    kindFits: true,
    missing: [],
    wants: { lowM: 0.5, highM: 1 },
    has: { lowM: 0.6, highM: 1.5 },
    depthFits: true,
  },
  time: { takesMin: 150, hasMin: 120 },
  group: { plannedFor: 3, comes: 3 },
  check: { mustFix: 0, check: 1 },
  strain: 0,
};
const row = (change: Partial<LibraryFit> = {}) => finderRow({ ...FIT, ...change }, 2, 240, 'metric');

describe('how a plan suits a lesson, as it is drawn', () => {
  it('tells two of one name apart', () => {
    const [petra, ...others] = FIT.students;
    const students = [{ ...petra!, name: 'Sam Holm' }, ...others];
    expect(row({ students }).discs.map(({ name }) => name)).toEqual(['Sam H.', 'Sam R.', 'Noor']);
    expect(row({ students }).mending).toContain('Sam R. needs first: pause');
  });

  it('is a disc for each student, the depths and the minutes to their scales', () => {
    const { discs, wants, has, time, verdict } = row();
    expect(verdict).toBe('fits, 1 to check');
    expect(discs.map(({ kind, spoken }) => [kind, spoken])).toEqual([
      ['ready', 'Petra: ready'],
      ['needs-first', 'Sam: needs first: Pause, Stop'],
      ['look-first', 'Noor: nobody has looked yet: Grip'],
    ]);
    expect(wants).toEqual({ from: DEPTH_PX / 4, to: DEPTH_PX / 2, low: '50 cm', high: '1.00 m', fits: true });
    expect(has?.to).toBe(0.75 * DEPTH_PX);
    expect([time.takes, time.has, time.over]).toEqual([TIME_PX / 2, TIME_PX / 2, TIME_PX / 8]);
  });

  it.each<[string, Partial<LibraryFit>, string]>([
    ['a student who is not ready', {}, 'Sam needs first: pause; 30 min too long'],
    [
      'all of them',
      {
        students: [FIT.students[1]!, { ...FIT.students[1]!, id: 'd' }],
        time: { takesMin: 120, hasMin: 120 },
      },
      'All need first: pause',
    ],
    ['minutes that are left', { students: [], time: { takesMin: 60, hasMin: 120 } }, '60 min left over'],
    [
      'another water',
      {
        students: [],
        time: { takesMin: 120, hasMin: 120 },
        water: { ...FIT.water, kindFits: false, missing: ['grass'] },
      },
      'Made for another kind of water; no grass here',
    ],
    [
      'more students than it is for',
      { students: [], time: { takesMin: 120, hasMin: 120 }, group: { plannedFor: 2, comes: 3 } },
      'Planned for 2, 3 come',
    ],
    ['nothing', { students: [], time: { takesMin: 120, hasMin: 120 } }, ''],
  ])('says what is in the way: %s', (_, change, words) => expect(row(change).mending).toBe(words));

  it('has no line of depth for a plan without a rig', () =>
    expect(row({ water: { ...FIT.water, wants: null } }).wants).toBeNull());
});

describe('how well a plan worked elsewhere', () => {
  const drill = (drillId: string, mean: number) => ({
    ...{ drillId, mean, name: drillId, strand: 'casting' as const, students: 20 },
    ...{ low: mean, high: mean, mine: null, others: [] },
  });

  it('is the mean of its drills that were told of, by their minutes', () => {
    // The pause stands twice for two students and once for all; hats and glasses nobody told of.
    const worked = planWorked(WHOLE_PLAN.body, [drill('count-the-pause', 0.3), drill('roll-the-d', 0.9)]);
    expect(worked?.mean).toBeCloseTo(0.3, 12);
    expect([worked?.told, worked?.of]).toEqual([1, 2]);
    const both = planWorked(PLAN.body, [drill('count-the-pause', 0.4), drill('hats-and-glasses', 0)]);
    const [hats, pause] = PLAN.body.blocks.map(({ durationMin }) => durationMin);
    expect(both?.mean).toBeCloseTo((0.4 * pause!) / (hats! + pause!), 12);
    expect(workedText({ mean: 0.26, told: 3, of: 8 })).toBe('3 of 8 drills told of: 2.6 more of 10');
  });

  it('is nothing where nobody told of a drill', () => expect(planWorked(PLAN.body, [])).toBeNull());
});

describe('the finder', () => {
  const other: SavedPlan = {
    ...PLAN,
    ...WHOLE_PLAN,
    ...{ id: uuid(88), mine: false, ownerName: 'Tobias Lind' },
  };
  const plans: SavedPlan[] = [PLAN, other];
  beforeEach(() => setDate());
  afterEach(() => jest.useRealTimers());
  const server = () =>
    lessonServer()
      .on(api.plans.libraryWhole, { items: plans, next: null })
      .on(api.plans.copy, ({ body }) => ({ ...other, id: (body as { id: string }).id, mine: true }))
      .on(api.lessons.update, ({ body }) => ({ ...LESSON, ...(body as object) }));

  it('tries all plans on the next lesson, and uses another one as a copy', async () => {
    const at = server();
    const page = await show(FinderComponent, at);
    await page.quiet();
    expect(page.all('li .name a').sort()).toEqual([WHOLE_PLAN.title, PLAN.title].sort());
    expect(page.text()).toContain('planned now');
    expect(page.element.querySelectorAll('li .discs svg')).toHaveLength(4);
    await page.press('Take a copy, use it');
    await page.quiet();
    const [copied] = at.of(api.plans.copy);
    expect(at.of(api.lessons.update)[0]?.body).toEqual({
      planId: (copied?.body as { id: string }).id,
      ...{ waterId: LESSON.waterId, startsAt: LESSON.startsAt, studentIds: LESSON.studentIds },
    });
  });

  it('finds by words and kind, and goes on from page to page', async () => {
    const at = server().on(api.plans.libraryWhole, ({ query }) =>
      query['before']
        ? { items: [other], next: null }
        : { items: query['words'] === 'pause' ? [PLAN] : [], next: query['words'] ? PLAN.id : null },
    );
    const page = await show(FinderComponent, at);
    await page.quiet();
    expect(page.text()).toContain('No plan yet');
    await page.enter('input[type=search]', 'pause');
    await page.press('Find');
    await page.quiet();
    expect(at.of(api.plans.libraryWhole).at(-1)?.query).toEqual({ words: 'pause' });
    expect(page.all('li .name a')).toEqual([PLAN.title]);
    await page.press('Try more plans');
    await page.quiet();
    expect(at.of(api.plans.libraryWhole).at(-1)?.query).toEqual({ words: 'pause', before: PLAN.id });
    expect(page.all('li .name a')).toHaveLength(2);
  });

  it('says what it needs while nothing is on the calendar', async () => {
    const page = await show(FinderComponent, server().on(api.lessons.list, []));
    expect(page.text()).toContain('With a lesson on your calendar');
  });
});
