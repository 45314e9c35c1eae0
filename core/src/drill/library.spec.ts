import { FAULTS, findFault } from '../fault';
import { SKILLS, STRANDS } from '../skill';
import { DRILLS, findDrill, getDrill } from './index';

describe('the drill library', () => {
  const rows = DRILLS.map((drill) => [drill.id, drill] as const);

  it('names each drill once', () => {
    expect(new Set(DRILLS.map(({ id }) => id)).size).toBe(DRILLS.length);
    expect(new Set(DRILLS.map(({ name }) => name)).size).toBe(DRILLS.length);
  });

  it.each(rows)('%s can be taught: words, gear, success, minutes', (_, drill) => {
    expect(drill.cue.length).toBeLessThanOrEqual(60);
    expect(drill.how.length).toBeGreaterThan(40);
    expect(drill.gear.length).toBeGreaterThan(0);
    expect(drill.success.good).toBeLessThanOrEqual(drill.success.of);
    expect(drill.success.good).toBeGreaterThan(0);
    expect(drill.minutes.min).toBeGreaterThan(0);
    expect(drill.minutes.max).toBeLessThanOrEqual(60);
    expect(drill.lineOutM).toBeGreaterThanOrEqual(0);
    expect(drill.attemptsPerMin).toBeGreaterThan(0);
  });

  it.each(rows)('%s trains skills of its strand and watches faults that exist', (_, drill) => {
    expect(SKILLS.get(drill.skills[0] as string).strand).toBe(drill.strand);
    for (const id of drill.watchFor) expect(findFault(id)?.id).toBe(id);
  });

  it('trains every skill by at least one drill, each strand by several', () => {
    const trained = new Set(DRILLS.flatMap(({ skills }) => skills));
    const untrained = SKILLS.skills.filter(({ id }) => !trained.has(id)).map(({ id }) => id);
    expect(untrained.length).toBeLessThan(SKILLS.skills.length / 4);
    for (const strand of STRANDS)
      expect(DRILLS.filter((drill) => drill.strand === strand).length).toBeGreaterThanOrEqual(2);
  });

  it('is asked by id', () => {
    expect(getDrill('hoops').name).toBe('Three hoops');
    expect(findDrill('nowhere')).toBeUndefined();
    expect(() => getDrill('nowhere')).toThrow(expect.objectContaining({ code: 'unknown-id' }));
  });
});

describe('the fault catalogue', () => {
  it.each(FAULTS.map((fault) => [fault.id, fault] as const))(
    '%s has a sign, a cause and a cure',
    (id, fault) => {
      expect(id).toMatch(/^(cast|rig|set|water|safety|fish)\.[a-z-]+$/);
      for (const words of [fault.short, fault.sign, fault.cause, fault.cure])
        expect(words.length).toBeGreaterThan(3);
    },
  );

  it('holds the faults the trade names', () => {
    for (const id of [
      'cast.crack',
      'cast.pile',
      'cast.tailing',
      'cast.lining',
      'set.late',
      'set.upstream',
      'set.trout-lift',
    ])
      expect(findFault(id)).toBeDefined();
  });
});
