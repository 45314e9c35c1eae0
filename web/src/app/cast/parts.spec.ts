import { Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { api } from '@doceo/contract';
import { buildRig, loopCast, type LoopRun, type Point, strokeOf, STROKES } from '@doceo/core';
import type { FakeServer } from '../../testing/fake-server';
import { RIG } from '../../testing/fixtures';
import { lessonServer, setDate, show, type Shown, until } from '../../testing/page';
import { FORD, piece, rectangle, savedBeat } from '../../testing/waters';
import { CastsPanelComponent } from './casts-panel.component';
import { LoopSignsComponent } from './loop/loop-signs.component';
import { LoopStore } from './loop/loop-store';
import { LoopViewComponent } from './loop/loop-view.component';
import { Metronome } from '../shared/beat/metronome';
import { PausePanelComponent } from './pause/pause-panel.component';
import { TipBoardComponent } from './loop/tip-board.component';

let server: FakeServer;
beforeEach(() => {
  localStorage.clear();
  sessionStorage.clear();
  setDate();
  server = lessonServer().on(api.waters.beats, [savedBeat(71, FORD)]);
});
afterEach(() => jest.useRealTimers());

const run: LoopRun = loopCast({ nodes: 40, durationS: 1.5 });

describe('the way of the tip for fingers', () => {
  it.each(STROKES)('has the points of %s inside of it, a finger apart', async (kind) => {
    const page = await show(TipBoardComponent, server, { stroke: strokeOf(kind) });
    const dots = [...page.element.querySelectorAll('.dot')].map((dot) => ({
      x: Number(dot.getAttribute('cx')),
      y: Number(dot.getAttribute('cy')),
    }));
    expect(dots).toHaveLength(strokeOf(kind).points.length);
    for (const { x, y } of dots) expect(x > 10 && x < 350 && y > 10 && y < 197).toBe(true);
    for (const [i, dot] of dots.slice(1).entries())
      expect(Math.hypot(dot.x - dots[i]!.x, dot.y - dots[i]!.y)).toBeGreaterThan(26);
  });
});

describe('the picture of a loop', () => {
  const open = (): Promise<Shown<LoopViewComponent>> =>
    show(LoopViewComponent, server, {
      ...{ stroke: strokeOf('straight'), run, lineM: 9, tipHeightM: 3.04, atS: 0 },
    });

  it('says whether the stroke goes on, or how long ago it was stopped', async () => {
    const page = await open();
    expect(page.text()).toContain('the stroke');
    page.fixture.componentRef.setInput('atS', run.strokeS + 0.5);
    await page.settle();
    expect(page.text()).toContain('0.50 s after the stop');
    expect(document.querySelector('svg')?.getAttribute('aria-label')).toMatch(
      /a loop of \d+ cm, no fault seen/,
    );
  });

  it('keeps the points of a path in their order, and within a rod’s reach', async () => {
    const page = await open();
    const paths: Point[][] = [];
    page.fixture.componentInstance.edited.subscribe((points) => paths.push(points));
    const point = (n: number): string => `[aria-label="Point ${n} of the tip’s path"]`;
    await page.key(point(2), 'ArrowRight');
    await page.key(point(2), 'ArrowUp');
    await page.key(point(2), 'Tab');
    expect(paths).toHaveLength(2);
    expect(paths[0]![1]!.x).toBeCloseTo(strokeOf('straight').points[1]!.x + 0.05, 6);
    page.fixture.componentRef.setInput('stroke', {
      ...strokeOf('straight'),
      points: [
        { x: 0, y: 0 },
        { x: 0.5, y: 1.48 },
        { x: 0.53, y: 0 },
      ],
    });
    await page.settle();
    await page.key(point(2), 'ArrowRight');
    await page.key(point(2), 'ArrowUp');
    expect(paths[2]![1]!.x).toBeLessThanOrEqual(0.53);
    expect(paths[3]![1]!.y).toBe(1.5);
  });

  it('marks metres, or feet', async () => {
    await open();
    const marks = [...document.querySelectorAll('.metre')].map(({ textContent }) => textContent?.trim());
    expect(marks).toContain('3 m');
    expect(marks).toContain('-3 m');
  });
});

@Component({ template: '', providers: [LoopStore] })
class StoreHolderComponent {}

describe('a cast on the bench', () => {
  const store = (): LoopStore => {
    TestBed.configureTestingModule({ imports: [StoreHolderComponent] });
    return TestBed.createComponent(StoreHolderComponent).debugElement.injector.get(LoopStore);
  };

  it('takes a stroke with its own speed, and is undone and redone step by step', () => {
    const cast = store();
    cast.choose('creep');
    expect(cast.settings()).toMatchObject({ kind: 'creep', speedMs: strokeOf('creep').speedMs });
    cast.edit({ lineM: 12 });
    cast.edit({ lineM: 12 });
    cast.undo();
    expect(cast.settings()).toMatchObject({ kind: 'creep', lineM: 9 });
    cast.undo();
    expect(cast.settings().kind).toBe('straight');
    expect(cast.canUndo()).toBe(false);
    cast.redo();
    cast.redo();
    expect(cast.settings().lineM).toBe(12);
    expect(cast.canRedo()).toBe(false);
  });

  it('shows a path while it is drawn, and forgets it when that is broken off', () => {
    const cast = store();
    cast.show({
      kind: 'own',
      points: [
        { x: 0, y: 0 },
        { x: 1, y: 1 },
      ],
    });
    expect(cast.stroke().points).toHaveLength(2);
    expect(cast.settings().kind).toBe('own');
    cast.show(null);
    expect(cast.settings().kind).toBe('straight');
  });
});

@Component({
  template: '<doceo-loop-signs />',
  imports: [LoopSignsComponent],
  providers: [LoopStore],
})
class SignsHolderComponent {}

describe('what is seen of a cast', () => {
  it('names each figure with its limit, and what a heavy rig wants', async () => {
    const heavy = { ...RIG, name: 'Heavy', rig: buildRig('indicator-nymph', { shotMassKg: 0.003 }) };
    server.on(api.rigs.list, [heavy]);
    const page = await show(SignsHolderComponent, server);
    await until(() => page.text().includes('No fault of the catalogue is seen.'));
    await page.settle();
    expect(page.all('dt')).toEqual([
      'Straight after the stop, tip at 20 m/s',
      'Pause to teach, tip at 12 m/s',
      'Loop, wide from 1.30 m',
      'Crosses itself, from 50 cm',
      'Whip behind, cracks from 3 ×',
      'Lies straight, at least 65 %',
      'Fly nearest the tip',
    ]);
    expect(page.text()).toContain('let the water load the rod');
    expect(page.text()).toContain('Glasses');
  });
});

@Component({ template: '' })
class BeaterComponent {
  readonly metronome = new Metronome();
}

describe('the metronome', () => {
  it('beats by the page’s clock where there is no sound, and is silent when stopped', async () => {
    const { metronome } = TestBed.createComponent(BeaterComponent).componentInstance;
    metronome.start({ pauseS: 0.2, strokeS: 0.1 });
    expect(metronome.running()).toBe(true);
    const seen = new Set<string>();
    const from = performance.now();
    while (performance.now() - from < 1100) {
      await new Promise((resolve) => setTimeout(resolve, 10));
      const now = metronome.now();
      if (now) seen.add(`${now.way} ${now.pausing}`);
    }
    expect([...seen].sort()).toEqual(['back false', 'back true', 'forward false', 'forward true']);
    metronome.stop();
    expect(metronome.now()).toBeNull();
    expect(metronome.running()).toBe(false);
  });

  it('gives each tone to the sound card once, at its time', async () => {
    const tones: number[] = [];
    const node = {
      connect: (to: unknown) => to,
      gain: { setValueAtTime: () => 0, exponentialRampToValueAtTime: () => 0 },
    };
    class Card {
      state = 'running';
      destination = {};
      get currentTime(): number {
        return performance.now() / 1000;
      }
      resume = (): Promise<void> => Promise.resolve();
      close = (): Promise<void> => Promise.resolve();
      createGain = (): object => node;
      createOscillator = (): object => ({
        ...node,
        frequency: { value: 0 },
        start: (atS: number) => tones.push(atS),
        stop: () => undefined,
      });
    }
    Object.assign(globalThis, { AudioContext: Card });
    const fixture = TestBed.createComponent(BeaterComponent);
    fixture.componentInstance.metronome.start({ pauseS: 0.2, strokeS: 0.1 });
    await until(() => tones.length >= 3);
    fixture.componentInstance.metronome.stop();
    fixture.destroy();
    delete (globalThis as { AudioContext?: unknown }).AudioContext;
    tones.slice(1).forEach((atS, i) => expect(atS - tones[i]!).toBeCloseTo(0.3, 6));
  });
});

describe('the pause', () => {
  it('is longer with more line, and says so when a line never straightens against the wind', async () => {
    const page = await show(PausePanelComponent, server);
    const pause = (): number => Number(/Pause ([\d.]+) s after/.exec(page.text())?.[1]);
    const set = async (at: number, value: string): Promise<void> => {
      const field = [...document.querySelectorAll<HTMLInputElement>('.line-out input')][at]!;
      field.value = value;
      field.dispatchEvent(new Event('input'));
      await page.settle();
    };
    const short = pause();
    await set(0, '12');
    expect(pause()).toBeGreaterThan(short + 0.4);
    expect(page.all('tr.now td')[0]).toBe('12 m');
    await set(0, '16');
    await set(1, '6');
    await page.settle();
    expect(page.text()).toMatch(/Against this wind so much line never straightens|Pause [\d.]+ s after/);
    expect(page.all('td')).toContain('6 m');
  });

  it('without a lesson’s students keeps nothing', async () => {
    server.on(api.lessons.list, []);
    const page = await show(PausePanelComponent, server);
    expect(page.text()).toContain('With a lesson and its students chosen in the strip');
    expect(page.text()).not.toContain('Keep it');
  });
});

describe('the casts and their room', () => {
  const woods = {
    ...FORD,
    pieces: [
      ...FORD.pieces,
      piece('trees', 'wood', rectangle(0, 0, 60, 5)),
      piece('trees', 'other wood', rectangle(0, 18, 60, 24)),
    ],
  };

  it('warns where trees are too near for the cast, and names what goes there', async () => {
    server.on(api.waters.beats, [savedBeat(71, woods)]);
    const page = await show(CastsPanelComponent, server);
    await until(() => page.text().includes('Ford Pool, 1'));
    await page.settle();
    const field = document.querySelector<HTMLSelectElement>('select')!;
    for (const { value } of field.options) {
      field.value = value;
      field.dispatchEvent(new Event('change'));
      await page.settle();
      if (page.all('.bad').length > 0) break;
    }
    expect(page.all('.bad').join()).toMatch(/to the trees: too little\. Roll, water-load or bow-and-arrow\./);
    expect(document.querySelector('.trees')).not.toBeNull();
    await page.press('Bow-and-arrow');
    expect(page.all('.bad')).toEqual([]);
    expect(page.text()).toContain('room enough');
  });

  it('goes to a moment of the cast, and says what happens there', async () => {
    const page = await show(CastsPanelComponent, server);
    await page.press('Stop: the loop goes back.');
    expect(page.all('.say')).toEqual(['Stop: the loop goes back.']);
    await page.press('Reach');
    expect(document.querySelector('svg')?.getAttribute('aria-label')).toMatch(/^Reach, from above/);
  });

  it('tells the room without a drawn beat too', async () => {
    server.on(api.waters.beats, []);
    const page = await show(CastsPanelComponent, server);
    expect(page.text()).toContain('8.37 m behind you');
  });
});
