import { api, type SavedKit } from '@doceo/contract';
import { EMPTY_KIT, type Kit } from '@doceo/core';
import type { FakeServer } from '../../../testing/fake-server';
import { kitEntry, TAUGHT } from '../../../testing/fixtures';
import { lessonServer, setDate, show } from '../../../testing/page';
import { KitPage } from './kit.page';

describe('the kit on hand', () => {
  let server: FakeServer;
  let stored: SavedKit;
  beforeEach(() => {
    localStorage.clear();
    setDate();
    stored = {
      kit: { currency: 'EUR', entries: [kitEntry('rod', 1, { priceEach: 80, lengthM: 2.7 })] },
      version: 3,
    };
    server = lessonServer()
      .on(api.kit.get, () => stored)
      .on(api.kit.update, ({ body }) => {
        const { kit, baseVersion } = body as { kit: Kit; baseVersion: number };
        return (stored = { kit, version: baseVersion + 1 });
      })
      .on(api.lessons.plan, (_, { id }) => ({ ...TAUGHT, lessonId: id ?? '' }));
  });
  afterEach(() => jest.useRealTimers());

  it('tells for each lesson to come what is short, what it costs, and what nobody counted', async () => {
    const page = await show(KitPage, server);
    expect(page.all('.bench-side .short')[0]).toBe('Rod €80 1 short: 2 needed, 1 on hand');
    expect(page.text()).toContain('To buy what is short: €80');
    expect(page.text()).toContain('5 things nobody counted');
  });

  it('is counted up and down, and saved', async () => {
    const page = await show(KitPage, server);
    await page.press('One more');
    expect(page.text()).toContain('Nothing is short of what is said');
    await page.saved();
    expect(stored).toMatchObject({ version: 4, kit: { entries: [{ item: 'rod', count: 2 }] } });
  });

  it('takes another thing, its price and its length; what is none is left unsaid', async () => {
    const page = await show(KitPage, server);
    await page.enter('input[name=thing]', 'Net');
    await page.press('Add it');
    const prices = document.querySelectorAll<HTMLInputElement>('doceo-kit-entry input');
    const length = prices[0]!;
    length.value = 'long';
    length.dispatchEvent(new Event('change', { bubbles: true }));
    const price = [...prices].at(-1)!;
    price.value = '45,50';
    price.dispatchEvent(new Event('change', { bubbles: true }));
    await page.settle();
    await page.saved();
    expect(stored.kit.entries).toMatchObject([
      { item: 'rod', lengthM: null },
      { item: 'Net', count: 1, priceEach: 45.5 },
    ]);
  });

  it('asks what a thing is, and which currency', async () => {
    const page = await show(KitPage, server);
    await page.press('Add it');
    expect(page.all('.wrong')).toEqual(['say what it is']);
    await page.enter('.currency input', 'euros');
    expect(page.all('.wrong')).toContain('three letters, as EUR');
    expect(stored.version).toBe(3);
  });

  it('begins with what the next lessons need, none counted', async () => {
    stored = { kit: EMPTY_KIT, version: 0 };
    const page = await show(KitPage, server);
    await page.press('Begin with what the next lessons need');
    await page.saved();
    const items = stored.kit.entries.map(({ item }) => item);
    expect(items).toEqual(expect.arrayContaining(['first-aid kit', 'rod', 'yarn tuft']));
    expect(stored.kit.entries.every(({ count }) => count === 0)).toBe(true);
  });
});
