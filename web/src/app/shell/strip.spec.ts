import { api } from '@doceo/contract';
import { SESSION, WATER } from '../../testing/fixtures';
import { lessonServer, setDate, show } from '../../testing/page';
import { dayOf } from '../../testing/waters';
import { StripComponent } from './strip.component';

describe('the strip', () => {
  beforeEach(() => {
    localStorage.clear();
    sessionStorage.clear();
    setDate();
  });
  afterEach(() => jest.useRealTimers());

  it('shows level, water and wind when the lesson begins, in the units in use', async () => {
    const server = lessonServer().on(api.waters.conditions, dayOf(WATER.id));
    const page = await show(StripComponent, server);
    await page.quiet();
    expect(page.all('a.fact')).toEqual(['level +24 cm, steady', 'water 12.4 °C', 'wind 3 m/s']);
  });

  it('speaks Fahrenheit and miles an hour to those who do', async () => {
    const user = SESSION.user!;
    const server = lessonServer()
      .on(api.session.get, {
        ...SESSION,
        user: { ...user, settings: { ...user.settings, units: 'imperial' } },
      })
      .on(api.waters.conditions, dayOf(WATER.id));
    const page = await show(StripComponent, server);
    await page.quiet();
    expect(page.all('a.fact').slice(1)).toEqual(['water 54 °F', 'wind 7 mph']);
  });

  it('shuts its menu by Escape, with the focus where it was opened, and by a touch elsewhere', async () => {
    const page = await show(StripComponent, lessonServer());
    await page.quiet();
    await page.press('Maren Voss');
    expect(page.all('.menu .btn')).toEqual(['Account', 'Sign out']);
    await page.key('.menu button', 'Escape');
    expect(page.all('.menu')).toEqual([]);
    expect(document.activeElement?.textContent).toContain('Maren Voss');
    await page.press('Maren Voss');
    document.body.click();
    await page.settle();
    expect(page.all('.menu')).toEqual([]);
  });
});
