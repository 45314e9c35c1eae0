import { api } from '@doceo/contract';
import type { BankEvent } from '@doceo/core';
import type { FakeServer } from '../../testing/fake-server';
import { SAM } from '../../testing/fixtures';
import { lessonServer, setDate, show, type Shown, until } from '../../testing/page';
import { FORD, savedBeat } from '../../testing/waters';
import { beatAt, beatOf, rowOf, stopsBetween } from '../shared/beat/beat-clock';
import { CastCardPage } from './card/cast-card.page';
import { CastPage } from './cast.page';
import { strokeFor } from './loop/loop-store';

describe('the cast bench', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    sessionStorage.clear();
    setDate();
    server = lessonServer().on(api.waters.beats, [savedBeat(71, FORD)]);
  });
  afterEach(() => jest.useRealTimers());

  const open = async (): Promise<Shown<CastPage>> => {
    const page = await show(CastPage, server);
    await until(() => document.querySelector('doceo-loop-view') !== null);
    await page.settle();
    return page;
  };

  it('shows a loop without a fault, and a dip with the fault it is, its cause and its cure', async () => {
    const page = await open();
    expect(page.text()).toContain('No fault of the catalogue is seen.');
    await until(() => page.all('doceo-loop-gallery button').length === 8);
    document.querySelectorAll<HTMLElement>('doceo-loop-gallery button')[2]!.click();
    await until(() => page.text().includes('Loop crosses itself'));
    expect(page.text()).toMatch(/Tailing loop.*Cure smooth power/);
    await page.press('Undo');
    await until(() => page.text().includes('No fault of the catalogue is seen.'));
  });

  it('takes a path drawn by keys', async () => {
    const page = await open();
    await page.key('[aria-label="Point 3 of the tip’s path"]', 'ArrowDown');
    expect(page.text()).toContain('The path you drew.');
    const handle = document.querySelector('[aria-label="Point 3 of the tip’s path"]');
    expect(Number(handle?.getAttribute('aria-valuenow'))).toBeCloseTo(0.115, 2);
  });

  it('says what loop the rig wants', async () => {
    const page = await open();
    await until(() => page.text().includes('of its head'));
    expect(page.text()).toContain('open, oval loop');
  });

  it('beats the pause of the table, and keeps a student’s own beat in the record', async () => {
    const page = await open();
    await page.press('Pause');
    const rows = page.all('table tr').map((row) => row.replace(/\s+/g, ' '));
    expect(rows).toContain('9 m1.31 s34');
    expect(page.text()).toContain(
      'Pause 1.31 s after each stop, then the stroke, 0.45 s: 34 stops a minute.',
    );
    expect(page.all('button')).not.toContain('Keep it');
    const who = document.querySelector<HTMLSelectElement>('doceo-record-for select')!;
    who.value = SAM.id;
    who.dispatchEvent(new Event('change'));
    await page.settle();
    const clock = jest.spyOn(performance, 'now');
    for (const at of [1000, 2300, 3600, 4900]) {
      clock.mockReturnValue(at);
      document.querySelector('.beat')?.dispatchEvent(new Event('pointerdown', { cancelable: true }));
    }
    clock.mockRestore();
    await page.settle();
    expect(page.text()).toContain('The line has time to straighten. Even.');
    await page.press('Keep it');
    await page.quiet();
    const sent = (): BankEvent[] =>
      server.of(api.events.add).flatMap(({ body }) => (body as { events: BankEvent[] }).events);
    await until(() => sent().length > 0);
    expect(sent()).toEqual([
      expect.objectContaining({
        studentId: SAM.id,
        body: { kind: 'tempo', lineM: 9, tapsMs: [0, 1300, 2600, 3900] },
      }),
    ]);
  });

  it('shows the casts, what comes to the water first, and the room there is', async () => {
    const page = await open();
    await page.press('Casts');
    await page.press('Tuck');
    expect(page.text()).toMatch(/fly → shot → indicator → line/);
    await until(() => page.text().includes('Ford Pool, 1'));
    await page.press('Roll');
    expect(page.text()).toMatch(/1\.37 m behind you/);
  });

  it('has a card in either unit', async () => {
    const page = await show(CastCardPage, server);
    expect(page.all('td')).toContain('9 m');
    expect(page.all('td')).toContain('1.3 s');
  });
});

describe('the clock of the beat', () => {
  const beat = { pauseS: 1, strokeS: 0.5 };

  it('is that of the table', () => {
    const row = rowOf(9);
    const found = beatOf(9)!;
    expect(found.pauseS).toBe(row.pauseS);
    expect(60 / (found.pauseS + found.strokeS)).toBeCloseTo(row.beatsPerMin!, 9);
    expect(beatOf(16, 12)).toBeNull();
  });

  it('tells each stop once, back and forward by turns, however it is asked', () => {
    const whole = stopsBetween(beat, 0, 6);
    expect(whole.map(({ atS, way }) => `${atS} ${way}`)).toEqual([
      '0 back',
      '1.5 forward',
      '3 back',
      '4.5 forward',
    ]);
    const pieces = Array.from({ length: 60 }, (_, i) => stopsBetween(beat, i / 10, (i + 1) / 10)).flat();
    expect(pieces).toEqual(whole);
  });

  it.each([
    [0, 'back', true, 0],
    [0.5, 'back', true, 0.5],
    [1.25, 'forward', false, 0.5],
    [1.5, 'forward', true, 0],
    [2.75, 'back', false, 0.5],
  ])('at %d s the rod is %s, pausing: %s', (atS, way, pausing, share) =>
    expect(beatAt(beat, atS)).toEqual({ way, pausing, share }),
  );
});

describe('the stroke of the settings', () => {
  it('is longer with a longer rod, and as drawn when it was drawn', () => {
    const settings = {
      kind: 'straight',
      points: [],
      lineM: 9,
      rodM: 2.74 * 1.1,
      weight: 5,
      windMs: 0,
      speedMs: 17,
    } as const;
    const longer = strokeFor({ ...settings, points: [] });
    expect(longer.points.at(-1)!.x).toBeCloseTo(2.2 * 1.1, 6);
    expect(longer.speedMs).toBe(17);
    const own = [
      { x: 0, y: 0 },
      { x: 1, y: 0.5 },
    ];
    expect(strokeFor({ ...settings, kind: 'own', points: own }).points).toEqual(own);
  });
});
