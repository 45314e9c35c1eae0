import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { api, type SavedLesson, type SavedStudent, type SavedWater } from '@doceo/contract';
import { TestBed } from '@angular/core/testing';
import { MessageService } from 'primeng/api';
import { throwError } from 'rxjs';
import type { UndoData } from '../data/undoable';
import { columnsByStudent, type BankEvent, blockFromDrill, DEFAULT_SETUP } from '@doceo/core';
import { event, JONAS, LESSON, PLAN, RIG, SAM, uuid, WATER, TAUGHT } from '../../testing/fixtures';
import { lessonServer, setDate, type Shown, show, until } from '../../testing/page';
import { FORD, GLIDE, SAVED_LAKE, savedBeat } from '../../testing/waters';
import { LessonCardPage } from './card/lesson-card.page';
import { LessonKitPage } from './kit/lesson-kit.page';
import { LessonDialogComponent } from '../shared/lesson/lesson-dialog.component';
import { BenchRunner } from '../workers/bench-runner';

beforeEach(() => {
  localStorage.clear();
  setDate();
});
afterEach(() => jest.useRealTimers());

describe('the lesson dialog', () => {
  const server = () =>
    lessonServer()
      .on(
        api.lessons.create,
        ({ body }) => ({ ...LESSON, ...(body as { lesson: object }).lesson }) as SavedLesson,
      )
      .on(api.lessons.update, ({ body }) => ({ ...LESSON, ...(body as object) }) as SavedLesson);
  const tick = async (page: Shown<LessonDialogComponent>, n: number): Promise<void> => {
    document.querySelectorAll<HTMLInputElement>('.student input')[n]?.click();
    await page.settle();
  };

  it('proposes tomorrow half past nine, and opens no calendar by itself', async () => {
    const page = await show(LessonDialogComponent, server(), { planId: PLAN.id });
    expect(document.querySelector<HTMLInputElement>('#lesson-when')?.value).toBe('Thu 11 Jun 2026, 09:30');
    expect(page.all('.p-datepicker-panel')).toEqual([]);
  });

  it('numbers students by the order they are chosen in', async () => {
    const at = server();
    const page = await show(LessonDialogComponent, at, { planId: PLAN.id });
    await tick(page, 1);
    await tick(page, 0);
    expect(page.all('.student b')).toEqual(['2', '1']);
    await page.press('Schedule it');
    expect(at.of(api.lessons.create)[0]?.body).toMatchObject({ lesson: { studentIds: [JONAS.id, SAM.id] } });
  });

  it('changes a lesson from what it was', async () => {
    const at = server();
    const page = await show(LessonDialogComponent, at, { planId: PLAN.id, lesson: LESSON });
    expect(page.all('.student b')).toEqual(['1', '2']);
    await tick(page, 0);
    await page.press('Save the lesson');
    expect(at.of(api.lessons.update)[0]?.body).toEqual({
      planId: PLAN.id,
      waterId: WATER.id,
      startsAt: expect.stringMatching(/^2026-06-10T07:30:00/),
      studentIds: [JONAS.id],
    });
  });

  it('says at the field what the server does not take, and loses nothing', async () => {
    const at = server().refuse(api.lessons.create, 400, 'invalid', [
      { path: 'lesson.waterId', code: 'unknown', message: 'is no water of yours' },
    ]);
    const page = await show(LessonDialogComponent, at, { planId: PLAN.id });
    await tick(page, 0);
    await page.press('Schedule it');
    expect(page.text()).toContain('is no water of yours');
    expect(page.all('.student b')).toEqual(['1', '–']);
  });

  it('cancels a lesson, and brings it back as it was', async () => {
    const at = server().on(api.lessons.remove, { ok: true });
    const page = await show(LessonDialogComponent, at, { planId: PLAN.id, lesson: LESSON });
    const told = jest.spyOn(TestBed.inject(MessageService), 'add');
    await page.press('Cancel the lesson');
    expect(at.of(api.lessons.remove)).toHaveLength(1);
    const [message] = told.mock.calls[0] as [{ summary: string; data: UndoData }];
    expect(message.summary).toBe('First nymphs is cancelled');
    message.data.undo();
    expect(at.of(api.lessons.create)[0]?.body).toMatchObject({
      id: LESSON.id,
      lesson: { startsAt: LESSON.startsAt, studentIds: LESSON.studentIds },
    });
  });

  it('says why a lesson that was taught stays', async () => {
    const at = server().refuse(api.lessons.remove, 409, 'in-use');
    const page = await show(LessonDialogComponent, at, { planId: PLAN.id, lesson: LESSON });
    await page.press('Cancel the lesson');
    expect(page.all('.wrong')).toHaveLength(1);
  });

  it('adds a water on the way, and takes it', async () => {
    const at = server().on(
      api.waters.create,
      ({ body }) => ({ ...(body as { id: string; water: SavedWater['water'] }), mine: true }) as SavedWater,
    );
    const page = await show(LessonDialogComponent, at, { planId: PLAN.id });
    await page.press('New water');
    await page.enter('input[name=water-name]', 'Mill Leat');
    await page.enter('input[name=place]', '95, 9.4');
    await page.press('Add the water');
    expect(page.text()).toContain('degrees north and east, as 57.9, 9.1');
    expect(page.text()).toContain('say which kind it is');
    expect(at.of(api.waters.create)).toEqual([]);
    await page.press('brook');
    await page.enter('input[name=place]', '57.2, 9.4');
    await page.press('Add the water');
    const sent = (at.of(api.waters.create)[0]?.body as { water: SavedWater['water'] }).water;
    expect(sent).toMatchObject({ name: 'Mill Leat', kind: 'brook', latitude: 57.2, longitude: 9.4 });
    // Nothing is said that nobody said.
    expect(sent.places).toEqual([]);
    expect(Object.values(sent.rules).filter((value) => value !== null && value !== '')).toEqual([]);
    expect(
      document.querySelector<HTMLSelectElement>('select[name=water]')?.selectedOptions[0]?.text,
    ).toContain('Mill Leat');
  });

  it('adds a student on the way, and takes him', async () => {
    const at = server().on(
      api.students.create,
      ({ body }) =>
        ({ ...(body as { id: string; student: SavedStudent['student'] }), mine: true }) as SavedStudent,
    );
    const page = await show(LessonDialogComponent, at, { planId: PLAN.id });
    await page.press('Add');
    expect(page.text()).toContain('a name is needed');
    await page.enter('input[name=student-name]', 'Otto Linn');
    document.querySelector<HTMLInputElement>('input[name=adult]')?.click();
    await page.press('Add');
    expect(at.of(api.students.create)[0]?.body).toMatchObject({
      student: { name: 'Otto Linn', saidAdult: true, bornOn: null },
    });
    await page.press('Schedule it');
    expect((at.of(api.lessons.create)[0]?.body as { lesson: SavedLesson }).lesson.studentIds).toHaveLength(1);
    expect(document.querySelector<HTMLInputElement>('input[name=student-name]')?.value).toBe('');
  });
});

