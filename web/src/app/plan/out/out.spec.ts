import { TestBed } from '@angular/core/testing';
import { api, type PlanLink } from '@doceo/contract';
import { SHIPPED_CURRICULUM } from '@doceo/core/shipped';
import ICAL from 'ical.js';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import type { FakeServer } from '../../../testing/fake-server';
import { LESSON, PLAN, SAM, uuid, WATER } from '../../../testing/fixtures';
import { lessonServer, show, type Shown } from '../../../testing/page';
import { type SavedFile, savedFiles } from '../../../testing/saved-files';
import { WHOLE_PLAN } from '../../../testing/whole-plan';
import { PDF_MAKER } from '../../data/pdf';
import { lessonCalendar } from './lesson-calendar';
import { placeInPlan } from './named-places';
import { OutPage } from './out.page';
import { planMarkdown } from './plan-markdown';
import { planPaper } from './plan-papers';
import { type SheetDay, sheetOf } from './plan-sheet';

const DAY: SheetDay = {
  startMs: Date.parse('2026-06-13T07:30:00Z'),
  zone: 'Europe/Berlin',
  when: 'Sat 13 Jun, 09:30–13:00, River Ostrel',
  light: 'Sun 04:40 to 21:50, last light 22:40',
};
const sheet = (day: SheetDay | null = null) =>
  sheetOf(WHOLE_PLAN, SHIPPED_CURRICULUM, 'metric', 'Maren Voss', day);

describe('a plan as it is read', () => {
  it('tells its lines by the clock on a day, else from its beginning', () => {
    expect(sheet(DAY).rows[0]).toMatchObject({ time: '09:30–09:40', who: 'all' });
    expect(sheet().rows[1]).toMatchObject({ time: '0:15–0:25', who: 'student 1, 2' });
    expect(sheet().planB?.when).toMatch(/^From 1:40, at the first thunder/);
  });

  it('carries what it needs: words, steps, rigs with their knots, what to pack', () => {
    const { rows, rigs, pack, facts } = sheet();
    const pause = rows.find(({ title }) => title === 'Count the pause');
    expect(pause).toMatchObject({
      say: 'Stop. And. Wait.',
      done: '8 of 10: 7 m, no crack behind',
      place: 'grass',
    });
    expect(pause?.how.length).toBeGreaterThan(1);
    expect(rigs[0]?.knots[0]).toBe('loop to loop, fly line to butt');
    expect(pack.map(({ group }) => group)).toContain('leader material');
    expect(facts.slice(0, 2)).toEqual(['210 min', '4 students']);
  });

  it('speaks the units of its reader', () => {
    const { rows } = sheetOf(WHOLE_PLAN, SHIPPED_CURRICULUM, 'imperial', 'Maren Voss');
    expect(rows.find(({ title }) => title === 'Count the pause')?.done).toBe(
      '8 of 10: 23 ft, no crack behind',
    );
  });
});

describe('a plan as a text with marks', () => {
  it('is a heading, a table and lists', () => {
    const lines = planMarkdown(sheet(DAY)).split('\n');
    expect(lines[0]).toBe('# First nymphs');
    expect(lines).toContain('Sat 13 Jun, 09:30–13:00, River Ostrel. Sun 04:40 to 21:50, last light 22:40');
    expect(lines).toContain('| Time | Who | What | Say | Done when | Watch for |');
    const table = lines.filter((line) => line.startsWith('| '));
    for (const line of table) expect(line.split(' | ')).toHaveLength(6);
  });

  it('keeps what was typed from becoming marks', () => {
    const body = { ...WHOLE_PLAN.body, aim: '# 1 | *two*\nlines' };
    const text = planMarkdown(sheetOf({ ...WHOLE_PLAN, body }, SHIPPED_CURRICULUM, 'metric', 'Maren Voss'));
    expect(text.split('\n')[2]).toBe('\\# 1 \\| \\*two\\* lines');
  });
});

describe('a plan on paper', () => {
  const texts = (document: TDocumentDefinitions): string => JSON.stringify(document.content);

  it.each(['A4', 'LETTER'] as const)('is for %s, a paper for each use', (paper) => {
    expect(planPaper(sheet(), 'desk', paper).pageSize).toBe(paper);
    expect(texts(planPaper(sheet(), 'desk', paper))).toContain('Rig: Two nymphs');
    const student = texts(planPaper(sheet(), 'student', paper));
    expect(student).toContain('You have it at 8 of 10: 7 m, no crack behind.');
    expect(student).not.toContain('Tea');
    expect(student.split('"Count the pause"')).toHaveLength(2);
    expect(texts(planPaper(sheet(), 'packing', paper))).toContain('first-aid kit');
  });

  it('leaves the sheet as it is, though the writer of PDFs changes what it is given', () => {
    const one = sheet();
    const arrays = (value: unknown): unknown[] =>
      typeof value === 'object' && value !== null
        ? [...(Array.isArray(value) ? [value] : []), ...Object.values(value).flatMap(arrays)]
        : [];
    expect(arrays(planPaper(one, 'desk', 'A4').content)).not.toContain(one.rigs[0]?.knots);
  });

  it('says so when there is nothing to pack', () => {
    const empty = { ...WHOLE_PLAN, body: { ...WHOLE_PLAN.body, blocks: [], rigs: [], planB: undefined } };
    const bare = sheetOf(empty, SHIPPED_CURRICULUM, 'metric', 'Maren Voss');
    expect(texts(planPaper(bare, 'packing', 'A4'))).toContain('asks for gear or a rig');
  });
});

