import { buildRig, measurablesOf, type RigPart } from '@doceo/core';
import { measurableText, rigPartText } from './rig-parts';

describe('parts of a rig in words', () => {
  it.each<[RigPart, string]>([
    [{ kind: 'joint', knot: 'blood', upper: 'mid', lower: 'tippet' }, 'blood, mid to tippet'],
    [{ kind: 'joint', knot: 'nail', upper: null, lower: 'butt' }, 'nail, fly line to butt'],
    [{ kind: 'tag', fly: 'pupa' }, 'tag of the pupa'],
    [{ kind: 'fly-knot', knot: 'clinch', fly: 'pupa' }, 'clinch at the pupa'],
    [{ kind: 'shot', metal: 'lead' }, 'lead shot'],
    [{ kind: 'indicator', style: 'yarn' }, 'yarn indicator'],
    [{ kind: 'knot', knot: 'tippet-ring' }, 'tippet ring'],
  ])('%j', (part, words) => expect(rigPartText(part)).toBe(words));

  it('tells what a scale or a bucket measures of a rig', () =>
    expect(measurablesOf(buildRig('indicator-nymph')).map(measurableText)).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^#\d+ point nymph weighs$/),
        expect.stringMatching(/^#\d+ point nymph sinks$/),
        'tag of the dropper nymph, unknotted',
        'fixed indicator carries',
        expect.stringMatching(/ in fluorocarbon$/),
      ]),
    ));
});