describe('the lesson card', () => {
  const open = (plan = PLAN, id = LESSON.id): Promise<Shown<LessonCardPage>> =>
    show(LessonCardPage, lessonServer().on(api.lessons.plan, { ...TAUGHT, body: plan.body }), { id });

  it('tells when, where, by which rules, what to say and what to pack', async () => {
    const page = await open();
    for (const words of [
      'Wed 10 Jun, 09:30–11:30, River Ostrel',
      '2, barbless',
      '1 Jun 2026',
      'Stop. And. Wait.',
      '8 of 10: 7 m, no crack behind',
      'first-aid kit',
      'judge on the spot',
    ])
      expect(page.text()).toContain(words);
  });

  it('has one row for students who do the same at the same time', async () => {
    const blocks = [
      { ...blockFromDrill(SHIPPED.drills.get('hoops'), uuid(1), 0), lane: 0 },
      { ...blockFromDrill(SHIPPED.drills.get('hoops'), uuid(2), 0), lane: 1 },
      { ...blockFromDrill(SHIPPED.drills.get('hoops'), uuid(3), 15), lane: 0 },
      blockFromDrill(SHIPPED.drills.get('wet-hands-net'), uuid(4), 30),
    ];
    const page = await open({ ...PLAN, body: { ...PLAN.body, blocks } });
    expect(page.all('tbody td:nth-child(2)')).toEqual(['Sam, Jonas', 'Sam', 'all']);
  });

  it('shows the drifts of its blocks, each with what to do and how long it lasts', async () => {
    const mend = { ...{ kind: 'mend' as const, way: 'up' as const, atS: 0.4 }, sizeM: 1, from: 0.1, to: 0.8 };
    const drift = { ...DEFAULT_SETUP, acts: [mend] };
    const blocks = [{ ...blockFromDrill(SHIPPED.drills.get('mend-both-ways'), uuid(1), 0), drift }];
    const page = await open({ ...PLAN, body: { ...PLAN.body, blocks } });
    await until(() => page.element.querySelector('doceo-top-view') !== null);
    expect(page.all('.drifts h2')).toEqual(['Mend up, mend down: the drift to show']);
    expect(page.all('.drifts p')).toEqual(['Across, 1.00 m mend up at 0.4 s']);
    expect(page.all('.drifts figcaption')).toEqual(['About 1.3 seconds, 71 cm, until it drags.']);
    expect(page.element.querySelector('.drifts [role=slider]')).toBeNull();
  });

  it('says at its place when a drift cannot be worked out, the card staying whole', async () => {
    const blocks = [
      {
        ...blockFromDrill(SHIPPED.drills.get('mend-both-ways'), uuid(1), 0),
        drift: { ...DEFAULT_SETUP, lieM: 1, outM: 4 },
      },
    ];
    const page = await open({ ...PLAN, body: { ...PLAN.body, blocks } });
    await until(() => page.text().includes('This drift could not be worked out.'));
    expect(page.text()).toContain('This drift could not be worked out.');
    expect(page.all('tbody tr')).toHaveLength(1);
  });

  it('draws the beat with room for the group, and says who stands where', async () => {
    const server = lessonServer()
      .on(api.lessons.plan, TAUGHT)
      .on(api.waters.beats, [savedBeat(71, GLIDE), savedBeat(72, FORD)]);
    const page = await show(LessonCardPage, server, { id: LESSON.id });
    await until(() => page.element.querySelector('doceo-beat-board') !== null);
    await page.settle();
    expect(page.all('doceo-water-sketch h2')).toHaveLength(1);
    expect(page.all('doceo-water-sketch li').sort()).toEqual([
      expect.stringMatching(/^Jonas (in the water|from the bank), cast [\d.]+ m to the /),
      expect.stringMatching(/^Sam (in the water|from the bank), cast [\d.]+ m to the /),
    ]);
    expect(page.element.querySelector('[inert] .stand')).not.toBeNull();
  });

  it('draws a lake, and says who stands where on its shore', async () => {
    const server = lessonServer()
      .on(api.lessons.plan, TAUGHT)
      .on(api.waters.list, [{ ...WATER, water: { ...WATER.water, kind: 'lake' } }])
      .on(api.waters.lake, { saved: { ...SAVED_LAKE, waterId: WATER.id } });
    const page = await show(LessonCardPage, server, { id: LESSON.id });
    await until(() => page.all('doceo-water-sketch li').length > 0);
    expect(page.all('doceo-water-sketch h2')).toEqual([SAVED_LAKE.lake.name]);
    expect(page.all('doceo-water-sketch li').sort()).toEqual([
      expect.stringMatching(/^Jonas casts [\d.]+ m, over [\d.]+ c?m( to [\d.]+ c?m)? of water/),
      expect.stringMatching(/^Sam casts [\d.]+ m, over [\d.]+ c?m( to [\d.]+ c?m)? of water/),
    ]);
    expect(page.element.querySelectorAll('[inert] .stand')).toHaveLength(2);
  });

  it.each(['lake', 'river'] as const)('says when nobody can work out who stands where: %s', async (kind) => {
    const gone = () => throwError(() => new Error('the worker is gone'));
    TestBed.overrideProvider(BenchRunner, { useValue: { run: gone, runOfMany: gone } });
    const server = lessonServer()
      .on(api.lessons.plan, TAUGHT)
      .on(api.waters.list, [{ ...WATER, water: { ...WATER.water, kind } }])
      .on(api.waters.beats, [savedBeat(71, GLIDE)])
      .on(api.waters.lake, { saved: { ...SAVED_LAKE, waterId: WATER.id } });
    const page = await show(LessonCardPage, server, { id: LESSON.id });
    const alert = 'Where they stand could not be worked out. Find the places on the spot.';
    await until(() => page.all('[role=alert]').includes(alert));
    expect(page.all('[role=alert]')).toContain(alert);
    expect(page.text()).toContain('Before anything');
  });

  it('is the same without a drawing of the water', async () => {
    const page = await open();
    expect(page.all('doceo-water-sketch section')).toEqual([]);
    expect(page.text()).toContain('Before anything');
  });

  it('prints when told so', async () => {
    const print = jest.spyOn(window, 'print').mockImplementation(() => undefined);
    await (await open()).press('Print this card');
    expect(print).toHaveBeenCalledTimes(1);
    print.mockRestore();
  });

  it('speaks first of what went wrong in lessons before', async () => {
    const slip = event({ kind: 'safety', what: 'slip', text: 'at the ledge' });
    const before = { ...slip, lessonId: uuid(77), atMs: Date.parse('2026-06-03T08:00:00Z') };
    const server = lessonServer().on(api.records.list, columnsByStudent([before]));
    const page = await show(LessonCardPage, server, { id: LESSON.id });
    expect(page.text()).toContain('Speak of it first');
    expect(page.text()).toMatch(/Sam, Wed 3 Jun: at the ledge/);
  });

  it('says so when there is no such lesson', async () =>
    expect((await open(PLAN, uuid(99))).text()).toContain('No such lesson'));
});

