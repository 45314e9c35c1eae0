import { DRESSINGS } from '../tackle/dressings';
import type { RigRule } from './rule';

/** Barbs at a barbless water. What nobody has said of a fly is asked for; a barb that is known is not allowed. */
export const barbs: RigRule = (rig, { water }) => {
  if (!water?.rules.barbless) return [];
  const hooks = rig.flies.filter(({ dressing }) => DRESSINGS[dressing].hook);
  const barbed = hooks.filter(({ barb }) => barb === 'barbed');
  const said = barbed.length > 0;
  const flies = (said ? barbed : hooks.filter(({ barb }) => barb === undefined)).map(({ name }) => name);
  if (flies.length === 0) return [];
  const change = { ...rig, flies: rig.flies.map((fly) => ({ ...fly, barb: 'flat' as const })) };
  return [
    {
      ...{ id: 'barbs', rule: 'barbs', level: said ? 'must-fix' : 'check' },
      facts: { water: water.name, flies, said },
      fixes: [{ does: 'barbs-flat', change }],
    },
  ];
};
