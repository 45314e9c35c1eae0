import type { Drill } from '../../../drill';
import { made } from './entry';

/** Wading: judged from the dry bank first. Local rules and the instructor decide. */
export const WADING_DRILLS: Drill[] = [
  made({
    id: 'stick-and-staff',
    name: 'Stick and staff',
    skills: ['water.wade-judgement', 'safety.wade-basic'],
    minutes: [6, 10, 15],
    ground: 'anywhere',
    group: { min: 1, max: 6 },
    supervision: 'eyes-on',
    gear: ['staffs', 'watch', 'tape', 'sticks'],
    cue: 'How deep, how fast, where out?',
    how: [
      'From the dry bank: time a stick over five metres, guess the depth by the staff.',
      'Depth times speed against the bar of the card: is that a crossing for him?',
      'Name the way out below before anybody is wet. Local rules and the instructor decide.',
    ],
    done: [3, 4, 'says no where the card says no'],
    watch: ['water.wades-deep', 'safety.no-belt'],
    perMin: 0.3,
    adaptations: [{ need: 'cannot-swim', stand: 'on the dry bank', words: 'Judges, does not wade.' }],
  }),
  made({
    id: 'turn-back',
    name: 'The turn back',
    skills: ['water.wade-judgement', 'safety.wade-basic'],
    minutes: [8, 12, 15],
    ground: 'river',
    group: { min: 1, max: 3 },
    supervision: 'eyes-on',
    dryLand: 'On grass: shuffle to a rope, plant the staff, turn upstream, come back.',
    gear: ['staffs', 'belts', 'glasses'],
    cue: 'Plant, turn upstream, back.',
    how: [
      'Shin deep, the instructor below. Three steps out, staff upstream, stop when told.',
      'Turn with the chest into the stream and come back on the same stones.',
      'Who says “this is far enough” himself has passed.',
    ],
    done: [2, 2, 'turns by himself, three points down'],
    watch: ['water.wades-deep', 'safety.no-belt'],
    perMin: 0.2,
    adaptations: [
      { need: 'cannot-swim', insteadId: 'stick-and-staff', words: 'From the dry bank.' },
      {
        need: 'afraid-of-deep-water',
        insteadId: 'stick-and-staff',
        words: 'From the dry bank, until he asks for more.',
      },
      { need: 'seated', insteadId: 'stick-and-staff', words: 'From the dry bank.' },
    ],
  }),
];
