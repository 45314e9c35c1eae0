import { type FloatMotion, FLOATS, type SetGiven, takeScore, DEFAULT_SET } from '@doceo/core';
import { lessonServer, setDate, show, type Shown } from '../../testing/page';
import { drawFloat, FLOAT_PX, floatX } from '../shared/takes/float-picture';
import { SetRoseComponent } from './set/set-rose.component';
import { verdictText } from '../shared/takes/verdict-text';
import { biasText, SET_TEXTS } from './strike-texts';
import { TrainerScoreComponent } from './trainer/trainer-score.component';

beforeEach(() => {
  localStorage.clear();
  setDate();
});
afterEach(() => jest.useRealTimers());

const still: FloatMotion = { alongWidths: 4, asideWidths: 0, sunk: 0, tiltDeg: 0, taut: 0.3 };

/** A canvas that remembers what was asked of it. */
function paper(): { canvas: CanvasRenderingContext2D; calls: [string, unknown[]][] } {
  const calls: [string, unknown[]][] = [];
  const canvas = new Proxy(
    {},
    {
      get: (_, name: string) =>
        name === 'createLinearGradient'
          ? () => ({ addColorStop: () => undefined })
          : (...given: unknown[]) => calls.push([name, given]),
      set: () => true,
    },
  ) as unknown as CanvasRenderingContext2D;
  return { canvas, calls };
}

describe('the picture of a float', () => {
  const size = { width: 600, height: 300 };

  it('drifts over the water and comes in again', () => {
    expect(floatX(still, 600)).toBe(4 * FLOAT_PX - 2 * FLOAT_PX);
    const away = floatX({ ...still, alongWidths: 1000.3 }, 600);
    expect(away).toBeGreaterThanOrEqual(-2 * FLOAT_PX);
    expect(away).toBeLessThan(600 + 2 * FLOAT_PX);
  });

  it.each(FLOATS)('draws a %s where it is, and otherwise when it is taken', (kind) => {
    const [one, two] = [paper(), paper()];
    drawFloat(one.canvas, size, kind, still, 0);
    drawFloat(two.canvas, size, kind, { ...still, sunk: 1, taut: 1, tiltDeg: 70 }, 0);
    const at = one.calls.find(([name]) => name === 'translate');
    expect(at?.[1]).toEqual([floatX(still, 600), 300 * 0.52]);
    expect(one.calls.length).toBeGreaterThan(70);
    expect(two.calls).not.toEqual(one.calls);
  });

  it('carries the water along with the drift', () => {
    const [one, two] = [paper(), paper()];
    drawFloat(one.canvas, size, 'indicator', still, 0);
    drawFloat(two.canvas, size, 'indicator', still, 3);
    const bubbles = ({ calls }: typeof one): unknown[] =>
      calls.filter(([name]) => name === 'ellipse').map(([, given]) => given[0]);
    expect(bubbles(one)).not.toEqual(bubbles(two));
    expect(bubbles(one)).toHaveLength(bubbles(two).length);
  });
});

