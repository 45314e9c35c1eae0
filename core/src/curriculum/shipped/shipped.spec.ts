import { SHIPPED_CURRICULUM as SHIPPED } from '.';

import { mainSkillOf, needsNoWater } from '../../drill';

describe('the drill library', () => {
  const rows = SHIPPED.drills.all.map((drill) => [drill.id, drill] as const);

  it('names each drill once', () => {
    expect(new Set(SHIPPED.drills.all.map(({ id }) => id)).size).toBe(SHIPPED.drills.all.length);
    expect(new Set(SHIPPED.drills.all.map(({ name }) => name)).size).toBe(SHIPPED.drills.all.length);
  });

  it.each(rows)('%s can be taught: words, gear, success, minutes', (_, drill) => {
    expect(drill.cue.length).toBeLessThanOrEqual(60);
    expect(drill.how.join(' ').length).toBeGreaterThan(40);
    expect(drill.trains.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    expect(drill.success.good).toBeLessThanOrEqual(drill.success.of);
    expect(drill.success.good).toBeGreaterThan(0);
    expect(drill.minutes.min).toBeGreaterThan(0);
    expect(drill.minutes.max).toBeLessThanOrEqual(60);
    expect(drill.lineOutM).toBeGreaterThanOrEqual(0);
    expect(drill.attemptsPerMin).toBeGreaterThan(0);
  });

  it.each(rows)('%s trains skills of its strand and watches faults that exist', (_, drill) => {
    expect(SHIPPED.skills.get(mainSkillOf(drill)).strand).toBe(drill.strand);
    for (const id of drill.watchFor) expect(SHIPPED.faults.find(id)?.id).toBe(id);
  });

  it.each(SHIPPED.skills.all.map((skill) => [skill.id, skill] as const))(
    '%s can be learned and shown: two drills, one without water, three questions',
    (id) => {
      const drills = SHIPPED.drills.all.filter(({ trains }) => trains.some(({ skillId }) => skillId === id));
      expect(drills.length).toBeGreaterThanOrEqual(2);
      expect(drills.some(needsNoWater)).toBe(true);
      expect(SHIPPED.questions.all.filter(({ skillId }) => skillId === id).length).toBeGreaterThanOrEqual(3);
    },
  );

  it('has a drill made for every skill, and bends to needs with drills it has', () => {
    const made = new Set(SHIPPED.drills.all.map(mainSkillOf));
    expect(SHIPPED.skills.all.filter(({ id }) => !made.has(id)).map(({ id }) => id)).toEqual([]);
    for (const { insteadId } of SHIPPED.drills.all.flatMap(({ adaptations }) => adaptations))
      if (insteadId) expect(SHIPPED.drills.has(insteadId)).toBe(true);
  });

  it('puts the right answer of its questions now here, now there', () => {
    const places = SHIPPED.questions.all.map(({ choices }) => choices.findIndex(({ right }) => right));
    for (const place of [0, 1, 2])
      expect(places.filter((at) => at === place).length).toBeGreaterThan(places.length / 5);
    for (const { skillId } of SHIPPED.questions.all) expect(SHIPPED.skills.has(skillId)).toBe(true);
  });
});

describe('the fault catalogue', () => {
  it.each(SHIPPED.faults.all.map((fault) => [fault.id, fault] as const))(
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
      expect(SHIPPED.faults.find(id)).toBeDefined();
  });
});
