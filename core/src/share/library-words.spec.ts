import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { blockFromDrill, emptyPlan } from '../plan';
import { buildRig } from '../rig';
import { libraryWords } from './library-words';

const plan = (change: object = {}) => ({
  title: 'Über the Ford',
  body: {
    ...emptyPlan(),
    ...{ aim: 'One drift each, one', season: 'ice-off', waterKind: 'river' as const },
    blocks: [{ ...blockFromDrill(SHIPPED.drills.get('count-the-pause'), 'b', 0), note: 'Mind the heron' }],
    rigs: [{ id: 'r', name: 'Two nymphs', rig: buildRig('indicator-nymph') }],
    ...change,
  },
});
const words = (of = plan()): string[] => libraryWords(SHIPPED, of).split(' ');

describe('the words by which a plan is found', () => {
  it('are of its title, aim, blocks, drills, skills, faults and rigs', () =>
    expect(words()).toEqual(
      expect.arrayContaining([
        'über',
        'ford',
        'drift',
        'ice',
        'river',
        'pause',
        'heron',
        'casting',
        'nymphs',
      ]),
    ));

  it('are each there once, in small letters', () => {
    expect(new Set(words()).size).toBe(words().length);
    expect(words().filter((word) => word !== word.toLowerCase())).toEqual([]);
  });

  it('are bounded, however long the plan', () => {
    const note = Array.from({ length: 900 }, (_, i) => `w${i}`).join(' ');
    const blocks = Array.from({ length: 40 }, (_, n) => ({
      ...blockFromDrill(SHIPPED.drills.get('count-the-pause'), `b${n}`, 5 * n),
      note: note.replaceAll('w', `w${n}x`),
    }));
    expect(libraryWords(SHIPPED, plan({ blocks })).length).toBe(20_000);
  });
});
