import { api } from '@doceo/contract';
import type { FakeServer } from '../../testing/fake-server';
import { LESSON, NOW, uuid, WATER } from '../../testing/fixtures';
import { lessonServer, setDate, show } from '../../testing/page';
import { TodayPage } from './today.page';

describe('today', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    setDate();
    server = lessonServer();
  });
  afterEach(() => jest.useRealTimers());

  it('shows the next lesson, its students and its light', async () => {
    const page = await show(TodayPage, server);
    expect(page.all('h1')).toEqual(['First nymphs']);
    expect(page.all('.students b:not(.initials)')).toEqual(['Sam', 'Jonas']);
    expect(page.text()).toContain('starts 09:30');
    // Sunrise at 57.9° N, 9.1° E on 10 June, on the clock of the water.
    expect(page.text()).toMatch(/04:2\d/);
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

  it('lists stop snags only, and counts the others', async () => {
    const page = await show(TodayPage, server);
    expect(page.all('.snag h3').every((title) => title.startsWith('Stop'))).toBe(true);
    expect(page.all('.counts')[0]).toMatch(/^2 stop, \d+ more/);
  });

  it('opens the rule card, and the snag goes when it was read', async () => {
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

  it('says what to do when nothing is ahead', async () => {
    server.on(api.lessons.list, []);
    const page = await show(TodayPage, server);
    expect(page.text()).toContain('No lesson ahead');
    expect(page.text()).toContain('Make a plan');
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
