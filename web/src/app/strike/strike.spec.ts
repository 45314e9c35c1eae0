import { TestBed } from '@angular/core/testing';
import { type Stimulus, TAKE_KINDS, trainerRun } from '@doceo/core';
import type { FakeServer } from '../../testing/fake-server';
import { JONAS, SAM, keptKey } from '../../testing/fixtures';
import { lessonServer, setDate, show, type Shown, until } from '../../testing/page';
import { BenchRecord } from '../data/records/bench-record';
import { DayStore } from '../data/lesson/day-store';
import { directionText } from './set/set-panel.component';
import { StrikePage } from './strike.page';
import { ShownRun } from '../shared/takes/trainer-run';
import { TrainerSessions } from './trainer/trainer-sessions';

const isTake = (kind: string): boolean => (TAKE_KINDS as readonly string[]).includes(kind);

describe('the strike bench', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    sessionStorage.clear();
    setDate();
    jest.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(null);
    Element.prototype.scrollIntoView = () => undefined;
    server = lessonServer();
  });
  afterEach(() => {
    jest.restoreAllMocks();
    jest.useRealTimers();
  });

  const open = (): Promise<Shown<StrikePage>> => show(StrikePage, server);

  it('says what to do, and wants at least one kind of take', async () => {
    const page = await open();
    expect(page.text()).toContain('bottom is also a set');
    await page.press('sighter');
    expect(page.all('.kinds label').join()).toContain('tightens');
    for (const box of [...document.querySelectorAll<HTMLInputElement>('.kinds input')].slice(0, 4))
      box.click();
    await page.settle();
    expect(page.all('[role=alert]').join()).toContain('at least one kind of take must come');
    expect(document.querySelector<HTMLButtonElement>('.big')?.disabled).toBe(true);
  });

  it('shows before it counts what a fish does to each float, and what the water does', async () => {
    const page = await open();
    expect(page.all('doceo-take-examples h2')).toEqual(['A fish does this', 'The water does this']);
    expect(page.all('doceo-take-example b')).toEqual([
      ...['It dips', 'It stops', 'It twitches', 'It moves aside'],
      ...['Bottom', 'A wave', 'Weed'],
    ]);
    await page.press('dry fly');
    expect(page.all('doceo-take-example b').slice(0, 3)).toEqual(['It dips', 'It stops', 'It jumps']);
    const takes = [...document.querySelectorAll<HTMLInputElement>('label input[type=checkbox]')].slice(0, 3);
    const tick = async (): Promise<void> => {
      for (const take of takes) take.click();
      await page.settle();
    };
    await tick();
    expect(page.text()).toContain('Choose below which takes come.');
    await tick();
    await page.press('Begin');
    expect(page.all('doceo-take-example')).toEqual([]);
  });

  it('keeps attempts in the record of a student, moves the estimate, and takes them back', async () => {
    const page = await open();
    const day = TestBed.inject(DayStore);
    const record = TestBed.inject(BenchRecord);
    record.studentId.set(SAM.id);
    const mastery = (): number =>
      day.planLesson()!.students.find(({ id }) => id === SAM.id)!.skills['hook-setting.see-take']!.mastery;
    const before = mastery();
    const events = await record.keepAttempts([
      ...Array.from({ length: 6 }, (_, i) => ({
        atMs: Date.now() - 60_000 + i,
        skillId: 'hook-setting.see-take',
        good: true,
      })),
      { skillId: 'hook-setting.not-taught-here', good: true },
    ]);
    expect(events.map(({ body }) => body.kind === 'attempt' && body.evidence)).toEqual(
      Array(6).fill('bench'),
    );
    expect(mastery()).toBeGreaterThan(before + 0.1);
    await record.takeBack(events);
    expect(mastery()).toBeCloseTo(before, 9);
    await page.settle();
  });

  it('keeps nothing of a child without a guardian’s consent, and says so', async () => {
    const page = await open();
    const record = TestBed.inject(BenchRecord);
    record.studentId.set(JONAS.id);
    await page.settle();
    expect(page.text()).toContain('no guardian’s consent is on file. Nothing is recorded.');
    expect(await record.keep([{ atMs: 1, body: { kind: 'note', text: 'x', aboutId: null } }])).toEqual([]);
  });

  it('runs, is set by the space bar, and is ended by Escape with a score', async () => {
    const page = await open();
    await page.press('Begin');
    await until(() => document.querySelector('.left') !== null);
    await new Promise((resolve) => setTimeout(resolve, 2700));
    window.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', cancelable: true }));
    await page.settle();
    expect(document.querySelector('.said')?.textContent).toBeTruthy();
    window.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    await until(() => document.querySelector('doceo-trainer-score') !== null);
    expect(page.text()).toContain('0 is guessing');
    expect(TestBed.inject(TrainerSessions).all()).toHaveLength(1);
  });

  it('tells what a set does, and what would do more', async () => {
    const page = await open();
    await page.press('The set');
    await page.quiet();
    expect(page.text()).toMatch(/The fly moves ?\d+ cm/);
    expect(page.text()).toContain('The same sweep does most down and towards you.');
    for (let i = 0; i < 18; i++) await page.key('[aria-label="Where the rod tip sweeps"]', 'ArrowLeft');
    expect(page.text()).toMatch(/The fly moves ?0 cm/);
    expect(page.text()).toContain('Nothing comes tight');
  });
});

