import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { skillState, type SkillAttempt } from '@doceo/core';
import { drawSkillMap, type Reach, type SkillMap } from './streams';

const PAUSE = 'casting.pause';
const tried = (good: boolean): SkillAttempt[] =>
  Array.from({ length: 12 }, (_, i) => ({ id: `${i}`, atMs: i, skillId: PAUSE, good }));
const unseen = skillState(SHIPPED.skills.all, [], 0);
const strong = skillState(SHIPPED.skills.all, tried(true), 20);
const weak = skillState(SHIPPED.skills.all, tried(false), 20);
const reachOf = (map: SkillMap, id: string) =>
  map.streams.flatMap(({ reaches }) => reaches).find(({ skill }) => skill.id === id)!;
const points = (path: string): [number, number][] =>
  [...path.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)]);
const spread = (values: number[]): number => Math.max(...values) - Math.min(...values);

describe.each(['desk', 'phone'] as const)('the skill map on a %s', (place) => {
  const map = drawSkillMap(SHIPPED.skills.all, unseen, null, place);
  const reaches = map.streams.flatMap((stream) => stream.reaches);

  it('has every skill once, and the four taught strands join', () => {
    expect(reaches.map(({ skill }) => skill.id).sort()).toEqual(
      SHIPPED.skills.all.map(({ id }) => id).sort(),
    );
    expect(map.streams.filter(({ join }) => join).map(({ strand }) => strand)).toEqual([
      'casting',
      'rigging',
      'hook-setting',
      'water',
    ]);
    expect(map.river?.of).toBe(map.streams.slice(0, 4).flatMap((stream) => stream.reaches).length);
  });

  it('takes no room for a river that is not asked for', () => {
    const dry = drawSkillMap(SHIPPED.skills.all, unseen, null, place, false);
    expect([dry.river, dry.streams.every(({ join }) => join === null)]).toEqual([null, true]);
    expect([map.width - dry.width, map.height - dry.height]).toEqual(place === 'desk' ? [74, 0] : [0, 126]);
    const ends = dry.streams.flatMap(({ reaches: own }) => own.flatMap(({ bed }) => points(bed)));
    for (const [x, y] of ends) expect([x <= dry.width, y <= dry.height]).toEqual([true, true]);
  });

  it('stays on its sheet', () => {
    const paths = [
      ...reaches.flatMap(({ bed, banks }) => [bed, banks]),
      ...map.streams.flatMap(({ join }) => (join ? [join.banks] : [])),
      map.river?.path ?? '',
    ];
    for (const [x, y] of paths.flatMap(points)) {
      expect([x >= 0, x <= map.width, y >= 0, y <= map.height]).toEqual([true, true, true, true]);
    }
    for (const { label } of reaches) expect(label.y + label.lines.length * 12).toBeLessThan(map.height);
  });

  it('lays reaches end to end, and no two of them where one finger cannot part them', () => {
    for (const { reaches: own } of map.streams)
      own.slice(1).forEach(({ hit }, i) => {
        const before = own[i]!.hit;
        const [start, end] =
          place === 'desk' ? [hit.x, before.x + before.width] : [hit.y, before.y + before.height];
        expect(start).toBeCloseTo(end, 6);
        expect(hit.width).toBeGreaterThan(44);
        expect(hit.height).toBeGreaterThan(44);
      });
  });

  it('has no water where nobody saw anything, a narrow flow while it is learned, and a full bed then', () => {
    const across = (path: string): number => spread(points(path).map(([x, y]) => (place === 'desk' ? y : x)));
    const [dry, narrow, full] = [unseen, weak, strong].map((state) =>
      reachOf(drawSkillMap(SHIPPED.skills.all, state, null, place), PAUSE),
    ) as [Reach, Reach, Reach];
    expect([dry.stage, narrow.stage, full.stage]).toEqual(['not-seen', 'learning', 'has-it']);
    const wide = (reach: Reach): number => across(reach.fill) / across(reach.bed);
    expect(wide(dry)).toBeLessThan(wide(narrow));
    expect(wide(narrow)).toBeLessThan(0.7);
    expect(wide(full)).toBeGreaterThan(0.95);
  });

  it('shows what was won or lost, and from where', () => {
    const risen = reachOf(drawSkillMap(SHIPPED.skills.all, strong, unseen, place), PAUSE);
    const fallen = reachOf(drawSkillMap(SHIPPED.skills.all, weak, strong, place), PAUSE);
    expect([risen.was, fallen.was]).toEqual(['not-seen', 'has-it']);
    expect(reachOf(drawSkillMap(SHIPPED.skills.all, strong, strong, place), PAUSE).was).toBeNull();
    const area = (path: string): number =>
      path
        .split('Z')
        .map((ring) => points(ring))
        .reduce(
          (sum, ring) =>
            sum +
            Math.abs(
              ring.reduce((twice, [x, y], i) => {
                const [nx, ny] = ring[(i + 1) % ring.length]!;
                return twice + x * ny - nx * y;
              }, 0),
            ) /
              2,
          0,
        );
    expect(area(risen.won)).toBeGreaterThan(100);
    expect(area(risen.lost)).toBeLessThan(1);
    expect(area(fallen.lost)).toBeGreaterThan(50);
    expect(area(fallen.won)).toBeLessThan(1);
  });

  it('draws a line for every prerequisite that is not the reach just before', () => {
    const drawn = map.rests.map(({ from, to }) => `${from} ${to}`);
    expect(drawn).toContain('casting.pick-up-lay-down casting.roll');
    expect(drawn).toContain('casting.reach water.reach-mend');
    expect(drawn).not.toContain('casting.stop casting.pause');
    const needs = SHIPPED.skills.all.reduce((sum, skill) => sum + skill.needs.length, 0);
    const beside = map.streams.flatMap(({ reaches: own }) =>
      own.slice(1).filter(({ skill }, i) => skill.needs.includes(own[i]!.skill.id)),
    ).length;
    expect(drawn).toHaveLength(needs - beside);
  });

  it('counts what is ready to fish alone with', () => {
    expect(map.river?.ready).toBe(0);
    expect(drawSkillMap(SHIPPED.skills.all, strong, null, place).river?.ready).toBe(1);
  });
});
