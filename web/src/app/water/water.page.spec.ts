import { api } from '@doceo/contract';
import type { ConditionHour } from '@doceo/core';
import type { FakeServer } from '../../testing/fake-server';
import { WATER } from '../../testing/fixtures';
import { lessonServer, setDate, type Shown, show } from '../../testing/page';
import { dayOf, LAKE, SAVED_LAKE } from '../../testing/waters';
import { WaterPage } from './water.page';

describe('the water', () => {
  let server: FakeServer;
  let change: (hour: number) => Partial<ConditionHour>;
  beforeEach(() => {
    localStorage.clear();
    sessionStorage.clear();
    setDate();
    change = () => ({});
    server = lessonServer()
      .on(api.waters.list, [WATER, LAKE])
      .on(api.waters.beats, [])
      .on(api.waters.lake, { saved: SAVED_LAKE })
      .on(api.waters.conditions, (_, { id }) => dayOf(id ?? '', change));
  });
  afterEach(() => jest.useRealTimers());
  const open = (): Promise<Shown<WaterPage>> => show(WaterPage, server);

  it('shows the day of the lesson at its water, and says what the figures come from', async () => {
    const page = await open();
    expect(page.all('h1')).toEqual(['River Ostrel']);
    expect(page.all('h2')).toContain('Wed 10 Jun');
    expect(page.element.querySelector('[role=img]')?.getAttribute('aria-label')).toContain(
      'water 12.4 °C to 12.4 °C',
    );
    expect(page.text()).toContain('from a simulated station');
    expect(server.of(api.waters.conditions).at(-1)?.query).toEqual({ date: '2026-06-10' });
  });

  it('tells what speaks against the hours of the lesson, and of no others', async () => {
    // The lesson runs from half past nine to half past eleven there.
    change = (hour) => ({ thunder: hour === 10 ? 0.5 : 0, windMs: hour === 20 ? 14 : 3 });
    const page = await open();
    expect(page.all('.alert b')).toEqual(['Thunder is likely']);
    expect(page.all('.alert')[0]).toContain('about 10:00');
    expect(page.all('.alert')[0]).toContain('commonly 30 min after the last thunder');
  });

  it('gives no leave when nothing speaks against it', async () => {
    const page = await open();
    expect(page.all('.alert')).toEqual([]);
    expect(page.text()).toContain('any thunder ends it');
    expect(page.text()).not.toMatch(/\bsafe\b/i);
  });

  it('turns to another water: still, so without wading and without a level', async () => {
    const page = await open();
    expect(page.all('doceo-wading-card')).toHaveLength(1);
    const field = page.element.querySelector('select')!;
    field.value = LAKE.id;
    field.dispatchEvent(new Event('change'));
    await page.quiet();
    expect(page.all('h1')).toEqual(['Merrow Lake']);
    expect(page.all('doceo-wading-card')).toHaveLength(0);
    expect(page.all('.bench-side h2')[0]).toBe('In the hours of the lesson');
    expect(page.all('doceo-lake-board')).toHaveLength(2);
  });

  it('tells of still water at which depth a species is at ease, and what to count to it', async () => {
    change = () => ({ waterC: 20 });
    const page = await open();
    expect(page.all('doceo-comfort-band')).toHaveLength(0);
    const field = page.element.querySelector('select')!;
    field.value = LAKE.id;
    field.dispatchEvent(new Event('change'));
    await page.quiet();
    expect(page.text()).toMatch(/At ease from \d\.\d\d m to \d\.\d\d m\./);
    expect(page.all('doceo-comfort-band td').slice(-3)).toEqual([
      'type 7',
      expect.stringMatching(/^\d+ to \d+ s$/),
      expect.stringMatching(/^\d+ s(, then the bottom)?$/),
    ]);
    const trout = page.all('doceo-comfort-band p')[0];
    await page.press('grayling');
    expect(page.all('doceo-comfort-band p')[0]).toMatch(/^At ease from/);
    expect(page.all('doceo-comfort-band p')[0]).not.toBe(trout);
    expect(page.text()).toContain('lower a thermometer and believe that');
  });

  it('says that a cold lake is mixed', async () => {
    change = () => ({ waterC: 5 });
    server.on(api.waters.list, [LAKE]);
    const page = await open();
    expect(page.text()).toContain('Mixed: 5 °C at every depth, not what brown trout like');
  });

  it('says whether a leader keeps the fly line out of the window, and moves fish and angler by keys', async () => {
    const page = await open();
    expect(page.text()).toContain('The fish sees you here: stay below');
    expect(page.text()).toMatch(/has \d\.\d\d m: the fly line lies outside/);
    for (let i = 0; i < 14; i++) await page.key('[aria-label^="Distance of the angler"]', 'ArrowDown');
    expect(page.text()).toContain('Here you are squeezed into the rim');
    for (let i = 0; i < 5; i++)
      await page.key('[aria-label="Depth of the fish"]', 'ArrowDown', { shiftKey: true });
    expect(page.text()).toContain('3.00 m deep');
    expect(page.text()).toContain('The window is 3.40 m in radius');
  });

  it('weighs wading for a person, and says at the field what it cannot read', async () => {
    const page = await open();
    expect(page.all('.caution')[0]).toMatch(/^2\.7 of 4\.0.*a reason to look closer, and no more\.$/);
    await page.enter('doceo-wading-card input', '1.2 m');
    expect(page.all('.caution')[0]).toContain('Do not wade here.');
    expect(page.all('.caution')[0]).toContain('deeper than half');
    await page.enter('doceo-wading-card input', 'waist');
    expect(page.all('.error')).toEqual(['a depth from 0 to 3.00 m']);
    expect(page.text()).toContain('local advice and your own limits decide');
  });

  it('says no to wading in a rising river', async () => {
    change = (hour) => ({ levelM: 0.2 + hour * 0.03 });
    const page = await open();
    expect(page.all('.caution')[0]).toContain('Do not wade here.');
    expect(page.all('.alert b')).toEqual(['The river is rising']);
  });

  it('moves the fly up with the hatch', async () => {
    const page = await open();
    expect(page.text()).toContain('Near the bottom');
    await page.press('on top');
    expect(page.text()).toContain('At the top: a dry');
  });

  it('shows the rule card, which is not read this season until somebody ticks it', async () => {
    server.on(api.waters.list, [
      { ...WATER, water: { ...WATER.water, rules: { ...WATER.water.rules, checkedOn: '2024-05-01' } } },
    ]);
    const page = await open();
    expect(page.text()).toContain('Not read this season: last');
    await page.press('Open the card');
    expect(document.body.textContent).toContain('Doceo does not know the law');
  });

  it('tells what went wrong when the day does not come', async () => {
    server.refuse(api.waters.conditions, 400, 'invalid');
    const page = await open();
    expect(page.all('[role=alert]').length).toBeGreaterThan(0);
  });

  it('begins with an invitation, which says what is enough', async () => {
    server.on(api.waters.list, []).on(api.lessons.list, []);
    const page = await open();
    expect(page.text()).toContain('No water yet');
    expect(page.text()).toContain('Its name and its kind are enough to begin with.');
    expect(page.all('dt')).toHaveLength(4);
  });
});
