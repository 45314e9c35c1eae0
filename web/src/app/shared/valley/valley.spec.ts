import type { Lineage, PlanVersion } from '@doceo/contract';
import { uuid } from '../../../testing/fixtures';
import { lessonServer, show } from '../../../testing/page';
import { ValleyComponent } from './valley.component';
import { valleyOf } from './valley-shape';
import { versionLabel, versionWords } from './version-words';

const NOW = Date.parse('2026-11-29T12:00:00Z');
const [mine, theirs, far] = [uuid(1), uuid(2), uuid(3)];
const plan = (id: string, rest: Partial<Lineage['plans'][number]> = {}): Lineage['plans'][number] => ({
  ...{ id, title: 'Grass', ownerName: 'Tobias Lind', mine: false, seen: true, circleName: 'School' },
  ...{ originId: null, ...rest },
});
const version = (n: number, planId: string, day: string, rest: Partial<PlanVersion> = {}): PlanVersion => ({
  ...{ id: uuid(100 + n), planId, hash: 'a'.repeat(64), title: 'Grass', why: 'shared', note: '' },
  ...{ authorName: 'Tobias Lind', at: `${day}T12:00:00.000Z`, parents: [], taught: 0, ...rest },
});
const valley = (lineage: Lineage, width = 900) => valleyOf(lineage, width, NOW, () => 'Oct');

const FAMILY: Lineage = {
  plans: [
    plan(mine, { mine: true, originId: theirs, ownerName: 'Maren Voss', circleName: null }),
    plan(theirs),
    plan(far, { originId: theirs, circleName: 'Club' }),
  ],
  versions: [
    version(1, theirs, '2026-09-01'),
    version(2, mine, '2026-10-01', { why: 'copied', parents: [uuid(101)] }),
    version(3, theirs, '2026-11-01', { taught: 3 }),
    version(4, mine, '2026-11-20', { why: 'merged', parents: [uuid(102), uuid(103)] }),
  ],
};

