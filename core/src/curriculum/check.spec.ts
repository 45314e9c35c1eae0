import { canBeSeen, curriculumFaults } from './check';
import { resolveCurriculum } from './curriculum';
import { emptyLayer, type Layer } from './layer';
import { SHIPPED_CURRICULUM as SHIPPED, SHIPPED_LAYER } from './shipped';

const over = (change: Partial<Layer>) =>
  resolveCurriculum([
    { owner: 'shipped', layer: SHIPPED_LAYER },
    { owner: 'own', layer: { ...emptyLayer(), ...change } },
  ]);

describe('the check of a curriculum', () => {
  it('finds nothing wrong with what ships', () => expect(curriculumFaults(SHIPPED)).toEqual([]));

  it.each(SHIPPED.skills.all.map(({ id }) => id))('%s can get evidence, in a lesson or at home', (id) =>
    expect(canBeSeen(SHIPPED, id)).toBe(true),
  );

  it('names a skill nobody can be seen in, one without a drill, words and questions', () => {
    const skill = { ...SHIPPED.skills.get('casting.stop'), id: 'casting.new', needs: [], faults: [] };
    const of = (change: object): string[] =>
      curriculumFaults(over({ skills: [{ ...skill, ...change }] })).map(({ fault, id }) => `${fault} ${id}`);
    expect(of({ shownBy: ['drill'] })).toEqual(['no-evidence casting.new', 'no-question casting.new']);
    expect(of({})).toEqual(['no-drill casting.new', 'no-question casting.new']);
    expect(of({ good: '' })).toContain('no-words casting.new');
  });

  it('names what a drill trains and watches that is not taught, and the circle two layers make', () => {
    const hoops = SHIPPED.drills.get('hoops');
    const faults = curriculumFaults(
      over({
        drills: [{ ...hoops, watchFor: ['cast.gone'], cue: '' }],
        retired: [{ kind: 'drill', id: 'partner-is-the-river' }],
        skills: [{ ...SHIPPED.skills.get('casting.grip-stance'), needs: ['casting.stop'] }],
      }),
    ).map(({ fault, id, of }) => [fault, id, of]);
    expect(faults).toContainEqual(['unknown-fault', 'hoops', 'cast.gone']);
    expect(faults).toContainEqual(['no-words', 'hoops', null]);
    expect(faults).toContainEqual(['unknown-drill', 'tuck-on-grass', 'partner-is-the-river']);
    expect(faults.filter(([fault]) => fault === 'circle')).toHaveLength(1);
  });
});
