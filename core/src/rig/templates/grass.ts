import { COMMON, frame, pointOf, type RigTemplate, taperedLeader } from './template';

/** A worn leader with a yarn tuft and no hook, for grass. */
export const grass: RigTemplate = {
  id: 'grass',
  name: 'Beginner’s grass rig',
  purpose: 'Shows the loop and hurts nobody: a bright tuft, no hook.',
  water: 'mown grass, no water',
  cues: ['Watch the tuft behind you.', 'Glasses on all the same.'],
  uses: ['rodLengthM', 'lineWeight'],
  defaults: { ...COMMON, tippetX: 2 },
  lies: 'grass',
  build: (parameters) => ({
    ...frame('grass', parameters),
    sections: taperedLeader(2.3, 2),
    flies: [pointOf('yarn tuft', { dressing: 'yarn', hookSize: 8 })],
  }),
};
