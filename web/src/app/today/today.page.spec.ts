import { columnsByStudent } from '@doceo/core';
import { api, type SavedLesson, type SavedPlan, type SavedStudent, type SavedWater } from '@doceo/contract';
import type { FakeServer } from '../../testing/fake-server';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { DayStore } from '../data/lesson/day-store';
import { ALONG, event, JONAS, keptKey, LESSON, NOW, PLAN, SAM, uuid, WATER } from '../../testing/fixtures';
import { lessonServer, setDate, show, until } from '../../testing/page';
import { TodayPage } from './today.page';

describe('today', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    setDate();
    // Something was logged once: the way to a first lesson is behind.
    server = lessonServer().on(
      api.records.list,
      columnsByStudent([event({ kind: 'tangle', seconds: null })]),
    );
  });
  afterEach(() => {
    jest.useRealTimers();
    jest.restoreAllMocks();
  });

  it('shows the next lesson, its students and its light', async () => {
    const page = await show(TodayPage, server);
    expect(page.all('h1')).toEqual(['First nymphs']);
    expect(page.all('.students b:not(.initials)')).toEqual(['Sam', 'Jonas']);
    expect(page.all('.daylight g .time')).toEqual(['09:30–11:30']);
    // Sunrise at 57.9° N, 9.1° E on 10 June, on the clock of the water.
    expect(page.text()).toMatch(/04:2\d/);
  });

  it('tells when a long lesson starts and ends at its two ends', async () => {
    server.on(api.lessons.list, [{ ...LESSON, lengthMin: 210 }]);
    const page = await show(TodayPage, server);
    expect(page.all('.daylight g .time')).toEqual(['starts 09:30', 'ends 13:00']);
  });

  it('tells of a short lesson early in the day when it is, in one piece and within the drawing', async () => {
    server.on(api.lessons.list, [{ ...LESSON, startsAt: '2026-06-10T22:20:00Z', lengthMin: 60 }]);
    const page = await show(TodayPage, server);
    expect(page.all('.daylight g .time')).toEqual(['00:20–01:20']);
    expect(Number(document.querySelector('.daylight g .time')?.getAttribute('x'))).toBeGreaterThanOrEqual(62);
  });

  it('passes over lessons that are over', async () => {
    server.on(api.lessons.list, [
      { ...LESSON, id: uuid(52), startsAt: '2026-06-09T07:30:00Z', planTitle: 'Yesterday' },
      LESSON,
      { ...LESSON, id: uuid(53), startsAt: '2026-06-12T07:30:00Z', planTitle: 'Friday' },
    ]);
    const page = await show(TodayPage, server);
    expect(page.all('h1')).toEqual(['First nymphs']);
    expect(page.all('.lists h2')).toEqual(['After that', 'Taught']);
    expect(page.text()).toContain('Fri 12 Jun');
  });

  it('lists stop problems only, and counts the others', async () => {
    const page = await show(TodayPage, server);
    expect(page.all('.problem h3').every((title) => title.startsWith('Must fix'))).toBe(true);
    expect(page.all('.counts')[0]).toMatch(/^1 to fix, \d+ more/);
  });

  it('leaves the lesson of a fellow to him to mend', async () => {
    server.on(api.lessons.list, [{ ...ALONG, startsAt: '2026-06-10T22:20:00Z' }]);
    const page = await show(TodayPage, server);
    expect(page.all('.where')[0]).toContain('Tobias Lind’s lesson');
    expect(page.all('.problem h3').length).toBeGreaterThan(0);
    expect(page.all('.problem button')).toEqual([]);
    expect(page.text()).toContain('The plan is for Tobias Lind to mend');
    expect(page.all('.students .soft')).toEqual(['hurries the pause, with Tobias', '']);
    expect(page.all('.actions a')).not.toContain('Open the plan');
  });

  it('lets who teaches along read the rule card, where the water is his to change', async () => {
    const rules = { ...WATER.water.rules, checkedOn: '2025-06-01' };
    server
      .on(api.lessons.list, [ALONG])
      .on(api.waters.list, [{ ...WATER, water: { ...WATER.water, rules } }]);
    const page = await show(TodayPage, server);
    expect(page.all('.problem button')).toEqual(['Open the card']);
  });

  it('leads from each problem to where it is mended', async () => {
    const unsaid = { ...SAM, student: { ...SAM.student, bornOn: null, saidAdult: false } };
    server
      .on(api.students.list, [unsaid, JONAS])
      .on(api.lessons.list, [{ ...LESSON, startsAt: '2026-06-10T22:20:00Z' }]);
    const page = await show(TodayPage, server);
    expect(page.all('.problem button')).toEqual(['Open the student', 'Open the student', 'Open the plan']);
    const going = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    await page.press('Open the student');
    document.querySelector<HTMLElement>('.problem:last-of-type button')?.click();
    await page.settle();
    expect(going.mock.calls.map(([path]) => path)).toEqual([
      ['/record', SAM.id],
      ['/plan', PLAN.id],
    ]);
  });

  it('opens the rule card, and the problem goes when it was read', async () => {
    const unread = {
      ...WATER,
      water: { ...WATER.water, rules: { ...WATER.water.rules, checkedOn: '2025-01-01' } },
    };
    server.on(api.waters.list, [unread]).on(api.waters.readCard, WATER);
    const page = await show(TodayPage, server);
    expect(page.text()).toContain('rule card not read');
    await page.press('Open the card');
    expect(page.text()).toContain('signs, wardens and the local rules decide');
    await page.press('I have read it at the source today');
    expect(page.text()).not.toContain('rule card not read');
  });

  it('shows the way to a first lesson until something was logged, one step after the other', async () => {
    server
      .on(api.lessons.list, [])
      .on(api.waters.list, [])
      .on(api.students.list, [])
      .on(api.plans.library, { items: [], next: null })
      .on(api.records.list, [])
      .on(api.plans.create, ({ body }) => ({ ...PLAN, ...(body as object) }) as SavedPlan)
      .on(
        api.waters.create,
        ({ body }) => ({ ...WATER, ...(body as { id: string; water: SavedWater['water'] }) }) as SavedWater,
      )
      .on(
        api.students.create,
        ({ body }) =>
          ({ ...SAM, ...(body as { id: string; student: SavedStudent['student'] }) }) as SavedStudent,
      )
      .on(api.lessons.create, ({ body }) => {
        const sent = body as { id: string; lesson: SavedLesson };
        return { ...LESSON, ...sent.lesson, id: sent.id };
      });
    const page = await show(TodayPage, server);
    expect(page.all('.benches b')).toEqual(['Rig', 'Cast', 'Drift', 'Strike', 'Knots']);
    const open = (): string[] => page.all('li.here h3 button');
    expect(open()).toEqual(['The water']);
    await page.enter('input[name=water-name]', 'Mill Leat');
    await page.press('brook');
    await page.press('Add the water');
    expect(open()).toEqual(['Who comes']);
    // The keyboard goes along: what it was in is gone.
    await until(() => document.activeElement?.matches('input[name=student-name]') ?? false);
    await page.enter('input[name=student-name]', 'Otto Linn');
    await page.press('Add');
    // There may be more of them.
    expect(open()).toEqual(['Who comes']);
    await page.press('That is all of them');
    await page.press('Start from this example');
    expect(open()).toEqual(['The day']);
    await page.press('Schedule it');
    await until(() => document.activeElement?.textContent?.trim() === 'Teach it now');
    expect(server.of(api.lessons.create)[0]?.body).toMatchObject({
      lesson: { startsAt: expect.stringMatching(/^2026-06-10T06:00/), studentIds: [expect.any(String)] },
    });
    expect(open()).toEqual(['Teach it']);
    await page.press('Hide this, I know my way');
    expect(page.all('doceo-first-lesson')).toEqual([]);
  });

  it('says what to do when nothing is ahead, and shows the way again to who hid it', async () => {
    localStorage.setItem(keptKey('guide.hidden'), 'true');
    server.on(api.lessons.list, []).on(api.records.list, []);
    const page = await show(TodayPage, server);
    expect(page.text()).toContain('No lesson ahead');
    await page.press('Show me the way');
    expect(page.all('doceo-first-lesson h1')).toEqual(['To your first lesson']);
  });

  it('shows in one column nothing below before it knows what stands above', async () => {
    const wide = window.matchMedia;
    jest
      .spyOn(window, 'matchMedia')
      .mockImplementation((media) => ({ ...wide(media), matches: media === '(max-width: 900px)' }));
    server.on(api.lessons.list, []).on(api.records.list, []);
    const page = await show(TodayPage, server);
    expect(page.all('aside h2')).toContain('Without a lesson');
    const { loaded } = TestBed.inject(DayStore);
    loaded.set(false);
    page.fixture.detectChanges();
    expect(page.all('aside')).toEqual([]);
  });

  it.each([
    [NOW + 2 * 3_600_000, 'under way'],
    [NOW - 2 * 86_400_000, 'in 2 days'],
  ])('tells how far off it is', async (now, words) => {
    jest.useRealTimers();
    setDate(now);
    expect((await show(TodayPage, server)).text()).toContain(words);
  });
});
