import fc from 'fast-check';
import { layerCounts, withEntry, withoutEntry, withRetired } from './edit-layer';
import { emptyLayer, type Layer } from './layer';
import { mergeLayers } from './merge-layers';
import { SHIPPED_CURRICULUM as SHIPPED } from './shipped';

const hoops = (name: string) => ({ ...SHIPPED.drills.get('hoops'), name });
const crack = (cure: string) => ({ ...SHIPPED.faults.get('cast.crack'), cure });

describe('a layer that is changed', () => {
  it('has an entry once, retires it and lets what lies below show again', () => {
    const once = withEntry(withEntry(emptyLayer(), 'drill', hoops('A')), 'drill', hoops('B'));
    expect(once.drills.map(({ name }) => name)).toEqual(['B']);
    const retired = withRetired(withRetired(once, 'drill', 'hoops'), 'drill', 'hoops');
    expect([retired.retired.length, retired.drills.length]).toEqual([1, 1]);
    expect(withEntry(retired, 'drill', hoops('C')).retired).toEqual([]);
    expect(withoutEntry(retired, 'drill', 'hoops')).toEqual(emptyLayer());
  });

  it('counts what is new, changed and retired', () => {
    const layer = withRetired(
      withEntry(withEntry(emptyLayer(), 'drill', hoops('A')), 'drill', { ...hoops('B'), id: 'ours' }),
      'skill',
      'casting.tuck',
    );
    expect(layerCounts(layer, { has: (kind, id) => kind === 'drill' && SHIPPED.drills.has(id) })).toEqual({
      fresh: 1,
      changed: 1,
      retired: 1,
    });
  });
});

describe('two changes of one layer', () => {
  const base = withEntry(withEntry(emptyLayer(), 'drill', hoops('Hoops')), 'fault', crack('wait'));

  it('are made one where they touch different entries', () => {
    const mine = withEntry(base, 'drill', hoops('Mine'));
    const theirs = withRetired(withEntry(base, 'fault', crack('count')), 'skill', 'casting.tuck');
    const { layer, clashes } = mergeLayers(base, mine, theirs);
    expect(clashes).toEqual([]);
    expect([layer.drills[0]?.name, layer.faults[0]?.cure, layer.retired]).toEqual([
      'Mine',
      'count',
      [{ kind: 'skill', id: 'casting.tuck' }],
    ]);
  });

  it('clash where both changed one entry otherwise: a skill renamed by two people', () => {
    const stop = SHIPPED.skills.get('casting.stop');
    const before = withEntry(emptyLayer(), 'skill', stop);
    const mine = withEntry(before, 'skill', { ...stop, name: 'Halt' });
    const theirs = withEntry(before, 'skill', { ...stop, name: 'Hard stop' });
    const { layer, clashes } = mergeLayers(before, mine, theirs);
    expect(clashes).toEqual([{ kind: 'skill', id: 'casting.stop' }]);
    expect(layer.skills[0]?.name).toBe('Halt');
    const settled = mergeLayers(before, mine, theirs, ({ id }) => id === 'casting.stop');
    expect(settled.layer.skills[0]?.name).toBe('Hard stop');
    expect(mergeLayers(before, mine, mine).clashes).toEqual([]);
    expect(mergeLayers(before, mine, withoutEntry(before, 'skill', stop.id)).clashes).toHaveLength(1);
  });

  it('lose nothing: with nothing done by one the other’s stands, whichever it is', () => {
    const anyLayer = fc
      .array(fc.tuple(fc.constantFrom('a', 'b', 'c'), fc.constantFrom('x', 'y'), fc.boolean()))
      .map((steps) =>
        steps.reduce<Layer>(
          (layer, [id, name, retire]) =>
            retire ? withRetired(layer, 'drill', id) : withEntry(layer, 'drill', { ...hoops(name), id }),
          emptyLayer(),
        ),
      );
    const told = ({ drills, retired }: Layer): string[] =>
      [...drills.map(({ id, name }) => `${id} ${name}`), ...retired.map(({ id }) => `${id} retired`)].sort();
    fc.assert(
      fc.property(anyLayer, anyLayer, (before, after) => {
        expect(told(mergeLayers(before, after, before).layer)).toEqual(told(after));
        expect(told(mergeLayers(before, before, after).layer)).toEqual(told(after));
      }),
    );
  });
});