describe('the rose of sweeps', () => {
  const open = (given: Partial<SetGiven> = {}): Promise<Shown<SetRoseComponent>> =>
    show(SetRoseComponent, lessonServer(), { given: { ...DEFAULT_SET, lineDeg: 110, ...given } });
  const effects = (): Record<string, number> => {
    const count: Record<string, number> = {};
    for (const one of document.querySelectorAll<SVGElement>('.sector'))
      count[one.dataset['effect'] ?? ''] = (count[one.dataset['effect'] ?? ''] ?? 0) + 1;
    return count;
  };

  it('shades what draws the fly into the mouth, and less of it with more slack', async () => {
    const page = await open({ slackM: 0.1 });
    const before = effects();
    expect(before['into']).toBeGreaterThan(8);
    page.fixture.componentRef.setInput('given', { ...DEFAULT_SET, lineDeg: 110, slackM: 0.8 });
    await page.settle();
    expect(effects()['into'] ?? 0).toBeLessThan(before['into']!);
  });

  it('warns of what draws the fly out, with the fish facing down the stream', async () => {
    await open({ facingDeg: 0, slackM: 0 });
    expect(effects()['out']).toBeGreaterThan(8);
    expect(effects()['into'] ?? 0).toBe(0);
  });

  it('warns of what breaks a weak tippet', async () => {
    await open({ breaksAtN: 3, slackM: 0, sweepM: 2 });
    expect(effects()['out']).toBeGreaterThan(10);
  });

  it('shows where the fly goes only when it goes', async () => {
    const page = await open({ sweepDeg: -70, slackM: 0 });
    expect(document.querySelector('.goes')?.getAttribute('d')).toMatch(/^M/);
    page.fixture.componentRef.setInput('given', { ...DEFAULT_SET, lineDeg: 110, slackM: 9 });
    await page.settle();
    expect(document.querySelector('.goes')?.getAttribute('d')).toBe('');
  });

  it('is turned by keys, and never beyond half a turn', async () => {
    const page = await open({ sweepDeg: 178, facingDeg: 180 });
    const edits: Partial<SetGiven>[] = [];
    page.fixture.componentInstance.edited.subscribe((edited) => edits.push(edited));
    await page.key('[aria-label="Where the rod tip sweeps"]', 'ArrowLeft');
    await page.key('[aria-label="Where the fish faces"]', 'ArrowRight');
    await page.key('[aria-label="Direction from the tip to the fly"]', 'ArrowUp');
    await page.key('[aria-label="Direction from the tip to the fly"]', 'x');
    expect(edits).toEqual([{ sweepDeg: -177 }, { facingDeg: 175 }, { lineDeg: 115 }]);
  });
});

describe('the score of a run', () => {
  it('tells seen, set on nothing, reaction and score, together and for each kind', async () => {
    const stimuli = [
      { atMs: 1000, kind: 'dip' },
      { atMs: 5000, kind: 'stop' },
      { atMs: 9000, kind: 'wave' },
      { atMs: 13_000, kind: 'dip' },
    ] as const;
    const score = { ...takeScore(stimuli, [1400, 3900, 13_500]), ticks: 2, ticksSet: 1 };
    const page = await show(TrainerScoreComponent, lessonServer(), { score, frameMs: 16.7 });
    expect(page.all('.figures li')).toEqual([
      '2 of 3takes seen',
      '0 of 1set on the water',
      '1set on nothing',
      '0.45 sreaction, half of them 0.42 s to 0.47 s',
      expect.stringMatching(/^-?[\d.]+score, 3 is hardly ever wrong$/),
      '1 of 2bottom, set on',
    ]);
    expect(page.all('tbody tr')).toEqual([
      expect.stringMatching(/^dips ?2 of 2 ?0\.45 s/),
      expect.stringMatching(/^stops ?0 of 1 ?–/),
    ]);
    expect(page.text()).toContain('this screen shows one every 17 ms');
  });
});

describe('words of the strike', () => {
  it.each([
    [{ kind: 'hit', tookMs: 412 }, 'on, after 0.41 s'],
    [{ kind: 'bottom' }, 'bottom: right to set'],
    [{ kind: 'missed' }, 'a take went by'],
  ] as const)('%j is “%s”', (verdict, words) => expect(verdictText(verdict)).toBe(words));

  it.each([
    [0.8, 'reacts late: waits until it is certain'],
    [-0.8, 'reacts early: sets on much that is no take'],
    [0, 'reacts neither early nor late'],
  ])('a leaning of %d %s', (bias, words) => expect(biasText(bias)).toBe(words));

  it('has a sentence for whatever a set does', () => {
    expect(Object.keys(SET_TEXTS).sort()).toEqual([
      'across',
      'breaks',
      'into-the-mouth',
      'nothing-tight',
      'out-of-the-mouth',
    ]);
  });
});
