import { blockFromDrill, emptyPlan, type PlanBody, plainBlock } from '@doceo/core';
import { api } from '@doceo/contract';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import Dexie from 'dexie';
import { IDBFactory } from 'fake-indexeddb';
import type { BankEvent } from '@doceo/core';
import type { FakeServer } from '../../../testing/fake-server';
import { NOW, TAUGHT, uuid } from '../../../testing/fixtures';
import { lessonServer, setDate, type Shown, show, until } from '../../../testing/page';
import { BankPage } from '../bank.page';
import { replanPicture } from './replan-picture';

const drill = (n: number, id: string, startMin: number, durationMin: number) => ({
  ...blockFromDrill(SHIPPED.drills.get(id), uuid(n), startMin),
  durationMin,
});
const BODY: PlanBody = {
  ...emptyPlan(),
  groupSize: 2,
  lengthMin: 120,
  blocks: [
    drill(41, 'hats-and-glasses', 0, 15),
    drill(42, 'count-the-pause', 15, 20),
    drill(43, 'hoops', 35, 25),
    plainBlock('break', 'Tea', uuid(44), 60, 10),
    drill(45, 'water-load', 70, 30),
  ],
};

describe('the rest of a day on the bank', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    Dexie.dependencies.indexedDB = new IDBFactory();
    // Twenty minutes into the lesson: the pause drill is on.
    setDate(NOW + 110 * 60_000);
    server = lessonServer().on(api.lessons.plan, { ...TAUGHT, body: BODY });
  });
  afterEach(() => jest.useRealTimers());

  const open = async (): Promise<Shown<BankPage>> => {
    const page = await show(BankPage, server);
    await page.quiet();
    return page;
  };
  const asked = async (page: Shown<BankPage>, what: string): Promise<void> => {
    await page.press(what);
    await until(() => document.querySelector('.picture') !== null);
    await page.quiet();
  };
  const sent = (): BankEvent[] =>
    server.of(api.events.add).flatMap(({ body }) => (body as { events: BankEvent[] }).events);

  it('thunder: the plan B that was made at home is taken by a tap, from now on', async () => {
    const planB = { trigger: 'thunder' as const, fromMin: 35, blocks: [drill(46, 'clinch-race', 35, 15)] };
    server.on(api.lessons.plan, { ...TAUGHT, body: { ...BODY, planB } });
    const page = await open();
    await asked(page, 'Thunder');
    await page.press('Plan B, as it was made');
    await page.press(/^Take it/);
    await until(() => sent().some(({ body }) => body.kind === 'replan'));
    const body = sent().find((one) => one.body.kind === 'replan')?.body;
    const blocks = body?.kind === 'replan' ? body.blocks : [];
    expect(blocks.map(({ drillId, startMin }) => [drillId, startMin])).toEqual([
      ['hats-and-glasses', 0],
      ['count-the-pause', 15],
      ['clinch-race', 25],
    ]);
    await page.quiet();
    await page.press('We are late');
    expect(page.all('doceo-replan-sheet .others button')).not.toContain('Plan B, as it was made');
  });

  it('late: says how late and until when, in the order that was planned, and goes on later by a tap', async () => {
    const page = await open();
    await asked(page, 'We are late');
    expect(page.all('doceo-replan-sheet h1')).toEqual(['10 minutes late.']);
    expect(page.text()).toContain('This still ends at 11:30');
    const titles = page.all('.picture li b');
    expect(titles).toEqual(
      ['Three hoops', 'Tea', 'Let the river load it'].filter((one) => titles.includes(one)),
    );
    await page.press('Five minutes more');
    await page.quiet();
    expect(page.all('doceo-replan-sheet h1')).toEqual(['15 minutes late.']);
    await page.press('Leave as it was');
    expect(document.querySelector('doceo-replan-sheet')).toBeNull();
    expect(sent()).toEqual([]);
  });

  it('thunder: one tap plans the rest inside, one undo brings back what was', async () => {
    const page = await open();
    expect(page.all('.what h1')).toEqual(['Count the pause']);
    await asked(page, 'Thunder');
    expect(page.text()).toContain('Into a building or a car');
    expect(page.all('li.dropped b')).toEqual(
      expect.arrayContaining(['Three hoops', 'Let the river load it']),
    );
    await page.press(/^Take it/);
    await page.quiet();
    const [event] = sent();
    expect(event?.body).toMatchObject({ kind: 'replan', why: 'thunder' });
    expect(event?.studentId).toBeNull();
    expect(page.all('.what h1')).not.toEqual(['Count the pause']);
    expect(page.text()).toContain('the plan goes on otherwise: thunder');
    await page.press('Undo');
    await page.quiet();
    expect(page.all('.what h1')).toEqual(['Count the pause']);
  });

  it('drops another drill when one says so', async () => {
    const page = await open();
    await asked(page, 'We are late');
    await page.press('Drop something else');
    expect(page.all('.drop button')).toContain('Three hoops');
    await page.press('Three hoops');
    await until(() => document.querySelector('.picture') !== null);
    await page.quiet();
    expect(page.all('li.dropped b')).toEqual(['Three hoops']);
    expect(page.all('.costs p')).toContain('All 2 Three hoops is left out');
  });

  it('goes on without somebody who does not come', async () => {
    const page = await open();
    await page.press('More');
    await asked(page, 'Jonas does not come');
    expect(page.all('doceo-replan-sheet h1')).toEqual(['Without Jonas.']);
    await page.press(/^Take it/);
    await page.quiet();
    const [event] = sent();
    const lanes = event?.body.kind === 'replan' ? event.body.blocks.map(({ lane }) => lane) : [];
    expect(lanes).not.toContain(1);
    // The group stays where it is.
    expect(page.all('.what h1')).toEqual(['Count the pause']);
  });
});

describe('the picture of a day planned anew', () => {
  it('has each stretch in both columns, with what became of it', () => {
    const [, pause, hoops, tea, river] = BODY.blocks;
    const after: PlanBody = {
      ...BODY,
      blocks: [
        BODY.blocks[0]!,
        { ...pause!, durationMin: 30 },
        { ...hoops!, startMin: 45, durationMin: 15 },
        { ...tea!, startMin: 60 },
        drill(46, 'blind-spool', 70, 10),
      ],
    };
    const picture = replanPicture(SHIPPED, BODY, after, { lane: 0, fromMin: 45 });
    expect(picture.planned.map(({ title, minutes }) => [title, minutes])).toEqual([
      [hoops!.title, 25],
      ['Tea', 10],
      [river!.title, 30],
    ]);
    expect(picture.proposed.map(({ minutes }) => minutes)).toEqual([15, 10, 10]);
    const lines = new Map(picture.lines.map(({ title, what, note }) => [title, `${what}: ${note}`]));
    expect(lines.get(hoops!.title)).toBe('changed: 15 min, 10 shorter');
    expect(lines.get('Tea')).toBe('kept: 10 min, kept');
    expect(lines.get(river!.title)).toBe('dropped: left out today');
    expect([...lines.values()].filter((line) => line.startsWith('comes'))).toEqual([
      'comes: 10 min, instead',
    ]);
    expect([picture.plannedEnd.min, picture.proposedEnd.min]).toEqual([110, 80]);
    // No line stands over another.
    const tops = picture.lines.map(({ top }) => top);
    for (const [i, top] of tops.slice(1).entries()) expect(top - tops[i]!).toBeGreaterThanOrEqual(44);
  });
});
