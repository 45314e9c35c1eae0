import { DeviceUser } from './data/device/device-user';
import { TestBed } from '@angular/core/testing';
import { api } from '@doceo/contract';
import { type ConditionReading, formatLength } from '@doceo/core';
import type { FakeServer } from '../testing/fake-server';
import { LESSON, NOW, RIG, WATER, keptKey, uuid } from '../testing/fixtures';
import { setDate, type Shown, show } from '../testing/page';
import { LAKE } from '../testing/waters';
import { DayStore } from './data/lesson/day-store';
import { MomentStore } from './data/lesson/moment-store';
import { PlanPage } from './plan/plan.page';
import { RigPage } from './rig/bench/rig.page';
import { StripComponent } from './shell/strip.component';
import { WaterPage } from './water/water.page';
import { waterServer } from '../testing/water-server';

const HOUR_MS = 3_600_000;
let server: FakeServer;
let readings: ConditionReading[];
beforeEach(() => {
  localStorage.clear();
  sessionStorage.clear();
  setDate();
  readings = [];
  server = waterServer(() => readings);
});
afterEach(() => jest.useRealTimers());
const open = (): Promise<Shown<WaterPage>> => show(WaterPage, server);
const turnTo = async (page: Shown<WaterPage>, id: string): Promise<void> => {
  await page.enter('label.small.row select', id);
  await page.quiet();
};

describe('another water or hour', () => {
  it('is told in the strip with a way back, and ends with it', async () => {
    const strip = await show(StripComponent, server);
    TestBed.inject(DayStore).goTo(LAKE.id, Date.parse('2026-06-10T13:00:00Z'));
    await strip.quiet();
    expect(strip.text()).toContain('as if at Merrow Lake, 15:00 · back to the lesson');
    await strip.press(/back to the lesson/);
    expect(strip.text()).not.toContain('as if');
    expect(TestBed.inject(DayStore).water()?.id).toBe(WATER.id);
  });

  it('is told in the strip of somebody without a lesson too, with its light and water', async () => {
    server.on(api.lessons.list, []);
    const strip = await show(StripComponent, server);
    expect(strip.text()).toContain('No lesson on the calendar yet');
    expect(strip.all('.fact')).toEqual([]);
    TestBed.inject(DayStore).goTo(LAKE.id, Date.parse('2026-06-10T13:00:00Z'));
    await strip.quiet();
    expect(strip.all('.fact')).toEqual([
      'Merrow Lake, Wed 10 Jun 15:00',
      expect.stringMatching(/^light \d\d:\d\d–\d\d:\d\d$/),
      'water 12.4 °C',
      'wind 3 m/s',
    ]);
    expect(strip.text()).not.toContain('students');
  });

  it('is set by the hour’s slider, and the lesson’s own hour is the lesson’s again', async () => {
    const page = await open();
    const day = TestBed.inject(DayStore);
    await page.enter('input[type=range]', '15');
    expect(page.all('.hour')[0]).toMatch(/^as if at 15:00 ?level \+35 cm, water 12.4 °C, wind 3 m\/s/);
    expect([day.elsewhere(), page.all('.alert b')]).toEqual([true, ['Thunder is likely']]);
    await page.enter('input[type=range]', '9');
    expect(day.elsewhere()).toBe(false);
  });

  it('changes nothing of the check of a plan, which is held at its own hour', async () => {
    const page = await show(PlanPage, server, { id: LESSON.planId });
    const thunder = (): boolean => page.text().includes('Thunder is likely');
    expect(thunder()).toBe(false);
    TestBed.inject(DayStore).goTo(WATER.id, Date.parse('2026-06-10T12:30:00Z'));
    await page.quiet();
    expect(thunder()).toBe(false);
    server.on(api.lessons.list, [{ ...LESSON, startsAt: '2026-06-10T12:30:00Z' }]);
    TestBed.inject(DayStore).load().subscribe();
    TestBed.inject(DayStore).backToLesson();
    await page.quiet();
    expect(thunder()).toBe(true);
  });

  it('keeps to the lesson when its water is gone from the list', async () => {
    const page = await open();
    TestBed.inject(DayStore).goTo('00000000-0000-4000-8000-00000000dead', NOW);
    await page.quiet();
    expect(page.all('h1')).toEqual(['River Ostrel']);
  });
});

describe('a place chosen for the benches', () => {
  it('lends its depth with the hour’s level to the rig bench, until the rig’s own is asked for', async () => {
    const water = await open();
    await water.press('Benches: take depth and speed here');
    const spot = TestBed.inject(MomentStore).spots()[WATER.id]!;
    expect(spot.name).toMatch(/^Ford Pool, /);
    expect(water.all('.spot')[0]).toContain('Benches fish Ford Pool');
    TestBed.resetTestingModule();

    const page = await show(RigPage, server, { id: RIG.id });
    const ratio = (): string => page.all('[data-figure="indicator-distance"]').join();
    const at = (hour: number): void =>
      TestBed.inject(DayStore).goTo(WATER.id, Date.parse('2026-06-09T22:00:00Z') + hour * HOUR_MS);
    at(0);
    await page.quiet();
    const deep = (levelM: number): string => formatLength(spot.depthM + levelM, 'metric');
    expect(page.all('[data-here]')[0]).toContain(`00:00: ${deep(0.5)}`);
    const before = ratio();
    at(20);
    await page.quiet();
    expect(page.all('[data-here]')[0]).toContain(`20:00: ${deep(0.3)}`);
    expect(ratio()).not.toBe(before);
    await page.press(/^Take the rig’s own/);
    const own = ratio();
    expect(page.all('[data-here]')[0]).toMatch(/^Own depth 1.10 m/);
    await page.press(/^Take .* from the water/);
    expect(ratio()).not.toBe(own);
    await page.enter('.depth input', '90 cm');
    expect(page.all('[data-here]')[0]).toMatch(/^Own depth 90 cm/);
  });

  it('is taken at every water one turns to from then on, and left again', async () => {
    const page = await open();
    await page.press('Benches: take depth and speed here');
    await turnTo(page, LAKE.id);
    await page.press('Benches: take this depth');
    expect(Object.keys(TestBed.inject(MomentStore).spots()).sort()).toEqual([WATER.id, LAKE.id].sort());
    expect(TestBed.inject(DayStore).spot()).toMatchObject({ speedMs: null });
    await page.press('Benches: the rigs’ own depths');
    expect(TestBed.inject(DayStore).spot()).toBeNull();
  });

  it('leaves the plan of the lesson alone, and ends where it has no place', async () => {
    const page = await open();
    const day = TestBed.inject(DayStore);
    const own = day.planLesson();
    await turnTo(page, LAKE.id);
    expect(day.water()?.id).toBe(LAKE.id);
    expect([day.planLesson()?.water.name, day.planLesson()?.startMs]).toEqual([
      own?.water.name,
      own?.startMs,
    ]);
    day.wentTo('/rig/any');
    expect(day.elsewhere()).toBe(true);
    day.wentTo('/plan');
    expect([day.elsewhere(), day.water()?.id]).toEqual([false, WATER.id]);
  });

  it('survives a store that holds nonsense', () => {
    localStorage.setItem(keptKey('spots'), '{{{');
    TestBed.configureTestingModule({});
    TestBed.inject(DeviceUser).set(uuid(71));
    const store = TestBed.inject(MomentStore);
    expect([store.spots(), store.elsewhere()]).toEqual([{}, null]);
  });
});
