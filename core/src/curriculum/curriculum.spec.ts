import fc from 'fast-check';
import { type Skill, skillState } from '../skill';
import { circleOfNeeds, emptyLayer, type Layer, type OwnedLayer, resolveCurriculum } from '.';
import { SHIPPED_CURRICULUM as SHIPPED, SHIPPED_LAYER } from './shipped';

const skill = (id: string, needs: string[] = [], name = id): Skill => ({
  ...SHIPPED.skills.get('casting.stop'),
  id,
  name,
  needs,
});
const layer = (change: Partial<Layer>): Layer => ({ ...emptyLayer(), ...change });
const over = (...layers: Layer[]): OwnedLayer[] => [
  { owner: 'shipped', layer: layers[0] as Layer },
  ...layers
    .slice(1)
    .map((one, i) => ({ owner: i === 0 ? ('circle' as const) : ('own' as const), layer: one })),
];

describe('a curriculum of layers', () => {
  it('has what the highest layer says, in the place of what it covers, and says from whom', () => {
    const made = resolveCurriculum(
      over(
        layer({ skills: [skill('a'), skill('b', ['a'])] }),
        layer({ skills: [skill('a', [], 'A of the circle'), skill('c', ['b'])] }),
        layer({ skills: [skill('c', ['a'], 'C of mine')] }),
      ),
    );
    expect(made.skills.all.map(({ name }) => name)).toEqual(['A of the circle', 'b', 'C of mine']);
    expect(made.skills.get('c').needs).toEqual(['a']);
    expect(made.originOf('skill', 'a')).toEqual({ owner: 'circle', covers: 'shipped', retiredBy: null });
    expect(made.originOf('skill', 'b')).toEqual({ owner: 'shipped', covers: null, retiredBy: null });
    expect(made.originOf('skill', 'x')).toBeNull();
  });

  it('retires without forgetting: names read, what rested on it rests on what it rested on', () => {
    const made = resolveCurriculum(
      over(
        layer({ skills: [skill('a'), skill('b', ['a'], 'Old name'), skill('c', ['b'])] }),
        layer({ retired: [{ kind: 'skill', id: 'b' }] }),
      ),
    );
    expect(made.skills.all.map(({ id }) => id)).toEqual(['a', 'c']);
    expect([made.skills.has('b'), made.skills.get('b').name]).toEqual([false, 'Old name']);
    expect(made.skills.get('c').needs).toEqual(['a']);
    expect(made.originOf('skill', 'b')).toEqual({ owner: 'shipped', covers: null, retiredBy: 'circle' });
  });

  it('lets a higher layer bring back what a lower one retired', () => {
    const made = resolveCurriculum(
      over(
        layer({ skills: [skill('a')] }),
        layer({ retired: [{ kind: 'skill', id: 'a' }] }),
        layer({ skills: [skill('a', [], 'Back')] }),
      ),
    );
    expect(made.skills.all.map(({ name }) => name)).toEqual(['Back']);
  });

  it('of a layer that stands alone is that layer, and all below still reads', () => {
    const made = resolveCurriculum([
      { owner: 'shipped', layer: SHIPPED_LAYER },
      { owner: 'circle', layer: layer({ alone: true, skills: [skill('water.ford')] }) },
    ]);
    expect(made.skills.all.map(({ id }) => id)).toEqual(['water.ford']);
    expect([made.drills.all.length, made.drills.get('hoops').name]).toEqual([0, 'Three hoops']);
    expect(made.skills.get('casting.pause').name).toBe('Pause');
  });

  it('never throws for an id, and says of an unknown one what its id says', () => {
    expect(SHIPPED.skills.get('casting.long-gone')).toMatchObject({ name: 'long gone', strand: 'casting' });
    expect(SHIPPED.faults.get('cast.hic-cup').short).toBe('hic cup');
    expect([SHIPPED.drills.get('odd-one').name, SHIPPED.drills.find('odd-one')]).toEqual([
      'odd one',
      undefined,
    ]);
    expect(SHIPPED.questions.get('why').text).toBe('why');
  });

  it('opens a circle that two layers make together, and says which need it dropped', () => {
    const made = resolveCurriculum(
      over(layer({ skills: [skill('a'), skill('b', ['a'])] }), layer({ skills: [skill('a', ['b'])] })),
    );
    expect(made.dropped).toEqual([{ skillId: 'b', needId: 'a' }]);
    expect(circleOfNeeds(made.skills.all)).toBeNull();
  });

  it('has a version of its content alone', () => {
    const of = (...layers: Layer[]): string => resolveCurriculum(over(...layers)).version;
    const one = layer({ skills: [skill('a')] });
    const { id, ...rest } = skill('a');
    expect(of(one)).toBe(of(layer({ skills: [{ ...rest, id }] })));
    expect(of(one)).toBe(of(one, emptyLayer()));
    expect(of(one)).not.toBe(of(layer({ skills: [skill('a', [], 'other')] })));
    expect(SHIPPED.version).toMatch(/^[0-9a-f]{8}$/);
  });

  it('stands whatever layers say: no circle, no need that is not taught, no id lost', () => {
    const ids = ['a', 'b', 'c', 'd', 'e'];
    const anyLayer = fc
      .record({
        skills: fc.uniqueArray(fc.record({ id: fc.constantFrom(...ids), needs: fc.subarray(ids) }), {
          selector: ({ id }) => id,
        }),
        retired: fc.subarray(ids),
        alone: fc.boolean(),
      })
      .map(({ skills, retired, alone }) =>
        layer({
          alone,
          skills: skills.map(({ id, needs }) => skill(id, needs)),
          retired: retired.map((id) => ({ kind: 'skill' as const, id })),
        }),
      );
    fc.assert(
      fc.property(anyLayer, anyLayer, anyLayer, (a, b, c) => {
        const { skills } = resolveCurriculum(over(a, b, c));
        expect(circleOfNeeds(skills.all)).toBeNull();
        for (const { needs } of skills.all) expect(needs.every(skills.has)).toBe(true);
        for (const { id } of [a, b, c].flatMap((one) => one.skills)) expect(skills.find(id)?.id).toBe(id);
      }),
      { seed: 11 },
    );
  });

  it('holds a thousand drills, and a retired skill with ten thousand attempts reads and is estimated as before', () => {
    const drills = Array.from({ length: 1000 }, (_, i) => ({
      ...SHIPPED.drills.all[i % 100]!,
      ...{ id: `own-${i}`, name: `Own ${i}` },
    }));
    const own = layer({ drills, retired: [{ kind: 'skill', id: 'casting.tuck' }] });
    const made = resolveCurriculum(over(SHIPPED_LAYER, emptyLayer(), own));
    expect(made.drills.all).toHaveLength(SHIPPED.drills.all.length + 1000);
    expect(made.drills.get('own-999').name).toBe('Own 999');
    expect(made.skills.get('casting.tuck').name).toBe('Tuck cast');
    const attempts = Array.from({ length: 10_000 }, (_, i) => ({
      ...{ id: `${i}`, atMs: i, skillId: 'casting.tuck', good: i % 3 > 0 },
    }));
    const estimate = (curriculum: typeof made) =>
      skillState([curriculum.skills.get('casting.tuck')], attempts, 20_000)['casting.tuck'];
    expect(estimate(made)).toEqual(estimate(SHIPPED));
    expect(estimate(made)?.attempts).toBe(10_000);
  });
});
