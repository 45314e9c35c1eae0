import { cutList } from './cut-list';
import { boughtLeaders, trimLeader } from './bought-leader';
import { classKit } from '../figures/class-kit';
import { linksTo } from '../strength/strength';
import { leaderLength, pointFly } from './leader-geometry';
import { buildRig } from '../templates';
import { diameterOfX } from '../tackle/x-size';

const dry = buildRig('dry-fly');

describe('a bought tapered leader', () => {
  it('is one piece, whatever sections tell its taper', () => {
    expect(boughtLeaders(dry)).toHaveLength(1);
    expect(boughtLeaders(dry)[0]).toMatchObject({
      buttM: 0.000533,
      endM: diameterOfX(4),
      sections: [{ id: 'butt' }, { id: 'taper' }, { id: 'taper-lower' }, { id: 'end' }],
    });
    expect(boughtLeaders(dry)[0]?.lengthM).toBeCloseTo(2.4, 9);
    expect(boughtLeaders(buildRig('indicator-nymph'))).toEqual([]);
  });

  it('has no knots inside', () =>
    expect(
      linksTo(dry, pointFly(dry)!)
        .filter(({ kind }) => kind === 'knot')
        .map(({ id }) => id),
    ).toEqual(['butt/joint', 'tippet/joint', 'point/knot']));

  it('is not cut from spools, and packed as a leader', () => {
    expect(cutList(dry).map(({ material }) => material)).toEqual(['limp-nylon']);
    const uses = [
      {
        rig: dry,
        name: 'Dry',
        hours: 0,
        students: [
          { name: 'a', tanglesPerHour: null },
          { name: 'b', tanglesPerHour: null },
        ],
      },
    ];
    expect(classKit(uses).filter(({ thing }) => thing.kind === 'tapered-leader')).toEqual([
      {
        thing: { kind: 'tapered-leader', lengthM: 2.4, endM: diameterOfX(4) },
        unit: 'pieces',
        count: 2,
        spares: 0,
      },
    ]);
  });

  it('trimmed at the tip is shorter and ends thicker', () => {
    const trimmed = trimLeader(dry, 'end', 'tip', 0.6);
    expect(leaderLength(dry) - leaderLength(trimmed)).toBeCloseTo(0.6, 9);
    expect(trimmed.sections.map(({ id }) => id)).toEqual(['butt', 'taper', 'taper-lower', 'tippet']);
    expect(boughtLeaders(trimmed)[0]?.endM).toBe(0.00033);
    expect(boughtLeaders(trimmed)[0]?.buttM).toBe(0.000533);
  });

  it('trimmed at the butt is shorter, ends the same, and is looped to the line as before', () => {
    const trimmed = trimLeader(dry, 'taper', 'butt', 1.2);
    expect(leaderLength(dry) - leaderLength(trimmed)).toBeCloseTo(1.2, 9);
    expect(boughtLeaders(trimmed)[0]).toMatchObject({ buttM: 0.000432, endM: diameterOfX(4) });
    expect(trimmed.sections[0]?.joint).toBe('loop-to-loop');
  });

  it.each(['tip', 'butt'] as const)('cannot be trimmed away at the %s', (end) => {
    const trimmed = trimLeader(dry, 'butt', end, 50);
    expect(leaderLength(trimmed)).toBeCloseTo(0.3 + 1.1, 9);
  });

  it('leaves a tied leader alone', () => {
    const tied = buildRig('indicator-nymph');
    expect(trimLeader(tied, 'butt', 'tip', 0.2)).toBe(tied);
  });

  it('brings an indicator nearer when the tip is cut below it', () => {
    const withFloat = {
      ...dry,
      fittings: [
        {
          id: 'indicator',
          kind: 'indicator' as const,
          style: 'yarn' as const,
          diameterM: 0.01,
          aboveFlyM: 2.6,
        },
      ],
    };
    expect(trimLeader(withFloat, 'end', 'tip', 0.5).fittings[0]?.aboveFlyM).toBeCloseTo(2.1, 9);
    expect(trimLeader(withFloat, 'end', 'butt', 0.5).fittings[0]?.aboveFlyM).toBeCloseTo(2.6, 9);
  });
});
