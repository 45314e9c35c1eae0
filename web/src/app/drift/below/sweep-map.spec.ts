import { TestBed } from '@angular/core/testing';
import { type SweepCell, sweepDistances, type SweepFound, DEFAULT_SIDE } from '@doceo/core';
import { NEVER, of } from 'rxjs';
import { lessonServer, show, type Shown } from '../../../testing/page';
import { BenchRunner } from '../../workers/bench-runner';
import { SweepMapComponent } from './sweep-map.component';
import { cellColour, columnEdges, MAP_LEGEND, mapFrame } from './sweep-picture';

const DEPTH_M = 1.2;
/** The nearer to 1.5 m and to no shot, the longer in the zone. */
const clear = ({ leaderM, addedKg }: SweepCell): SweepFound => ({
  ...{ clearS: 5 - Math.abs(leaderM - 1.5) - addedKg * 1000, steadyDepthM: 1, ticks: 0 },
  ...{ contactShare: 0, goesUnder: false },
});

let painted: string[];
beforeEach(() => {
  localStorage.clear();
  painted = [];
  const pen = {
    fillStyle: '',
    fillRect: (x: number, y: number) => painted.push(`${x},${y}`),
    clearRect: () => (painted = []),
  };
  jest.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(pen as never);
});
afterEach(() => jest.restoreAllMocks());

const open = (): Promise<Shown<SweepMapComponent>> =>
  show(SweepMapComponent, lessonServer(), {
    ...{ drift: { ...DEFAULT_SIDE, depthM: DEPTH_M }, furthestM: 2.7, tried: null },
  });
const answer = (give: (cell: SweepCell) => unknown): void => {
  jest
    .spyOn(TestBed.inject(BenchRunner), 'runOfMany')
    .mockImplementation((...[, , cell]) => give(cell as SweepCell) as never);
};

describe('the map of where to set the float', () => {
  it('asks for every cell once and says which is best', async () => {
    const page = await open();
    answer((cell) => of(clear(cell)));
    await page.press('Work out the map');
    await page.settle();
    expect(new Set(painted).size).toBe(400);
    expect(painted).toHaveLength(400);
    expect(page.element.querySelector('[role=img]')?.getAttribute('aria-label')).toBe(
      'Map of 400 drifts; the longest in the zone with the float 1.52 m above the fly and 0.00 g of shot added: 5.0 seconds.',
    );
  });

  it('stops when told, and starts over on an empty map', async () => {
    const page = await open();
    answer(() => NEVER);
    await page.press('Work out the map');
    expect(page.element.querySelector('progress')?.value).toBe(0);
    await page.press('Stop');
    expect(page.element.querySelector('progress')).toBeNull();
    answer((cell) => of(clear(cell)));
    await page.press('Work out the map');
    await page.settle();
    await page.press('Again');
    await page.settle();
    expect(painted).toHaveLength(400);
  });

  it('tells when the water is another than that of the map', async () => {
    const page = await open();
    answer((cell) => of(clear(cell)));
    await page.press('Work out the map');
    await page.settle();
    page.fixture.componentRef.setInput('drift', { ...DEFAULT_SIDE, depthM: DEPTH_M });
    await page.settle();
    expect(page.text()).not.toContain('The water has changed');
    page.fixture.componentRef.setInput('drift', { ...DEFAULT_SIDE, depthM: DEPTH_M, surfaceMs: 0.9 });
    await page.settle();
    expect(page.text()).toContain('The water has changed since');
  });

  it('tries another place by its sliders, the other value kept', async () => {
    const page = await open();
    const tries: object[] = [];
    page.fixture.componentInstance.chosen.subscribe((tried) => tries.push(tried));
    const slider = page.element.querySelectorAll<HTMLInputElement>('input[type=range]')[1]!;
    slider.value = '0.0003';
    slider.dispatchEvent(new Event('input'));
    expect(tries).toEqual([{ leaderM: DEFAULT_SIDE.leaderM, addedKg: 0.0003 }]);
  });
});

describe('the picture of the map', () => {
  const frame = { depthM: 1, fromM: 0.5, toM: 2.2, distances: 20, ownM: 1.2, tried: null, metric: true };
  const series = (rest: object): { markLine?: { data: { xAxis: number }[] }; data: number[][] }[] =>
    mapFrame({ ...frame, ...rest })['series'] as never;

  it('draws the rules of the schools in the units of the axis, and only those that fit', () => {
    expect(series({})[0]!.markLine!.data.map(({ xAxis }) => xAxis)).toEqual([1.5, 2]);
    expect(series({ toM: 1.8 })[0]!.markLine!.data).toHaveLength(1);
    expect(series({ metric: false })[0]!.markLine!.data[0]!.xAxis).toBeCloseTo(4.921, 3);
  });

  it('has a column for each distance, side by side, the distance in it', () => {
    const edges = columnEdges(frame);
    expect(edges).toHaveLength(21);
    sweepDistances(frame).forEach((at, i) =>
      expect([edges[i]! < at && at < edges[i + 1]!, i]).toEqual([true, i]),
    );
  });

  it('rings the rig, and what is tried', () => {
    expect(series({}).map(({ data }) => data)).toEqual([[[1.2, 0]]]);
    expect(series({ tried: { leaderM: 1.7, addedKg: 0.0002 } })[1]!.data).toEqual([[1.7, 0.2]]);
  });

  it('is pale for nothing in the zone, deep for all, the bed’s where it drags, orange where the float goes under', () => {
    const found = { clearS: 0, contactShare: 0.25, goesUnder: false };
    expect(cellColour(found, 10)).toBe('rgb(232,240,234)');
    expect(cellColour({ ...found, clearS: 10 }, 10)).toBe('rgb(18,92,104)');
    expect(cellColour({ ...found, contactShare: 0.75 }, 10)).toBe('rgb(176,160,122)');
    expect(cellColour({ ...found, clearS: 10, goesUnder: true }, 10)).toBe('#f0a37e');
    expect(MAP_LEGEND.map(({ colour }) => colour)).toContain('rgb(176,160,122)');
  });
});
