import { DRESSINGS } from '../tackle/dressings';
import type { RigContext, RigRule } from './rule';
import type { Rig } from '../rig';

/** Below a floating fly: no split shot, and nothing on the bend of a barbless hook that a fish may slide off. */
export const dropperRules: RigRule = (rig, context) => {
  const dry = rig.flies.find(({ dressing }) => DRESSINGS[dressing].stage === 'adult');
  if (!dry || rig.flies.length < 2) return [];
  return [...shotBelowDry(rig, dry.name), ...onBarblessBend(rig, dry.name, context)];
};

function shotBelowDry(rig: Rig, dryName: string): ReturnType<RigRule> {
  const shot = rig.fittings.filter(({ kind }) => kind === 'shot');
  if (shot.length === 0) return [];
  return [
    {
      id: 'shot-below-dry',
      rule: 'shot-below-dry',
      level: 'check',
      facts: { dry: dryName, shot: shot.length },
      fixes: [
        {
          does: 'shot-off',
          change: { ...rig, fittings: rig.fittings.filter(({ kind }) => kind !== 'shot') },
        },
      ],
    },
  ];
}

function onBarblessBend(rig: Rig, dryName: string, { water }: RigContext): ReturnType<RigRule> {
  const hangs = rig.flies.some(({ at }) => at.kind === 'inline');
  if (!hangs || rig.schools.dropper !== 'bend' || !water?.rules.barbless) return [];
  return [
    {
      id: 'dropper-on-barbless-bend',
      rule: 'dropper-on-barbless-bend',
      level: 'tip',
      facts: { dry: dryName, water: water.name },
      fixes: [],
    },
  ];
}