describe('a lesson in a calendar', () => {
  it('is read by another library: when, where, how many, the light, a reminder the evening before', async () => {
    const text = await lessonCalendar(
      {
        lesson: {
          ...LESSON,
          planTitle: 'First nymphs; deep, slow',
          startsAt: '2026-06-13T07:30:00.000Z',
          lengthMin: 210,
        },
        ...{
          water: { ...WATER.water, timeZone: 'Europe/Berlin' },
          aim: 'Set on ten takes\nof any kind',
          light: DAY.light,
        },
        from: 'Maren Voss',
      },
      Date.parse('2026-06-10T08:00:00Z'),
    );
    expect(text.endsWith('END:VCALENDAR\r\n')).toBe(true);
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    const component = new ICAL.Component(ICAL.parse(text)).getFirstSubcomponent('vevent')!;
    const event = new ICAL.Event(component);
    expect([event.startDate.toJSDate().toISOString(), event.duration.toSeconds() / 60]).toEqual([
      '2026-06-13T07:30:00.000Z',
      210,
    ]);
    expect(event.summary).toBe(`First nymphs; deep, slow, ${LESSON.studentIds.length} students`);
    expect(event.location).toBe(LESSON.waterName);
    expect(event.description).toContain('Set on ten takes\nof any kind');
    const alarm = component.getFirstSubcomponent('valarm')!;
    const trigger = alarm.getFirstPropertyValue('trigger') as ICAL.Time;
    expect(trigger.toJSDate().toISOString()).toBe('2026-06-12T17:00:00.000Z');
  });
});

describe('where a student is named', () => {
  it.each([
    ['body.blocks[0].note', `${PLAN.body.blocks[0]?.title}: note`],
    ['body.aim', 'The plan: aim'],
    ['body.carries.drills[2].how[0]', 'a drill it carries: text'],
  ])('%s is told as %s', (path, words) => expect(placeInPlan(path, PLAN.body)).toBe(words));
});

describe('the page that hands a plan on', () => {
  let server: FakeServer;
  let files: SavedFile[];
  const made: TDocumentDefinitions[] = [];
  const link = (rest: Partial<PlanLink> = {}): PlanLink => ({
    ...{ id: uuid(90), title: PLAN.title, at: '2026-06-01T10:00:00.000Z', until: '2036-07-01T10:00:00.000Z' },
    ...{ revokedAt: null, views: 0, viewedAt: null, ...rest },
  });
  beforeEach(() => {
    made.length = 0;
    server = lessonServer()
      .on(api.links.list, [link({ id: uuid(91), views: 3, viewedAt: '2026-06-04T10:00:00.000Z' })])
      .on(api.links.make, { link: link(), token: 'A'.repeat(22) })
      .on(api.links.revoke, { ok: true })
      .on(api.planFiles.make, { text: '{}\n', named: [] });
    files = savedFiles();
  });
  const open = (): Promise<Shown<OutPage>> => {
    TestBed.overrideProvider(PDF_MAKER, {
      useValue: (document: TDocumentDefinitions) => {
        made.push(document);
        return Promise.resolve(new Blob(['pdf']));
      },
    });
    return show(OutPage, server, { id: PLAN.id });
  };

  it('saves papers, text, calendar and the plan’s own file', async () => {
    const page = await open();
    await page.press(/Student card/);
    await page.press('Text');
    await page.press('Calendar');
    await page.press('Plan file');
    await page.quiet();
    expect(files.map(({ name }) => name.replace(/^.*\./, ''))).toEqual(['pdf', 'md', 'ics', 'json']);
    expect(made[0]?.info?.title).toBe(PLAN.title);
    expect(server.of(api.planFiles.make)[0]?.body).toEqual({ ids: [PLAN.id], withoutNames: false });
  });

  it('warns of a student’s name before anything leaves, and leaves it out when told to', async () => {
    const note = `As ${SAM.student.name} did it`;
    const body = { ...PLAN.body, aim: note };
    server.on(api.plans.get, { ...PLAN, body });
    const page = await open();
    expect(page.text()).toContain('It names a student');
    await page.press('Text');
    expect(files).toEqual([]);
    await page.press('Leave the names out');
    await page.press('Text');
    expect(await files[0]?.text()).not.toContain(SAM.student.name.split(' ')[0]);
    await page.press('Plan file');
    expect(server.of(api.planFiles.make)[0]?.body).toEqual({ ids: [PLAN.id], withoutNames: true });
  });

  it('makes a link, shows it once with its code, and closes one', async () => {
    const page = await open();
    expect(page.all('doceo-plan-link li')).toEqual([
      `${PLAN.title} opened 3 times, last 4 Jun 2026; until 1 Jul 2036Close it`,
    ]);
    await page.press('a season');
    await page.press('Make a link');
    expect(server.of(api.links.make)[0]?.body).toMatchObject({ days: 120 });
    expect(page.all('.address')).toEqual([`${location.origin}/shown#${'A'.repeat(22)}`]);
    expect(page.element.querySelector('doceo-qr-code path')?.getAttribute('d')).toMatch(/^M4 4h1v1/);
    await page.press('Close it');
    expect(server.of(api.links.revoke)[0]?.path).toBe(`/api/links/${uuid(90)}`);
    expect(page.all('.address')).toEqual([]);
    expect(page.text()).toContain('closed');
  });

  it('says at the button why there can be no link', async () => {
    server.refuse(api.links.make, 400, 'invalid', [
      { path: 'body.aim', code: 'student-name', message: 'names a student: “Sam”' },
    ]);
    const page = await open();
    await page.press('Make a link');
    expect(page.all('[role=alert]').join()).toContain('The plan: aim names a student');
  });
});
