import { api, type SavedFlyBox } from '@doceo/contract';
import { usualCalendar } from '@doceo/core';
import { WATER } from '../../../testing/fixtures';
import type { FakeServer } from '../../../testing/fake-server';
import { lessonServer, setDate, type Shown, show } from '../../../testing/page';
import { FlyBoxPage } from './fly-box.page';

const BOX: SavedFlyBox = {
  version: 4,
  box: {
    flies: [
      { stage: 'nymph', colour: 'drab', weight: 'bead', hookSize: 14, count: 5 },
      { stage: 'streamer', colour: 'bright', weight: 'bead', hookSize: 8, count: 1 },
    ],
  },
};
const cell = (kind: string): string => `[data-kind="${kind}"]`;
const classOf = (kind: string): string => document.querySelector(cell(kind))?.className ?? '';

describe('the fly box', () => {
  let server: FakeServer;
  beforeEach(() => {
    setDate();
    localStorage.clear();
    server = lessonServer()
      .on(api.flyBox.get, BOX)
      .on(api.flyBox.update, ({ body }) => ({
        box: (body as SavedFlyBox).box,
        version: (body as { baseVersion: number }).baseVersion + 1,
      }));
  });
  afterEach(() => jest.useRealTimers());
  const open = (): Promise<Shown<FlyBoxPage>> => show(FlyBoxPage, server);
  const covers = (page: Shown<FlyBoxPage>): string => page.all('[data-covers] b')[0] ?? '';

  it('opens on the water and month of the lesson', async () => {
    const page = await open();
    expect(page.all('.months [aria-pressed=true]')).toEqual(['Jun']);
    expect(page.text()).toContain('Gaps in June');
    expect(classOf('nymph/bead/drab/14')).toContain('enough');
    expect(classOf('streamer/bead/bright/8')).toContain('spare');
    expect(classOf('adult/floats/light/16')).toContain('gap');
    expect(classOf('nymph/plain/bright/14')).toContain('none');
  });

  it('fills a gap, and saves the box', async () => {
    const page = await open();
    const before = Number(covers(page).split(' ')[0]);
    await page.press('Add 2');
    expect(Number(covers(page).split(' ')[0])).toBe(before + 1);
    await page.saved();
    const [call] = server.of(api.flyBox.update);
    expect(call?.body).toMatchObject({ baseVersion: 4 });
    expect((call?.body as SavedFlyBox).box.flies).toHaveLength(3);
  });

  it('counts by keys, moves by arrows, and undoes', async () => {
    const page = await open();
    const nymph = cell('nymph/bead/drab/14');
    await page.key(nymph, '+');
    expect(page.all(nymph)).toEqual(['6']);
    await page.key(nymph, '9');
    expect(page.all(nymph)).toEqual(['9']);
    await page.key(nymph, 'ArrowRight');
    expect(document.activeElement?.getAttribute('data-kind')).toBe('nymph/bead/dark/14');
    await page.key(cell('nymph/bead/dark/14'), '-');
    await page.key('body', 'z', { ctrlKey: true });
    expect(page.all(nymph)).toEqual(['6']);
    await page.key('body', 'z', { ctrlKey: true, shiftKey: true });
    expect(page.all(nymph)).toEqual(['9']);
  });

  it('says of the kind chosen what it stands for', async () => {
    const page = await open();
    (document.querySelector(cell('adult/floats/light/16')) as HTMLElement).click();
    await page.settle();
    expect(page.text()).toContain('#16 light adult, floats');
    expect(page.text()).toContain('Stands for mayflies.');
    await page.press('One more');
    expect(page.all('.count b')).toEqual(['1']);
    expect(classOf('adult/floats/light/16')).toContain('one');
  });

  it('asks for other flies in another month', async () => {
    const page = await open();
    await page.press('Jan');
    expect(page.text()).toContain('Gaps in January');
    expect(classOf('nymph/heavy/dark/14')).toContain('gap');
  });

  it('lets the calendar be corrected, and goes back to the usual', async () => {
    server.on(api.waters.setCalendar, ({ body }) => ({
      ...WATER,
      water: { ...WATER.water, calendar: (body as { calendar: never }).calendar },
    }));
    const page = await open();
    expect(page.all('caption doceo-origin')).toEqual([
      'typical from such waters; turn stones and correct it',
    ]);
    await page.press('mayflies in June');
    const [first] = server.of(api.waters.setCalendar);
    const sent = (first?.body as { calendar: ReturnType<typeof usualCalendar> }).calendar;
    expect(sent.find(({ name }) => name === 'mayflies')?.months).toEqual([4, 5, 7, 8, 9, 10]);
    expect(page.text()).toContain('as found here');
    await page.press('Back to the usual');
    expect(server.of(api.waters.setCalendar)[1]?.body).toEqual({ calendar: null });
  });

  it('without a water says what a water would do', async () => {
    server
      .on(api.waters.list, [])
      .on(api.lessons.list, [])
      .on(api.flyBox.get, { box: { flies: [] }, version: 0 });
    const page = await open();
    expect(page.text()).toContain('An empty box');
    expect(page.text()).toContain('Without a water nothing is wanted');
  });

  it('says so when it does not open', async () => {
    server.refuse(api.flyBox.get, 403, 'forbidden');
    expect((await open()).text()).toContain('The fly box does not open');
  });
});
