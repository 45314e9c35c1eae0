import { api, type SavedWater, type WaterChange } from '@doceo/contract';
import type { FakeServer } from '../../../testing/fake-server';
import { CIRCLE, WATER } from '../../../testing/fixtures';
import { lessonServer, setDate, type Shown, show } from '../../../testing/page';
import { WaterCardPage } from './water-card.page';

describe('the card of a water', () => {
  let server: FakeServer;
  let stored: SavedWater;
  beforeEach(() => {
    localStorage.clear();
    setDate();
    stored = { ...WATER, water: { ...WATER.water, said: { 'rules.hours': SAID } } };
    server = lessonServer()
      .on(api.waters.list, () => [stored])
      .on(api.waters.change, ({ body }) => {
        const { source: _source, rules, putPlaces = [], removePlaces = [], ...own } = body as WaterChange;
        const kept = stored.water.places.filter(
          ({ id }) => !removePlaces.includes(id) && !putPlaces.some((one) => one.id === id),
        );
        const water = { ...stored.water, ...own, rules: { ...stored.water.rules, ...rules } };
        stored = { ...stored, water: { ...water, places: [...kept, ...putPlaces] } as SavedWater['water'] };
        return stored;
      });
  });
  afterEach(() => jest.useRealTimers());
  const SAID = { by: 'Maren Voss', on: '2026-06-01', source: 'the warden' };
  const open = (): Promise<Shown<WaterCardPage>> => show(WaterCardPage, server, { id: WATER.id });
  const sent = (): unknown[] => server.of(api.waters.change).map(({ body }) => body);
  const field = (label: string, at = 0): string => {
    const found = [...document.querySelectorAll('label.field')].filter(
      (one) => one.querySelector('span')?.textContent?.trim() === label,
    )[at];
    return `#${found?.querySelector('input')?.id}`;
  };

  it('tells who said what, and from where', async () =>
    expect((await open()).text()).toContain('entered Maren Voss, 1 Jun 2026, from the warden'));

  it('saves each field when it is left, with where one has it from, and takes it back', async () => {
    const page = await open();
    await page.enter(field('Where do you have it from? It is kept with what you change now'), 'the sign');
    await page.press('not said');
    expect(sent()).toEqual([{ rules: { maxHooks: null }, source: 'the sign' }]);
    await page.press('Undo');
    expect(stored.water.rules.maxHooks).toBe(2);
    await page.enter(field('Name'), 'Upper Ostrel');
    expect(page.all('h1')).toEqual(['Upper Ostrel']);
    await page.press('Undo');
    expect(page.all('h1')).toEqual(['River Ostrel']);
  });

  it('reads the days of a season, and keeps what is none where it was typed', async () => {
    const page = await open();
    await page.enter(field('Season from'), '1 March');
    expect(sent()).toEqual([{ rules: { seasonFrom: '03-01' }, source: '' }]);
    await page.enter(field('to'), 'autumn');
    expect(page.text()).toContain('a day, as 31 Oct');
    expect(sent()).toHaveLength(1);
  });

  it('changes stretches: a length that is typed is entered, one that is paced is measured', async () => {
    const page = await open();
    expect(page.text()).toContain('room for 7 with 9 m of line out');
    await page.enter(field('Length'), '40 m');
    expect(stored.water.places.find(({ id }) => id === 'glide')).toMatchObject({
      lengthM: 40,
      lengthFrom: 'entered',
    });
    await page.press('I paced it: 40 m');
    expect(stored.water.places.find(({ id }) => id === 'glide')?.lengthFrom).toBe('measured');
    await page.enter(field('Length'), 'long');
    expect(page.text()).toContain('a length, as 40 m or 130 ft');
    await page.press('Take out');
    expect(stored.water.places).toHaveLength(1);
    await page.press('Undo');
    expect(stored.water.places).toHaveLength(2);
    await page.press('Add what a river mostly has');
    expect(stored.water.places.slice(2).map(({ lengthFrom }) => lengthFrom)).toEqual(['typical', 'typical']);
  });

  it('may be taken off the map, and put somewhere else', async () => {
    const page = await open();
    await page.enter('input[name=place]', '');
    expect(sent()).toEqual([{ latitude: null, longitude: null, source: '' }]);
    expect(page.text()).toContain('no light and no weather are computed');
    // Nothing is saved of what is half typed: 57.2, 9 is a place too, and another one.
    const field = document.querySelector<HTMLInputElement>('input[name=place]') as HTMLInputElement;
    for (const text of ['57.2, 9', '57.2, 9.4']) {
      field.value = text;
      field.dispatchEvent(new Event('input', { bubbles: true }));
    }
    await page.settle();
    expect(sent()).toHaveLength(1);
    field.dispatchEvent(new Event('change', { bubbles: true }));
    await page.settle();
    expect(sent()[1]).toEqual({ latitude: 57.2, longitude: 9.4, source: '' });
    await page.enter('input[name=place]', 'the bridge');
    expect([sent().length, stored.water.latitude]).toEqual([2, 57.2]);
  });

  it('says what goes before it is deleted, and that it stays while there are lessons', async () => {
    server
      .on(api.waters.deletionPreview, { beats: 2, lakes: 0, readings: 1, lessons: 0 })
      .on(api.waters.remove, { ok: true });
    const page = await open();
    await page.press('Delete this water …');
    expect(page.text()).toContain('With it go its card and 2 drawn beats, 1 reading.');
    server.on(api.waters.deletionPreview, { beats: 0, lakes: 0, readings: 0, lessons: 3 });
    await page.press('Delete River Ostrel for good');
    expect(server.of(api.waters.remove)).toHaveLength(1);
  });

  it('is given to a fellow, who then has it', async () => {
    server.on(api.waters.give, { ok: true });
    const page = await open();
    const heirs = [...document.querySelectorAll('select')].at(-1) as HTMLSelectElement;
    const fellow = CIRCLE.members.find(({ name }) => name !== 'Maren Voss');
    heirs.value = fellow?.userId ?? '';
    heirs.dispatchEvent(new Event('change'));
    await page.settle();
    await page.press('Give River Ostrel away');
    expect(server.of(api.waters.give)[0]?.body).toEqual({ userId: fellow?.userId });
  });

  it('is read and not changed by a reader of its circle', async () => {
    stored = { ...stored, mine: false, editable: false };
    const page = await open();
    expect(page.text()).toContain('you can read it here and not change it');
    expect(document.querySelector<HTMLFieldSetElement>('fieldset')?.disabled).toBe(true);
    expect(page.all('doceo-water-handover')).toEqual([]);
  });
});
