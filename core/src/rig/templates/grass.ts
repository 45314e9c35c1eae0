import { COMMON, frame, pointOf, type RigTemplate, taperedLeader } from './template';

/** A worn leader with a yarn tuft and no hook, for grass. */
export const grass: RigTemplate = {
  id: 'grass',
  uses: ['rodLengthM', 'lineWeight'],
  defaults: { ...COMMON, tippetX: 2 },
  lies: 'grass',
  build: (parameters) => ({
    ...frame('grass', parameters),
    sections: taperedLeader(2.3, 2),
    flies: [pointOf('yarn tuft', { dressing: 'yarn', hookSize: 8 })],
  }),
};
