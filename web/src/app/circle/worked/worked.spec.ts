import { api, type Worked, type WorkedDrill } from '@doceo/contract';
import { CIRCLE } from '../../../testing/fixtures';
import { lessonServer, show, type Shown } from '../../../testing/page';
import { WorkedComponent } from './worked.component';
import { scaleOf, shapeOf, ticksOf, toldOf, WIDTH_PX, xOf } from './worked-shapes';

const band = (mean: number, half = 0.1) => ({ mean, low: mean - half, high: mean + half });
const PAUSE: WorkedDrill = {
  ...{ drillId: 'count-the-pause', name: 'Count the pause', strand: 'casting', students: 31 },
  ...band(0.25),
  ...{ mine: band(0.26), others: [band(0.2), band(0.3)] },
};
const HARM: WorkedDrill = { ...PAUSE, ...band(-0.1), mine: null, others: [band(-0.12)] };

describe('how a drill worked, as it is drawn', () => {
  it('stands on a scale of students of ten, from nothing or below', () => {
    expect(ticksOf(scaleOf([PAUSE]))).toEqual([0, 1, 2, 3, 4]);
    expect(ticksOf(scaleOf([PAUSE, HARM]))).toEqual([-2, -1, 0, 1, 2, 3, 4]);
    const scale = scaleOf([PAUSE]);
    expect([xOf(0, scale), xOf(0.4, scale)]).toEqual([14, WIDTH_PX - 14]);
  });

  it('is longer and thinner where one is less sure, with a ring for each school', () => {
    const scale = { from: 0, to: 1 };
    const thick = (drill: WorkedDrill): number => {
      const ys = [...shapeOf(drill, scale).path.matchAll(/([\d.]+)S/g)].map(([, y]) => Number(y));
      return Math.max(...ys);
    };
    expect(thick({ ...PAUSE, ...band(0.25, 0.05) })).toBeGreaterThan(thick({ ...PAUSE, ...band(0.25, 0.2) }));
    expect(shapeOf(PAUSE, scale).rings.map(({ mine }) => mine)).toEqual([false, false, true]);
  });

  it('is told in students of ten', () => {
    expect(toldOf(band(0.25, 0.1))).toBe('2.5 more of 10 (1.5 to 3.5)');
    expect(toldOf(band(0.3))).toBe('3 more of 10 (2 to 4)');
  });
});

describe('what worked', () => {
  const open = (told: Worked, role: 'owner' | 'editor' = 'owner') => {
    const server = lessonServer().on(api.circles.worked, told).on(api.circles.tell, { ok: true });
    return show(WorkedComponent, server, { circle: { ...CIRCLE, role } }).then((page) => ({ page, server }));
  };
  const told = (page: Shown<WorkedComponent>): string => page.text();

  it('shows the drills with how many schools and students, and names what is too little without counts', async () => {
    const few = ['a', 'b', 'c', 'd', 'e'].map((id) => ({ drillId: id, name: `Drill ${id}` }));
    const { page } = await open({ tells: true, drills: [PAUSE], few });
    expect(page.all('li')).toEqual([expect.stringContaining('3 schools, 31 students')]);
    expect(page.all('.few')).toEqual([
      'Too few here to show, 5 students of 3 lessons are needed: Drill a, Drill b, Drill c, Drill d and 1 more.',
    ]);
    expect(told(page)).toContain('This is no trial');
  });

  it('is told to others by the owner’s word alone', async () => {
    const { page, server } = await open({ tells: true, drills: [], few: [] });
    await page.press('Tell no more');
    expect(server.of(api.circles.tell)[0]?.body).toEqual({ tells: false });
    expect(server.of(api.circles.worked)).toHaveLength(2);
  });

  it('leaves an editor to ask', async () => {
    const { page } = await open({ tells: false, drills: [], few: [] }, 'editor');
    expect(told(page)).toContain('Its owner can change that.');
    expect(page.all('button')).toEqual([]);
  });
});
