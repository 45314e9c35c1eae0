import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { api } from '@doceo/contract';
import { columnsByStudent, type BankEvent, type Block, blockFromDrill, plainBlock } from '@doceo/core';
import { TestBed } from '@angular/core/testing';
import Dexie from 'dexie';
import { IDBFactory } from 'fake-indexeddb';
import type { FakeServer } from '../../testing/fake-server';
import {
  ALONG,
  attempt,
  JONAS,
  LESSON,
  NOW,
  PLAN,
  SAM,
  student,
  uuid,
  SESSION,
  keptKey,
  TAUGHT,
} from '../../testing/fixtures';
import { lessonServer, setDate, type Shown, show } from '../../testing/page';
import { BankPage } from './bank.page';

const PAUSE = 'casting.pause';

describe('the bank book', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    Dexie.dependencies.indexedDB = new IDBFactory();
    // Twenty minutes into the lesson: the pause drill is on.
    setDate(NOW + 110 * 60_000);
    server = lessonServer();
  });
  afterEach(() => jest.useRealTimers());

  const open = async (): Promise<Shown<BankPage>> => {
    const page = await show(BankPage, server);
    await page.quiet();
    return page;
  };
  const tap = async (page: Shown<BankPage>, what: string): Promise<void> => {
    document.querySelector<HTMLElement>(`[data-tap="${what}"]`)?.click();
    await page.quiet();
  };
  const sent = (): BankEvent[] =>
    server.of(api.events.add).flatMap(({ body }) => (body as { events: BankEvent[] }).events);
  const faults = (page: Shown<BankPage>): string[] => page.all('.faults button span');

  it('opens at the block that is on by the clock, with the first student', async () => {
    const page = await open();
    expect(page.all('.what h1')).toEqual(['Count the pause']);
    expect(page.all('.who [aria-pressed=true] b')).toEqual(['Sam']);
    expect(page.all('.flag b')).toEqual(['For Sam']);
    expect(page.all('.blockno')).toEqual(['place 2 of 2']);
    // The pause lasts ten minutes from a quarter past: five are left.
    expect(page.all('.left-min')).toEqual(['5 min left']);
  });

  it('shows one’s own part of a group that several teach, and the others when asked', async () => {
    server.on(api.lessons.list, [ALONG]);
    const page = await open();
    expect(page.all('.who b')).toEqual(['Jonas', '1']);
    expect(page.all('.flag b')).toEqual(['For Jonas']);
    await page.press(/1\s*others/);
    expect(page.all('.who b')).toEqual(['All', 'Sam', 'Jonas', '1']);
    await page.press(/1\s*others/);
    expect(page.all('.who b')).toEqual(['Jonas', '1']);
  });

  it('hears what others log meanwhile, and takes back its own last entry alone', async () => {
    const page = await open();
    await tap(page, 'good');
    server.on(api.events.list, [attempt(PAUSE, 'cast.crack', { studentId: JONAS.id })]);
    document.dispatchEvent(new Event('visibilitychange'));
    await page.quiet();
    expect(page.all('.log li')).toHaveLength(2);
    const own = sent()[0]?.id;
    await page.press('Undo');
    await page.quiet();
    expect(sent().at(-1)?.body).toEqual({ kind: 'undo', targetId: own });
  });

  it('logs a cast with one tap, kept here first and then sent', async () => {
    const page = await open();
    await tap(page, 'good');
    await tap(page, 'cast.crack');
    expect(page.all('.count b')).toEqual(['1 of 8']);
    expect(sent().map(({ body }) => body)).toEqual([
      { kind: 'attempt', skillId: PAUSE, drillId: 'count-the-pause', good: true, faultId: null },
      { kind: 'attempt', skillId: PAUSE, drillId: 'count-the-pause', good: false, faultId: 'cast.crack' },
    ]);
    expect(sent().every(({ studentId }) => studentId === SAM.id)).toBe(true);
    expect(page.all('.state')).toEqual(['all stored']);
  });

  it('says how many wait while there is no server', async () => {
    server.refuse(api.events.add, 0);
    const page = await open();
    await tap(page, 'good');
    await tap(page, 'good');
    expect(page.all('.state')).toEqual(['2 kept here']);
    expect(page.all('.count b')).toEqual(['2 of 8']);
  });

  it('takes the last tap back by another event', async () => {
    const page = await open();
    await tap(page, 'good');
    await tap(page, 'good');
    await page.press('Undo');
    await page.quiet();
    expect(page.all('.count b')).toEqual(['1 of 8']);
    expect(sent().map(({ body }) => body.kind)).toEqual(['attempt', 'attempt', 'undo']);
    expect(sent()[2]?.body).toEqual({ kind: 'undo', targetId: sent()[1]?.id });
  });

  it('takes back one more with every tap on undo, however fast they come', async () => {
    const page = await open();
    await tap(page, 'good');
    await tap(page, 'good');
    const pad = document.querySelector<HTMLElement>('[data-tap="good"]');
    const undo = document.querySelector<HTMLElement>('.undo button:not(.last)');
    pad?.click();
    undo?.click();
    undo?.click();
    await page.quiet();
    expect(page.all('.count b')).toEqual(['1 of 8']);
    const idsOf = (kind: string) =>
      sent().flatMap(({ id, body }) =>
        body.kind === kind ? [body.kind === 'undo' ? body.targetId : id] : [],
      );
    const first = sent()[0]?.id;
    expect(idsOf('undo').sort()).toEqual(
      idsOf('attempt')
        .filter((id) => id !== first)
        .sort(),
    );
  });

  it('puts this student’s own faults first, and does not reorder while one taps', async () => {
    const history = Array.from({ length: 6 }, () =>
      attempt(PAUSE, 'cast.crack', { lessonId: uuid(52), atMs: NOW - 86_400_000 }),
    );
    server.on(api.records.list, columnsByStudent(history));
    const page = await open();
    const before = faults(page);
    expect(before[0]).toBe('Forward too soon');
    const last = [...document.querySelectorAll<HTMLElement>('.faults button')].at(-1)?.dataset['tap'] ?? '';
    for (let i = 0; i < 4; i++) await tap(page, last);
    expect(faults(page)).toEqual(before);
  });

  it('says when the drill’s aim is reached', async () => {
    const page = await open();
    for (let i = 0; i < 8; i++) await tap(page, 'good');
    expect(page.text()).toContain('Done: 8 of 10');
  });

  it('records nothing of a minor without a guardian’s consent', async () => {
    const page = await open();
    await page.press(/Jonas/);
    expect(page.text()).toContain('Jonas Wren is 14 and no guardian’s consent is on file');
    expect(page.all('.good')).toEqual([]);
    await page.press('Tangle');
    expect(sent()).toEqual([]);
    expect(JONAS.student.guardianConsentOn).toBeNull();
  });

  it('logs a fish with its length, a note, and a tangle', async () => {
    const page = await open();
    await page.press('Fish');
    await page.press('grayling');
    await page.press('Longer');
    await page.press('dropper');
    await page.press('under 10 s');
    await page.press('Next stand');
    await page.press('upstream');
    await page.press('To hand, let go');
    await page.press('More');
    await page.press('Note');
    await page.enter('textarea', '  hurries in wind ');
    await page.press('Keep it');
    await page.press('Tangle');
    await page.press(/clear$/);
    await page.quiet();
    expect(sent().map(({ body }) => body)).toEqual([
      {
        kind: 'fish',
        species: 'grayling',
        lengthCm: 29,
        outcome: 'to-hand',
        stand: 1,
        angle: 'up',
        fly: 'dropper',
        outOfWaterS: 10,
      },
      { kind: 'note', text: 'hurries in wind', aboutId: null },
      { kind: 'tangle', seconds: expect.any(Number) },
    ]);
  });

  it('is at one place for the whole group, also after a reload, and lets one go on alone', async () => {
    let page = await open();
    await page.press('Block before');
    expect(page.all('.what h1')).toEqual(['Safety talk']);
    await page.press(/Jonas/);
    expect(page.all('.what h1')).toEqual(['Safety talk']);
    TestBed.resetTestingModule();
    page = await open();
    expect([page.all('.what h1'), page.all('.flag b')]).toEqual([['Safety talk'], ['For Jonas']]);
    await page.press('More');
    await page.press('Jonas goes on alone');
    await page.press('Next block');
    expect(page.all('.what h1')).toEqual(['Count the pause']);
    await page.press(/^Sam/);
    expect(page.all('.what h1')).toEqual(['Safety talk']);
    await page.press(/Jonas/);
    await page.press('More');
    await page.press('Jonas comes back to the group');
    expect(page.all('.what h1')).toEqual(['Safety talk']);
  });

  describe('a group of three', () => {
    const petra = student(13, 'Petra Holm', { note: 'shoulder: low stop', hand: 'left' });
    const noor = student(14, 'Noor Hadley');
    beforeEach(() => {
      server.on(api.students.list, [SAM, petra, noor]);
      server.on(api.lessons.list, [{ ...LESSON, studentIds: [SAM.id, petra.id, noor.id] }]);
    });

    it('counts for several who are chosen, together, and says so everywhere', async () => {
      const page = await open();
      await page.press('+ several');
      await page.press(/^Petra/);
      expect(page.all('.flag b')).toEqual(['For Sam and Petra']);
      await tap(page, 'good');
      await tap(page, 'cast.crack');
      expect(page.all('.count b')).toEqual(['2 of 16']);
      expect(page.all('[data-tap="cast.crack"] small')).toEqual(['2 today']);
      expect(page.text()).toContain('one each for Sam and Petra');
      expect(
        sent()
          .map(({ studentId }) => studentId)
          .sort(),
      ).toEqual([SAM.id, SAM.id, petra.id, petra.id].sort());
      await page.press(/^All/);
      expect([page.all('.flag b'), page.all('.count b')]).toEqual([['For all 3'], ['2 of 24']]);
    });

    it('has the line that matters under a name, and all of it one tap away', async () => {
      const page = await open();
      expect(page.all('.who small')).toContain('left-handed, shoulder: low stop');
      await page.press(/^Petra/);
      await page.press(/^For Petra/);
      expect(page.all('doceo-people-overlay p')).toEqual(['Petra Holm, 41 left-handed, shoulder: low stop']);
    });

    it('asks for whom a tap counts where the group does two things', async () => {
      const [talk, pause] = PLAN.body.blocks as [Block, Block];
      const hoops = { ...blockFromDrill(SHIPPED.drills.get('hoops'), uuid(43), 15), lane: 2 };
      server.on(api.lessons.plan, {
        ...TAUGHT,
        body: {
          ...PLAN.body,
          blocks: [talk, { ...pause, lane: 0 }, { ...pause, id: uuid(44), lane: 1 }, hoops],
        },
      });
      const page = await open();
      await page.press(/^All/);
      expect(page.all('.parts b')).toEqual(['Sam and Petra', 'Noor']);
      expect(page.all('[data-tap]')).toEqual([]);
      await page.press(/^Sam and Petra/);
      expect([page.all('.what h1'), page.all('.flag b')]).toEqual([
        ['Count the pause'],
        ['For Sam and Petra'],
      ]);
      await tap(page, 'good');
      expect(
        sent()
          .map(({ blockId }) => blockId)
          .sort(),
      ).toEqual([uuid(42), uuid(44)]);
    });

    it('rests in a break, and says what comes then and what to have ready', async () => {
      server.on(api.lessons.plan, {
        ...TAUGHT,
        body: {
          ...PLAN.body,
          blocks: [
            plainBlock('break', 'Tea', uuid(45), 10, 15),
            blockFromDrill(SHIPPED.drills.get('hoops'), uuid(43), 25),
          ],
        },
      });
      const page = await open();
      expect(page.all('.what h1')).toEqual(['Tea']);
      expect(page.text()).toContain('Rest. Drink, warm your hands');
      expect(page.text()).toContain('Then Three hoops, grass at 09:55.');
      expect(page.text()).toContain('Have ready: ');
    });

    it('lets any entry be opened and corrected: another fault, another student, or none', async () => {
      const page = await open();
      await tap(page, 'cast.crack');
      await tap(page, 'good');
      await page.press(/Last 2/);
      await page.press(/Sam forward too soon/);
      await page.press('it was Petra, not Sam');
      await page.press('Correct it');
      await page.quiet();
      expect(page.all('doceo-last-overlay doceo-log-list b')).toEqual(['Sam', 'Petra']);
      expect(sent().at(-1)?.body.kind === 'undo' || sent().at(-2)?.body.kind === 'undo').toBe(true);
      expect(
        sent().find(({ studentId, body }) => studentId === petra.id && body.kind === 'attempt')?.body,
      ).toMatchObject({ good: false, faultId: 'cast.crack', corrects: sent()[0]?.id });
    });
  });

  it('lays itself out for the left hand, and remembers', async () => {
    const page = await open();
    await page.press('More');
    await page.press('Left hand');
    expect(page.all('.bank.left')).toHaveLength(1);
    expect(server.of(api.session.settings)[0]?.body).toMatchObject({ units: 'metric', bankHand: 'left' });
  });

  it('counts one tap for everybody, but nobody without consent, and takes it back as one', async () => {
    server.on(api.students.list, [SAM, JONAS, student(13, 'Petra Holm')]);
    server.on(api.lessons.list, [{ ...LESSON, studentIds: [SAM.id, JONAS.id, uuid(13)] }]);
    const page = await open();
    await page.press(/^All/);
    expect(page.all('.flag')).toEqual(['For all 3 nothing is kept of Jonas']);
    expect(page.all('.good small')).toEqual(['one each for Sam and Petra']);
    expect(page.all('.count b')).toEqual(['0 of 16']);
    await page.press(/^For all/);
    expect(page.all('doceo-people-overlay p')[1]).toContain('no guardian’s consent is on file');
    await page.press('Close');
    await tap(page, 'good');
    expect(page.all('.log li')[0]).toMatch(/good, count the pause$/);
    expect(
      sent()
        .map(({ studentId }) => studentId)
        .sort(),
    ).toEqual([SAM.id, uuid(13)]);
    await page.press('Undo');
    await page.quiet();
    expect(
      sent()
        .slice(2)
        .map(({ body }) => body.kind),
    ).toEqual(['undo', 'undo']);
    expect(page.text()).toContain('0 entries stand');
  });

  it('tells the three levers of depth apart, and asks for them before drift, and drift before the fly', async () => {
    const page = await open();
    const change = async (what: string) => {
      await page.press('More');
      await page.press('Changed something');
      expect(page.text()).toContain(`Not changed yet today: ${what}`);
      await page.press(new RegExp(`^\\d\\. ${what}`));
      await page.quiet();
    };
    await change('bead or fly');
    await change('indicator');
    await change('shot');
    await change('drift or retrieve');
    await change('fly');
    expect(sent().map(({ body }) => (body.kind === 'change' ? body.what : body.kind))).toEqual([
      'weight',
      'indicator',
      'shot',
      'drift',
      'pattern',
    ]);
  });

  it('shows what was tried in still water, and what comes next', async () => {
    const page = await open();
    await page.press('More');
    await page.press('Depth, retrieve, pattern');
    expect(page.text()).toContain('Next: 0.5 m, hand twist');
    await page.press('0.5 m, hand twist, none');
    await page.press('Tried, nothing');
    await page.quiet();
    await page.press('More');
    await page.press('Depth, retrieve, pattern');
    expect(page.text()).toContain('Next: 1 m, hand twist');
    await page.press('2 m, ultra slow, none');
    await page.press('Moved a fish');
    await page.quiet();
    expect(sent().map(({ body }) => body)).toEqual([
      { kind: 'tried', depthM: 0.5, retrieve: 'hand-twist', pattern: 'first fly', moved: false },
      { kind: 'tried', depthM: 2, retrieve: 'slow', pattern: 'first fly', moved: true },
    ]);
  });

  it('ticks lanes, counts under stones, and reads the thermometer', async () => {
    const page = await open();
    await page.press('More');
    await page.press('Lanes of the pool');
    await page.press('1');
    await page.quiet();
    await page.press('2');
    await page.quiet();
    await page.press('Cancel');
    await page.press('More');
    await page.press('Under the stones');
    await page.press('One mayfly more');
    await page.press('One mayfly more');
    await page.press('One midge more');
    await page.press('Keep 3 counted');
    await page.press('More');
    await page.press('Thermometer');
    await page.enter('doceo-bank-sheet input', 'warm');
    await page.press('Keep it');
    expect(page.text()).toContain('a temperature from −2 °C to 40 °C');
    await page.enter('doceo-bank-sheet input', '11,5');
    await page.press('Keep it');
    await page.quiet();
    expect(sent().map(({ body }) => body)).toEqual([
      { kind: 'lane', lane: 1, of: 6 },
      { kind: 'lane', lane: 2, of: 6 },
      { kind: 'stones', counts: { mayfly: 2, midge: 1 } },
      { kind: 'temperature', celsius: 11.5, depthM: null },
    ]);
  });

  it('counts a lane as new from another stand or at another angle, and remembers where one stands', async () => {
    const page = await open();
    await page.press('More');
    await page.press('Lanes of the pool');
    await page.press('1');
    await page.quiet();
    await page.press('Stand before');
    expect(page.text()).toContain('any stand');
    await page.press('Next stand');
    await page.press('Next stand');
    await page.press('downstream');
    await page.press('1');
    await page.quiet();
    expect(sent().map(({ body }) => body)).toEqual([
      { kind: 'lane', lane: 1, of: 6 },
      { kind: 'lane', lane: 1, of: 6, stand: 2, angle: 'down' },
    ]);
    await page.press('Cancel');
    expect(page.text()).toContain('lane 1 of 6 fished, from stand 2, downstream');
    await page.press('More');
    await page.press('Lanes of the pool');
    expect(page.text()).toContain('stand 2');
  });

  it('speaks feet and Fahrenheit to those who do, and stores metres and Celsius', async () => {
    server.on(api.session.get, {
      ...SESSION,
      user: { ...SESSION.user!, settings: { ...SESSION.user!.settings, units: 'imperial' } },
    });
    const page = await open();
    await page.press('More');
    await page.press('Thermometer');
    await page.enter('doceo-bank-sheet input', '140');
    await page.press('Keep it');
    expect(page.text()).toContain('a temperature from 28 °F to 104 °F');
    await page.enter('doceo-bank-sheet input', '59');
    await page.press('Keep it');
    await page.quiet();
    expect(page.all('.undo .last span')[0]).toBe('Sam: water 59 °F');
    await page.press('More');
    await page.press('Depth, retrieve, pattern');
    await page.press('6 ft, strip, none');
    await page.press('Tried, nothing');
    await page.quiet();
    expect(page.all('.undo .last span')[0]).toBe('Sam: 6 ft, strip, first fly');
    await page.press('Fish');
    expect(page.all('.amount b')).toEqual(['11 in', 'any stand']);
    expect(sent().map(({ body }) => body)).toEqual([
      { kind: 'temperature', celsius: 15, depthM: null },
      {
        kind: 'tried',
        depthM: expect.closeTo(1.8288, 9),
        retrieve: 'strip',
        pattern: 'first fly',
        moved: false,
      },
    ]);
  });

  it('says at once what a warm reading means for the fish that live there', async () => {
    const page = await open();
    const read = async (degrees: string): Promise<void> => {
      await page.press('More');
      await page.press('Thermometer');
      await page.enter('doceo-bank-sheet input', degrees);
      await page.press('Keep it');
      await page.quiet();
    };
    await read('12');
    expect(page.all('.warm')).toEqual([]);
    await read('18,5');
    expect(page.all('.warm b')).toEqual([expect.stringMatching(/one stops fishing for grayling/)]);
    await page.press('Read');
    expect(page.all('.warm')).toEqual([]);
  });

  it('leaves a sheet by Escape, and logs nothing', async () => {
    const page = await open();
    for (const way of [['Fish'], ['More'], ['More', 'Note'], ['More', 'Thermometer']]) {
      for (const button of way) await page.press(button);
      expect([way, page.all('[role=dialog]').length]).toEqual([way, 1]);
      await page.key('[role=dialog] button', 'Escape');
      expect([way, page.all('[role=dialog]').length]).toEqual([way, 0]);
    }
    expect(sent()).toEqual([]);
  });

  it('hears the beat of a cast and says whether the line had time', async () => {
    const page = await open();
    await page.press('More');
    await page.press('Beat of the cast');
    const clock = jest.spyOn(performance, 'now');
    for (const at of [1000, 1400, 2100, 2500]) {
      clock.mockReturnValue(at);
      document.querySelector('.beat')?.dispatchEvent(new Event('pointerdown', { cancelable: true }));
    }
    clock.mockRestore();
    await page.settle();
    expect(page.text()).toContain('Too soon: wait longer behind.');
    await page.press('Keep it');
    await page.quiet();
    expect(sent().map(({ body }) => body)).toEqual([
      { kind: 'tempo', lineM: 8, tapsMs: [0, 400, 1100, 1500] },
    ]);
  });

  it('keeps a note about an attempt that was pressed long', async () => {
    const page = await open();
    document.querySelector('[data-tap=good]')?.dispatchEvent(new Event('pointerdown'));
    await new Promise((resolve) => setTimeout(resolve, 700));
    await page.quiet();
    (document.querySelector('[data-tap=good]') as HTMLElement).click();
    await page.enter('textarea', 'lovely loop');
    await page.press('Keep it');
    await page.quiet();
    expect(sent().map(({ body }) => body.kind)).toEqual(['attempt', 'note']);
    expect(sent()[1]?.body).toMatchObject({ text: 'lovely loop', aboutId: sent()[0]?.id });
  });

  it('keeps the watch of a tangle through a restart', async () => {
    localStorage.setItem(keptKey('bank.tangle'), JSON.stringify({ startedMs: Date.now() - 42_000 }));
    const page = await open();
    await page.press(/4[23] s clear$/);
    await page.quiet();
    expect(sent()[0]?.body).toMatchObject({ kind: 'tangle' });
    expect((sent()[0]?.body as { seconds: number }).seconds).toBeGreaterThanOrEqual(42);
    expect(localStorage.getItem(keptKey('bank.tangle'))).toBe('null');
  });

  it('puts on full contrast and large type, and remembers', async () => {
    const page = await open();
    await page.press('More');
    await page.press('Sunlight');
    await page.press('Large type');
    expect(page.all('.bank.sun.large')).toHaveLength(1);
    expect(localStorage.getItem(keptKey('bank.sun'))).toBe('true');
  });

  it('shows what another device logged in this lesson', async () => {
    server.on(api.events.list, [
      attempt(PAUSE, null, { atMs: NOW }),
      attempt(PAUSE, 'cast.crack', { atMs: NOW + 1 }),
    ]);
    const page = await open();
    expect(page.all('.log li b')).toEqual(['Sam', 'Sam']);
    expect(page.text()).toContain('2 entries stand');
  });

  it('says what to do without a lesson', async () => {
    server.on(api.lessons.list, []);
    const page = await open();
    expect(page.text()).toContain('No lesson');
  });
});
