import { api, type SavedLesson } from '@doceo/contract';
import { LESSON, SESSION, uuid, WATER } from '../../testing/fixtures';
import { lessonServer, setDate, show } from '../../testing/page';
import { RailComponent } from './rail.component';
import { StripComponent } from './strip.component';
import { RuleCardDialogComponent } from '../shared/lesson/rule-card-dialog.component';
import { ProblemListComponent } from '../parts/problem-list.component';

beforeEach(() => {
  localStorage.clear();
  setDate();
});
afterEach(() => jest.useRealTimers());

describe('the rail', () => {
  it('has the stops that exist, in the order of the work', async () => {
    const page = await show(RailComponent, lessonServer());
    expect(page.all('nav a').join(' ')).toBe('Today Water Rig Cast Drift Strike Plan Teach Record Circle');
    expect(page.all('.skip')).toEqual(['Skip to the screen']);
  });

  it('leads over all stops to the screen that is open, which stays', async () => {
    const page = await show(RailComponent, lessonServer());
    const main = Object.assign(document.createElement('main'), { id: 'main', tabIndex: -1 });
    document.body.append(main);
    const click = new MouseEvent('click', { bubbles: true, cancelable: true });
    page.element.querySelector('.skip')?.dispatchEvent(click);
    expect([click.defaultPrevented, document.activeElement === main]).toEqual([true, true]);
    main.remove();
  });

  it('opens the rest of the stops on a phone, and shuts by a stop, by Escape and by a touch elsewhere', async () => {
    const page = await show(RailComponent, lessonServer());
    const rest = page.element.querySelector('.rest') as HTMLButtonElement;
    const opened = async (): Promise<(string | null)[]> => {
      await page.settle();
      return [rest.getAttribute('aria-expanded'), String(page.element.querySelector('nav.open') !== null)];
    };
    expect([rest.getAttribute('aria-label'), await opened()]).toEqual(['More stops', ['false', 'false']]);
    rest.click();
    expect(await opened()).toEqual(['true', 'true']);
    expect(document.activeElement?.textContent?.trim()).toBe('Water');
    await page.key('a.far', 'Escape');
    expect([await opened(), document.activeElement]).toEqual([['false', 'false'], rest]);
    rest.click();
    expect(await opened()).toEqual(['true', 'true']);
    document.body.click();
    expect(await opened()).toEqual(['false', 'false']);
  });
});

describe('the strip', () => {
  it('says where and when we are, and every bench follows when it is changed', async () => {
    const later: SavedLesson = {
      ...LESSON,
      id: uuid(52),
      startsAt: '2026-06-14T07:30:00Z',
      planTitle: 'Second day',
      studentIds: [],
    };
    const page = await show(StripComponent, lessonServer().on(api.lessons.list, [LESSON, later]));
    expect(page.all('option')).toEqual([
      'Wed 10 Jun, River Ostrel, First nymphs',
      'Sun 14 Jun, River Ostrel, Second day',
    ]);
    expect(page.all('.fact')).toEqual([expect.stringMatching(/^light 04:2\d–22:/), 'students 2']);
    const select = document.querySelector('select') as HTMLSelectElement;
    select.value = select.options[1]?.value ?? '';
    select.dispatchEvent(new Event('change', { bubbles: true }));
    await page.settle();
    expect(page.all('.fact').at(-1)).toBe('students 0');
  });

  it('switches units, and keeps them', async () => {
    const server = lessonServer();
    const page = await show(StripComponent, server);
    await page.press('metric');
    expect(page.all('.chip')[0]).toBe('imperial');
    expect(server.of(api.session.settings)[0]?.body).toMatchObject({ units: 'imperial', bankHand: 'right' });
  });

  it('says so without a lesson', async () =>
    expect((await show(StripComponent, lessonServer().on(api.lessons.list, []))).text()).toContain(
      'No lesson on the calendar yet',
    ));

  it('opens the way out', async () => {
    const server = lessonServer().on(api.session.signOut, { ok: true });
    const page = await show(StripComponent, server);
    expect(page.text()).not.toContain('Sign out');
    await page.press(SESSION.user?.name ?? '');
    expect(page.text()).toContain('Sign out');
  });
});

describe('the rule card', () => {
  it('repeats the card in words and defers', async () => {
    const page = await show(RuleCardDialogComponent, lessonServer(), { waterId: WATER.id });
    for (const words of [
      '1 Jan to 31 Dec',
      '2 at the most',
      'barbless only',
      'no lead',
      'Doceo does not know the law',
    ])
      expect(page.text()).toContain(words);
    expect(page.text()).toContain('last read 1 Jun 2026 by Maren Voss');
  });

  it('says of what nobody has said that nobody has', async () => {
    const rules = { ...WATER.water.rules, maxHooks: null, seasonFrom: null, hours: '' };
    const server = lessonServer().on(api.waters.list, [{ ...WATER, water: { ...WATER.water, rules } }]);
    const page = await show(RuleCardDialogComponent, server, { waterId: WATER.id });
    expect(page.all('dd.soft')).toEqual(Array(5).fill('nobody has said'));
  });

  it('is ticked by the person who read it', async () => {
    const server = lessonServer().on(api.waters.readCard, WATER);
    const page = await show(RuleCardDialogComponent, server, { waterId: WATER.id });
    await page.press('I have read it at the source today');
    expect(server.of(api.waters.readCard)[0]?.path).toContain(WATER.id);
  });
});

describe('the list of problems', () => {
  const problem = (level: string, title: string, fixes: { label: string }[] = []) => ({
    id: title,
    rule: 'r',
    level,
    title,
    reason: 'because',
    evidence: [{ label: 'hooks', text: '3 of 2' }],
    fixes,
  });

  it.each([
    ['must-fix', 'No safety talk first', 'Must fix: no safety talk first'],
    ['check', 'Sam needs first: pause', 'Check: Sam needs first: pause'],
    ['check', 'Sam and Noor need first: stop', 'Check: Sam and Noor need first: stop'],
    ['tip', 'Look first: stop of Sam', 'Tip: look first: stop of Sam'],
    ['tip', 'Weight on the leader', 'Tip: weight on the leader'],
  ])('%s “%s” reads well', async (level, title, words) => {
    const page = await show(ProblemListComponent, lessonServer(), { problems: [problem(level, title)] });
    expect(page.all('h3')).toEqual([words]);
    expect(page.text()).toContain('3 of 2');
  });

  it('promises nothing when it is empty', async () =>
    expect((await show(ProblemListComponent, lessonServer(), { problems: [] })).text()).toContain(
      'no promise',
    ));
});
