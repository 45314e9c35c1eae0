import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { api, type FitStatus, type SavedPlan, type SavedStudent } from '@doceo/contract';
import { type BankEvent, type PlanBody } from '@doceo/core';
import type { FakeServer } from '../../../testing/fake-server';
import { attempt, event, JONAS, NOW, PLAN, SAM, uuid } from '../../../testing/fixtures';
import { lessonServer, setDate, type Shown, show, until } from '../../../testing/page';
import { RecordPage } from './record.page';
import { StudentListPage } from '../list/student-list.page';

const PAUSE = 'casting.pause';
const good = (n: number, skill = PAUSE): BankEvent[] => Array.from({ length: n }, () => attempt(skill, null));
const bad = (n: number, fault = 'cast.crack'): BankEvent[] =>
  Array.from({ length: n }, () => attempt(PAUSE, fault));

describe('the record', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    setDate(NOW + 3_600_000);
    server = lessonServer();
  });
  afterEach(() => jest.useRealTimers());

  const open = async (events: BankEvent[], id = SAM.id): Promise<Shown<RecordPage>> => {
    server.on(api.events.list, events);
    return show(RecordPage, server, { id });
  };
  const reach = (name: string): SVGElement =>
    [...document.querySelectorAll<SVGElement>('.reach')].find((found) =>
      found.getAttribute('aria-label')?.includes(`, ${name}:`),
    ) as SVGElement;

  it('draws every skill of the graph as a reach that says one word of it', async () => {
    const page = await open([
      ...good(10),
      ...Array.from({ length: 3 }, () => attempt('casting.stop', 'cast.pile')),
    ]);
    expect(document.querySelectorAll('.reach')).toHaveLength(SHIPPED.skills.all.length);
    expect(reach('Pause').getAttribute('aria-label')).toContain('Pause: has it, 10 good of 10');
    expect(reach('Stop').getAttribute('aria-label')).toContain('Stop: learning, 0 good of 3');
    expect(reach('Roll cast').getAttribute('aria-label')).toMatch(/Roll cast: not seen$/);
    expect(page.all('.words li')).toEqual([
      '1 has it',
      '1 learning',
      `${SHIPPED.skills.all.length - 2} not seen`,
    ]);
    // Of what nobody saw no water is drawn.
    expect(reach('Roll cast').querySelector('.fill')).toBeNull();
  });

  it('keeps the model’s figures behind details, and has none of what nobody saw', async () => {
    const page = await open(good(12));
    reach('Pause').dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await page.settle();
    expect(page.all('.stage')).toEqual(['has it']);
    expect(page.text()).toContain('Good in 10 of the last 10.');
    const [outside, inside] = [page.element.cloneNode(true) as HTMLElement, page.all('details')[0]];
    outside.querySelectorAll('details').forEach((one) => one.remove());
    expect(outside.textContent).not.toMatch(/likely|mastered|0\.\d\d/);
    expect(inside).toMatch(/The record makes it 0\.9\d likely/);
    reach('Roll cast').dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await page.settle();
    expect([page.all('.stage')[0], page.all('details')[0]]).toEqual([
      'not seen',
      expect.stringContaining('there is no figure of this student'),
    ]);
  });

  it('corrects an entry, the first one staying readable under the new one', async () => {
    const [wrong] = bad(1) as [BankEvent];
    const page = await open([wrong]);
    await page.press(/forward too soon/);
    await page.press('good');
    await page.press('Correct it');
    await until(() => server.of(api.events.add).length > 0);
    await page.settle();
    const sent = (server.of(api.events.add)[0]?.body as { events: BankEvent[] }).events;
    expect(new Set(sent.map(({ body }) => body))).toEqual(
      new Set([
        { kind: 'undo', targetId: wrong.id },
        { ...wrong.body, good: true, faultId: null, corrects: wrong.id },
      ]),
    );
    expect(page.all('doceo-evidence li')).toEqual([expect.stringMatching(/good.*was forward too soon/)]);
    expect(page.all('doceo-evidence li s')).toEqual([expect.stringContaining('forward too soon')]);
  });

  it('keeps the instructor’s sentence for the card of the last lesson, and takes it off again', async () => {
    const page = await open(good(3));
    const field = 'doceo-card-sentence textarea';
    await page.enter(field, 'Say “one-and”, then come forward.');
    await until(() => server.of(api.events.add).length > 0);
    const sent = (n: number) => (server.of(api.events.add)[n]?.body as { events: BankEvent[] }).events[0];
    expect(sent(0)).toMatchObject({
      studentId: SAM.id,
      body: { kind: 'sentence', text: 'Say “one-and”, then come forward.' },
    });
    expect(page.text()).toContain('You noted: hurries the pause');
    await page.enter(field, '');
    await until(() => server.of(api.events.add).length > 1);
    expect(sent(1)?.body).toEqual({ kind: 'sentence', text: '' });
  });

  it('shows evidence newest first, without what was taken back', async () => {
    const taken = attempt(PAUSE, 'cast.crack');
    const page = await open([...good(1), ...bad(1), taken, event({ kind: 'undo', targetId: taken.id })]);
    expect(page.all('doceo-evidence li')).toHaveLength(2);
    expect(page.all('doceo-evidence li')[0]).toContain('orward too soon');
  });

  it('narrows to one reach, by click or by key, and back', async () => {
    const page = await open([...good(3), ...good(2, 'casting.stop')]);
    expect(page.all('doceo-evidence li')).toHaveLength(5);
    reach('Pause').dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await page.settle();
    expect(page.all('doceo-evidence li')).toHaveLength(3);
    reach('Pause').dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await page.settle();
    expect(page.all('doceo-evidence li')).toHaveLength(5);
  });

  it('shows long evidence a page at a time', async () => {
    const page = await open(good(30));
    expect(page.all('doceo-evidence li')).toHaveLength(8);
    await page.press(/Show more of 30/);
    expect(page.all('doceo-evidence li').length).toBeGreaterThan(8);
  });

  it('offers drills that fit the minutes, and makes a plan of them', async () => {
    server.on(api.plans.create, ({ body }) => ({ ...PLAN, ...(body as object) }) as SavedPlan);
    const page = await open(good(4, 'casting.grip-stance'));
    expect(page.all('article b').length).toBeGreaterThan(1);
    await page.press('Make a lesson of it');
    const made = server.of(api.plans.create)[0]?.body as { body: PlanBody };
    const [first, second] = made.body.blocks;
    expect([first?.drillId, first?.startMin]).toEqual(['hats-and-glasses', 0]);
    expect(page.all('article b')[0]).toBe(second?.title);
  });

  it('says what to do while there is nothing', async () => {
    expect((await open([])).text()).toContain('Nothing on the record yet');
  });

  it('shows nobody else’s student', async () => {
    expect((await open([], uuid(99))).text()).toContain('No such student');
  });

  it('goes back through the season, and says what was won or lost since the lesson before', async () => {
    const day = 86_400_000;
    const [first, second, third] = [3, 2, 1].map((days, i) =>
      good(8, [PAUSE, 'casting.stop', 'casting.roll'][i]).map((one, n) => ({
        ...one,
        lessonId: uuid(80 + i),
        atMs: NOW - days * day + n * 1000,
      })),
    ) as [BankEvent[], BankEvent[], BankEvent[]];
    const page = await open([...first, ...second, ...third]);
    const slider = page.element.querySelector<HTMLInputElement>('input[type=range]')!;
    expect([slider.max, page.all('output')[0]]).toEqual(['3', 'Today']);
    expect(page.all('.changes')[0]).toMatch(/^Since 8 Jun 2026:\s*Roll cast has it/);
    slider.value = '1';
    slider.dispatchEvent(new Event('input', { bubbles: true }));
    await page.settle();
    expect(page.all('output')[0]).toBe('8 Jun 2026');
    expect(page.all('.changes')[0]).toMatch(/^Since 7 Jun 2026:\s*Stop has it/);
    expect(reach('Pause').getAttribute('aria-label')).toContain('8 good of 8');
  });

  it('tells which drill moved which fault, from how many attempts', async () => {
    const lesson = (drillId: string, n: number, faults: number, at: number): BankEvent[] =>
      Array.from({ length: n }, (_, i) => ({
        ...attempt(PAUSE, i < faults ? 'cast.crack' : null),
        atMs: NOW - 5_000_000 + (at + i) * 1000,
      })).map((one) => ({ ...one, body: { ...one.body, drillId } as BankEvent['body'] }));
    const page = await open([
      ...lesson('hoops', 20, 16, 0),
      ...lesson('lay-it-down', 6, 3, 100),
      ...lesson('hoops', 20, 2, 200),
    ]);
    expect(page.text()).toMatch(
      /fell from 80 to 10 of 100 since “Pick up, lay down” \(−\d\d to −\d\d; 20 attempts before, 20 after\)/,
    );
    expect(page.text()).toContain('likely, not proved');
  });

  it('says which parameters are in use, and fits them with its progress told', async () => {
    const status = (
      state: FitStatus['state'],
      done: number,
      skills: FitStatus['skills'] = {},
      home: FitStatus['home'] = null,
    ): FitStatus => ({
      state,
      done,
      of: 57,
      startedAt: '2026-06-10T06:00:00Z',
      endedAt: state === 'done' ? '2026-06-10T06:00:02Z' : null,
      skills,
      home,
    });
    const fit = {
      enough: true,
      students: 14,
      attempts: 300,
      mean: { initial: 0.5, learn: 0.1, slip: 0.1, guess: 0.2 },
      spread: { initial: 0.1, learn: 0.02, slip: 0.02, guess: 0.02 },
    };
    server.on(api.skillFit.get, status('never', 0));
    server.on(api.skillFit.start, status('running', 3));
    const page = await open([]);
    reach('Grip and stance').dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await page.settle();
    expect(page.text()).toContain('In use: the priors that ship');
    await page.press('Fit to all records now');
    expect(page.text()).toContain('3 of 57 skills');
    expect(page.text()).toContain(
      'counts for 0.60 of the same in a lesson: a rule of thumb, until 200 attempts',
    );
    const home = { enough: true, students: 13, attempts: 260, trust: 0.42, spread: 0.05 };
    server.on(api.skillFit.get, status('done', 57, { 'casting.grip-stance': fit }, home));
    await until(() => page.text().includes('In use: fitted'));
    await page.settle();
    expect(page.text()).toContain('300 attempts of 14 students');
    expect(page.text()).toMatch(/counts for 0.42 ± 0.05 of the same in a lesson: learned from 260 attempts/);
  });

  it('changes the student, and asks a guardian of a minor', async () => {
    server.on(api.students.update, ({ body }) => ({ ...JONAS, student: body }) as SavedStudent);
    const page = await open([], JONAS.id);
    await page.press('Student');
    expect(page.text()).toContain('Without a guardian’s consent nothing is recorded');
    document.querySelector<HTMLInputElement>('input[name=consent]')?.click();
    await page.settle();
    // What the guardian took back meanwhile is not given again by this form, which keeps all that was typed.
    server.refuse(api.students.update, 400, 'invalid', [
      { path: 'guardianConsentOn', code: 'taken-back', message: 'was taken back on 2026-06-09' },
    ]);
    await page.press('Save the student');
    expect(page.text()).toContain('The consent was taken back on 2026-06-09.');
    server.on(api.students.update, ({ body }) => ({ ...JONAS, student: body }) as SavedStudent);
    await page.press('Save the student');
    expect(server.of(api.students.update).at(-1)?.body).toMatchObject({ guardianConsentOn: '2026-06-10' });
  });

  it('tells at the field that a name is needed', async () => {
    const page = await open([], SAM.id);
    await page.press('Student');
    await page.enter('input[name=name]', '  ');
    await page.press('Save the student');
    expect(page.text()).toContain('a name is needed');
    expect(server.of(api.students.update)).toEqual([]);
  });
});

