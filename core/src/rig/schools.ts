import { indicatorOf } from './leader/leader-geometry';
import type { Rig, RigSchools } from './rig';

/** The disagreements that make a difference to a rig. */
export function schoolsOf(rig: Rig): (keyof RigSchools)[] {
  return [
    ...(indicatorOf(rig) && rig.template === 'indicator-nymph' ? (['indicator'] as const) : []),
    ...(rig.fittings.some(({ kind }) => kind === 'shot') ? (['shot'] as const) : []),
    ...(rig.template === 'dry-dropper' ? (['dropper'] as const) : []),
    ...(rig.template === 'tight-line' && rig.flies.length > 1 ? (['heaviest'] as const) : []),
  ];
}

/** The disagreements in which a rig goes another way than these schools. */
export function schoolDifferences(rig: Rig, mine: RigSchools): (keyof RigSchools)[] {
  return schoolsOf(rig).filter((key) => rig.schools[key] !== mine[key]);
}
