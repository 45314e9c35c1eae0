import { buildRig, classKit, diameterOfX } from '@doceo/core';
import { kitInWords } from './class-kit';

const material = (diameterM: number, count: number) => ({
  thing: { kind: 'material' as const, material: 'copolymer' as const, diameterM, strengthN: 18.6 },
  ...{ count, unit: 'm' as const, spares: 0 },
});

describe('a class’s kit in words', () => {
  it('lies in the order in which it is packed, each group by name', () => {
    const use = {
      ...{ rig: buildRig('indicator-nymph'), name: 'Two nymphs', hours: 0 },
      students: [{ name: 'Sam', tanglesPerHour: null }],
    };
    const lines = kitInWords(classKit([use]), 'metric');
    expect([...new Set(lines.map(({ group }) => group))]).toEqual([
      'leader material',
      'flies',
      'shot',
      'indicators',
      'fly lines',
    ]);
    const names = lines.filter(({ group }) => group === 'leader material').map(({ name }) => name);
    expect(names).toEqual([...names].sort((a, b) => a.localeCompare(b, 'en')));
    expect(lines.at(-1)).toEqual({
      group: 'fly lines',
      name: '5-weight, floating',
      count: 1,
      unit: 'pieces',
      spares: 0,
    });
  });

  it('is one line where two things have the same name in these units', () => {
    const lines = kitInWords([material(diameterOfX(5), 2), material(diameterOfX(5) + 1e-7, 1.5)], 'metric');
    expect(lines).toEqual([expect.objectContaining({ name: 'copolymer 5X, 1.9 kg', count: 3.5 })]);
  });

  it('tells a bought leader by its length and what it ends in', () => {
    const leader = { kind: 'tapered-leader' as const, lengthM: 2.4, endM: diameterOfX(4) };
    const name = (units: 'metric' | 'imperial') =>
      kitInWords([{ thing: leader, count: 1, unit: 'pieces', spares: 0 }], units)[0]?.name;
    expect(name('metric')).toBe('tapered leader 2.40 m to 4X');
    expect(name('imperial')).toBe('tapered leader 7 ft 10.5 in to 4X');
  });
});