describe('runs kept on the device', () => {
  it('of a student who is gone go too', async () => {
    localStorage.clear();
    const run = {
      atMs: 1,
      float: 'indicator',
      water: 'run',
      takes: 4,
      hits: 3,
      falseAlarms: 0,
      dPrime: 1,
      medianMs: 400,
    };
    localStorage.setItem(
      keptKey('trainer'),
      JSON.stringify([
        { ...run, studentId: 'gone' },
        { ...run, studentId: SAM.id },
        { ...run, studentId: null },
      ]),
    );
    jest.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(null);
    await show(StrikePage, lessonServer());
    expect(
      TestBed.inject(TrainerSessions)
        .all()
        .map(({ studentId }) => studentId),
    ).toEqual([SAM.id, null]);
    expect(localStorage.getItem(keptKey('trainer'))).not.toContain('gone');
    jest.restoreAllMocks();
  });
});

describe('a run as it was shown', () => {
  const stimuli: Stimulus[] = [
    { atMs: 1000, kind: 'dip' },
    { atMs: 5000, kind: 'tick' },
    { atMs: 9000, kind: 'wave' },
    { atMs: 13_000, kind: 'stop' },
  ];
  const made = (): ShownRun =>
    new ShownRun(
      { ...trainerRun({ seed: 'x', float: 'indicator', water: 'run', kinds: [], durationS: 20 }), stimuli },
      1500,
      isTake,
    );

  it('counts from the frame that showed a thing, and tells each set as it was', () => {
    const run = made();
    expect(run.frame(990)).toBeNull();
    run.frame(1012);
    expect(run.set(1412)).toEqual({ kind: 'hit', tookMs: 400 });
    expect(run.set(1500)).toEqual({ kind: 'nothing' });
    run.frame(5003);
    expect(run.set(5400)).toEqual({ kind: 'bottom' });
    run.frame(9001);
    expect(run.set(9300)).toEqual({ kind: 'false' });
    run.frame(13_010);
    expect(run.frame(14_600)).toEqual({ kind: 'missed' });
    expect(run.frame(14_616)).toBeNull();
    expect(run.shown().map(({ atMs }) => atMs)).toEqual([1012, 5003, 9001, 13_010]);
  });
});

describe('directions in words', () => {
  it.each([
    [0, 'downstream'],
    [90, 'towards the far bank'],
    [180, 'upstream'],
    [-45, 'down and towards you'],
    [-175, 'upstream'],
  ])('%d° is %s', (deg, words) => expect(directionText(deg)).toBe(words));
});