describe('the valley of a plan', () => {
  it('lays the origin on top, what came from it below, and another circle behind a ridge', () => {
    const { streams, ridgeY } = valley(FAMILY);
    expect(streams.map(({ planId }) => planId)).toEqual([theirs, mine, far]);
    expect(streams[0]!.y).toBeLessThan(streams[1]!.y);
    expect(ridgeY).toBeGreaterThan(streams[1]!.y);
    expect(ridgeY).toBeLessThan(streams[2]!.y);
    expect(valley({ ...FAMILY, plans: FAMILY.plans.slice(0, 2) }).ridgeY).toBeNull();
  });

  it('runs from left to right in time, and ends today', () => {
    const { pools, nowX, streams } = valley(FAMILY);
    const xs = pools.filter(({ version: { planId } }) => planId === theirs).map(({ x }) => x);
    expect(xs).toEqual([...xs].sort((a, b) => a - b));
    expect(Math.max(...pools.map(({ x }) => x))).toBeLessThan(nowX + 60);
    for (const { toX } of streams) expect(toX).toBe(nowX);
  });

  it('forks where a copy was taken, and joins where two were put together', () => {
    expect(valley(FAMILY).joins.map(({ key, into }) => [key, into])).toEqual([
      [uuid(102), false],
      [uuid(104), true],
    ]);
  });

  it('lets a copy whose beginning is not told come out of its origin where it is first heard of', () => {
    const late = { ...FAMILY, versions: [FAMILY.versions[0]!, version(5, far, '2026-11-25')] };
    expect(valley(late).joins.map(({ key }) => key)).toEqual([uuid(105)]);
  });

  it('has a ring for each lesson taught, and a stone where there was none', () => {
    const { pools } = valley(FAMILY);
    expect(pools.map(({ rings }) => rings.length)).toEqual([0, 0, 3, 0]);
    expect(pools[2]!.rx).toBeGreaterThan(pools[0]!.rx);
    const many = { ...FAMILY, versions: [version(1, theirs, '2026-09-01', { taught: 40 })] };
    expect(valley(many).pools[0]!.rings).toHaveLength(7);
  });

  it('thins out what nobody used for long', () => {
    const old = { plans: [plan(theirs)], versions: [version(1, theirs, '2026-03-01')] };
    expect(valley(old).streams[0]!.width).toBeLessThan(valley(FAMILY).streams[0]!.width);
  });

  it.each([
    ['2026-09-30', '2026-12-01T00:40:00Z', ['2026-10', '2026-11']],
    ['2026-09-30', '2026-12-03T00:40:00Z', ['2026-10', '2026-11', null]],
    ['2026-09-30', '2026-12-12T12:00:00Z', ['2026-10', '2026-11', '2026-12']],
  ])('names the months from %s to %s that leave room for today', (from, now, names) => {
    const lineage = { plans: [plan(theirs)], versions: [version(1, theirs, from)] };
    const { ticks } = valleyOf(lineage, 900, Date.parse(now), (ms) => new Date(ms).toISOString().slice(0, 7));
    expect(ticks.map(({ text }) => text)).toEqual(names);
  });

  it('names fewer months of many years, none over another', () => {
    const lineage = { plans: [plan(theirs)], versions: [version(1, theirs, '2022-03-01')] };
    const { ticks, nowX } = valleyOf(lineage, 400, NOW, (ms) => String(new Date(ms).getUTCMonth() + 1));
    const named = ticks.filter(({ text }) => text !== null);
    expect(new Set(named.map(({ text }) => text))).toEqual(new Set(['1']));
    const xs = [...named.map(({ x }) => x), nowX - 14];
    for (let i = 1; i < xs.length; i++) expect(xs[i]! - xs[i - 1]!).toBeGreaterThanOrEqual(36);
  });

  it('leaves out words that would lie over others, the newest first to stay', () => {
    const near = ['2026-11-10', '2026-11-11', '2026-11-12'].map((day, n) => version(n, theirs, day));
    const { pools } = valley({ plans: [plan(theirs)], versions: near });
    expect(pools.map(({ labelled }) => labelled)).toEqual([false, false, true]);
  });

  it('says what a version is by its word, else by why there is one', () => {
    expect(versionWords({ why: 'shared', note: 'More time' })).toBe('More time');
    expect(versionWords({ why: 'merged', note: '' })).toBe('put together');
    expect(versionLabel({ why: 'shared', note: 'More time' })).toBe('More time');
    expect(versionLabel({ why: 'shared', note: 'Five minutes more at the seam, the bubbles as a cue' })).toBe(
      'Five minutes more at the seam, …',
    );
    expect(versionLabel({ why: 'shared', note: 'x'.repeat(90) })).toMatch(/^x{17} …$/);
  });

  it('tells each version by name, draws what waits, and opens what may be seen', async () => {
    const opened: string[] = [];
    const told = { planId: mine, planTitle: 'Grass', byName: 'Tobias Lind', at: '2026-11-01T12:00:00.000Z' };
    const unseen = { ...FAMILY, plans: [FAMILY.plans[0]!, { ...FAMILY.plans[1]!, seen: false }] };
    const page = await show(ValleyComponent, lessonServer(), {
      lineage: unseen,
      news: [
        { kind: 'newer', ...told, note: '' },
        { kind: 'question', ...told, commentId: uuid(9), text: '?', blockId: null },
      ],
    });
    page.fixture.componentInstance.opened.subscribe(({ id }) => opened.push(id));
    const names = [...page.element.querySelectorAll('.pick')].map((one) => one.getAttribute('aria-label'));
    expect(names[2]).toBe('shared, Tobias Lind, 1 Nov, 3 lessons taught');
    expect(page.element.querySelectorAll('.dry, .asked')).toHaveLength(2);
    for (const one of page.element.querySelectorAll<HTMLButtonElement>('.pick')) one.click();
    expect(opened).toEqual([uuid(102), uuid(104)]);
  });
});