describe('the students', () => {
  beforeEach(() => setDate());
  afterEach(() => jest.useRealTimers());

  it('are listed with what they are ready in', async () => {
    const sam = { id: SAM.id, attempts: 12, lastAtMs: Date.parse('2026-05-12T10:00:00Z') };
    const server = lessonServer().on(api.records.progress, [{ ...sam, ready: { casting: 1 } }]);
    const page = await show(StudentListPage, server);
    expect(page.all('.who b')).toEqual(['Sam Okande', 'Jonas Wren']);
    expect(page.all('.bar small')[0]).toMatch(/^casting 1\/\d+$/);
    expect(page.all('a > .small')).toEqual(['12 attempts last on 12 May 2026', '0 attempts']);
  });

  it('are searched and put in order when there are many, two dozen at a time', async () => {
    const many = Array.from({ length: 50 }, (_, i) => ({
      ...{ id: uuid(200 + i), mine: true },
      student: { ...SAM.student, name: `Student ${10 + i}` },
    }));
    const last = { id: uuid(249), attempts: 3, lastAtMs: Date.parse('2026-05-12T10:00:00Z'), ready: {} };
    const server = lessonServer().on(api.students.list, many).on(api.records.progress, [last]);
    const page = await show(StudentListPage, server);
    expect([page.all('.who').length, page.text().includes('50 students')]).toEqual([24, true]);
    await page.press('Show more');
    expect(page.all('.who')).toHaveLength(48);
    await page.press('Show more');
    expect(page.all('.who')).toHaveLength(50);
    await page.press('seen last');
    expect(page.all('.who b')[0]).toBe('Student 59');
    const type = async (words: string): Promise<void> => {
      const field = page.element.querySelector<HTMLInputElement>('input[name=find]')!;
      field.value = words;
      field.dispatchEvent(new Event('input'));
      await page.settle();
    };
    await type('dent 4');
    expect(page.all('.who')).toHaveLength(10);
    await type('nobody');
    expect(page.text()).toContain('Nobody of that name');
    await page.press('Show all');
    expect(page.all('.who')).toHaveLength(24);
  });

  const file = {
    format: 'doceo-student',
    version: 1,
    writtenAt: '2026-06-01T10:00:00Z',
    student: { ...SAM.student, name: 'Lidia Moreau', id: uuid(14) },
    lessons: [],
    events: [],
    readings: [],
  };
  const choose = async (page: Shown<StudentListPage>, text: string): Promise<void> => {
    const field = page.element.querySelector<HTMLInputElement>('input[type=file]')!;
    const chosen = Object.assign(new File([text], 'lidia.json'), { text: () => Promise.resolve(text) });
    Object.defineProperty(field, 'files', { value: [chosen], configurable: true });
    field.dispatchEvent(new Event('change'));
    await page.quiet();
  };

  it('can be taken in from a file', async () => {
    const lidia = { id: uuid(14), mine: true, student: { ...SAM.student, name: 'Lidia Moreau' } };
    const server = lessonServer().on(api.students.import, lidia);
    const page = await show(StudentListPage, server);
    server.on(api.students.list, [SAM, JONAS, lidia]);
    await choose(page, JSON.stringify(file));
    expect(server.of(api.students.import)[0]?.body).toEqual(file);
    expect(page.all('.who b')).toContain('Lidia Moreau');
  });

  it('are not taken in from a file with a fault, which is named, be it found here or by the server', async () => {
    const server = lessonServer().refuse(api.students.import, 409, 'already-exists');
    const page = await show(StudentListPage, server);
    await choose(page, JSON.stringify({ ...file, version: 9 }));
    expect(page.all('.refused li')[0]).toMatch(/^version /);
    expect(server.of(api.students.import)).toEqual([]);
    await choose(page, JSON.stringify(file));
    expect(page.all('.refused b')[0]).toContain('lidia.json was not taken');
    expect(page.all('.refused li')[0]).toMatch(/^student /);
  });

  it('begin with an invitation', async () => {
    const page = await show(StudentListPage, lessonServer().on(api.students.list, []));
    await page.press('Add the first');
    expect(page.text()).toContain('Save the student');
  });
});