describe('the packing list', () => {
  const plan = {
    ...PLAN,
    body: {
      ...PLAN.body,
      rigs: [{ id: RIG.id, name: RIG.name, rig: RIG.rig }],
      blocks: [
        ...PLAN.body.blocks,
        { ...blockFromDrill(SHIPPED.drills.get('set-on-anything'), uuid(43), 30), rigId: RIG.id },
      ],
    },
  };
  const open = (events: BankEvent[] = []): Promise<Shown<LessonKitPage>> =>
    show(
      LessonKitPage,
      lessonServer()
        .on(api.lessons.plan, { ...TAUGHT, body: plan.body })
        .on(api.records.list, columnsByStudent(events)),
      {
        id: LESSON.id,
      },
    );

  it('has the gear of the drills and the material of the rigs, in groups', async () => {
    const page = await open();
    expect(page.all('section h2')).toEqual([
      'for the drills',
      'leader material',
      'flies',
      'shot',
      'indicators',
      'fly lines',
    ]);
    expect(page.text()).toContain('first-aid kit');
    expect(page.text()).toContain('fluorocarbon 5X');
    expect(page.text()).toContain('by the rule of thumb');
  });

  it('is ticked off, and stays so', async () => {
    const page = await open();
    document.querySelector<HTMLInputElement>('label input')?.click();
    await page.settle();
    expect(page.text()).toMatch(/ 1 of \d+ packed/);
    TestBed.resetTestingModule();
    expect((await open()).text()).toMatch(/ 1 of \d+ packed/);
  });

  it('packs by the tangles on the student’s own record', async () => {
    const tangles = Array.from({ length: 12 }, () => event({ kind: 'tangle', seconds: 60 }));
    expect((await open(tangles)).text()).toContain('Sam Okande 6.0 tangles an hour');
  });

  it('says how material gets on it when no block has a rig', async () => {
    const page = await show(LessonKitPage, lessonServer(), { id: LESSON.id });
    expect(page.text()).toContain('No block of this plan asks for a rig');
  });

  it('says so when there is no such lesson', async () =>
    expect((await show(LessonKitPage, lessonServer(), { id: uuid(99) })).text()).toContain('No such lesson'));
});
