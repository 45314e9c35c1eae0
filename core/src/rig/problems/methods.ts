import { type Dressing, DRESSINGS } from '../tackle/dressings';
import type { Rig } from '../rig';
import type { RigPart } from '../rig-part';
import { fittingPart } from '../strength/net-reach';
import type { RigProblem, RigRule } from './rule';

/** Flies of these are fished under the surface. */
const SINKS: readonly Dressing['stage'][] = ['nymph', 'wet', 'streamer'];

/** Parts of a rig that the water's card does not allow: a float, shot, or a fly that sinks. */
export const methods: RigRule = (rig, { water }) =>
  (water?.rules.forbidden ?? []).flatMap((method): RigProblem[] => {
    if (method === 'wading' || !water) return [];
    const found = FOUND[method](rig);
    if (found.parts.length === 0) return [];
    return [
      {
        ...{ id: `method-not-allowed/${method}`, rule: 'method-not-allowed', level: 'must-fix' },
        facts: { water: water.name, method, parts: found.parts },
        fixes: found.fixes,
      },
    ];
  });

type Found = { parts: RigPart[]; fixes: RigProblem['fixes'] };

const FOUND: Record<'float' | 'shot' | 'sinking-fly', (rig: Rig) => Found> = {
  float: (rig) => ({
    parts: rig.fittings.filter(({ kind }) => kind === 'indicator').map(fittingPart),
    fixes: [{ does: 'float-off', change: without(rig, 'indicator') }],
  }),
  shot: (rig) => ({
    parts: rig.fittings.filter(({ kind }) => kind === 'shot').map(fittingPart),
    fixes: [{ does: 'shot-off', change: without(rig, 'shot') }],
  }),
  // Which fly is put in its place is the instructor's to say.
  'sinking-fly': (rig) => ({
    parts: rig.flies
      .filter(({ dressing, bead }) => bead !== 'none' || SINKS.includes(DRESSINGS[dressing].stage))
      .map(({ name }) => ({ kind: 'fly', name })),
    fixes: [],
  }),
};

function without(rig: Rig, kind: Rig['fittings'][number]['kind']): Rig {
  return { ...rig, fittings: rig.fittings.filter((fitting) => fitting.kind !== kind) };
}
