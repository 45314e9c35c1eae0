import { api, type Keeping } from '@doceo/contract';
import { CIRCLE, SAM, uuid } from '../../../testing/fixtures';
import { lessonServer, show } from '../../../testing/page';
import { KeepingComponent } from './keeping.component';

const NONE: Keeping = {
  own: null,
  circles: [{ circleId: CIRCLE.id, name: 'River School', rule: null, mine: true }],
  ...{ rule: null, goes: [], goesBesides: 0 },
};
const RULE = { entryMonths: 24, studentMonths: 36 };

describe('how long records are kept', () => {
  const open = async (keeping: Keeping) => {
    const server = lessonServer().on(api.keeping.get, keeping);
    return { server, page: await show(KeepingComponent, server) };
  };

  it('is without an end until somebody sets one; what is typical is called so', async () => {
    const { page, server } = await open(NONE);
    expect(page.text()).toContain('Nobody has set an end');
    await page.press('Set how long …');
    expect(page.text()).toContain('Two years and three are typical');
    await page.enter('input[name=entry-months]', '30');
    await page.enter('input[name=student-months]', '12');
    await page.press('Keep so long');
    expect(page.all('.wrong')).toEqual(['from 1 to 600 months, and not less than the entries']);
    await page.enter('input[name=entry-months]', 'two');
    await page.press('Keep so long');
    expect(page.all('.wrong')).toContain('from 1 to 600 months');
    expect(server.of(api.keeping.own)).toEqual([]);
    await page.enter('input[name=entry-months]', '24');
    await page.enter('input[name=student-months]', '36');
    server.on(api.keeping.own, { ...NONE, own: RULE, rule: RULE });
    await page.press('Keep so long');
    expect(server.of(api.keeping.own)[0]?.body).toEqual({ rule: RULE });
    expect(page.text()).toContain('entries 24 months, all of a student 36 months after the last lesson');
  });

  it('is set for a circle by whoever governs it, and ended', async () => {
    const { page, server } = await open({
      ...NONE,
      rule: RULE,
      circles: NONE.circles.map((circle) => ({ ...circle, rule: RULE })),
    });
    await page.press('Set how long …');
    const place = document.querySelector('select') as HTMLSelectElement;
    place.selectedIndex = 1;
    place.dispatchEvent(new Event('change'));
    await page.settle();
    server.on(api.keeping.ofCircle, NONE);
    await page.press('Without an end');
    expect(server.of(api.keeping.ofCircle)[0]).toMatchObject({ body: { rule: null } });
    expect(page.text()).toContain('Nobody has set an end');
  });

  it('shows what goes, with the day', async () => {
    const { page } = await open({
      ...NONE,
      rule: RULE,
      goes: [
        { studentId: SAM.id, name: 'Sam Okande', what: 'entries', on: '2026-06-20', entries: 1 },
        { studentId: CIRCLE.id, name: 'Kim Ferro', what: 'student', on: '2026-06-30', entries: 12 },
      ],
    });
    expect(page.all('li').slice(0, 2)).toEqual([
      '20 Jun 2026Sam Okande 1 entry',
      '30 Jun 2026Kim Ferro the whole record, and the student',
    ]);
  });

  it('shows a few of many first, and how many there are besides', async () => {
    const goes = Array.from({ length: 11 }, (_, i) => ({
      ...{ studentId: uuid(i), name: `Student ${i}`, what: 'entries' as const, on: '2026-06-20', entries: 2 },
    }));
    const { page } = await open({ ...NONE, rule: RULE, goes, goesBesides: 30 });
    const shown = (): number => page.all('li').filter((text) => text.includes('Student')).length;
    expect(shown()).toBe(8);
    expect(page.text()).toContain('And something of 30 more students');
    await page.press('3 more');
    expect(shown()).toBe(11);
  });
});
