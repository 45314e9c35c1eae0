import { indicatorOf } from './leader/leader-geometry';
import type { Rig, RigSchools } from './rig';
import { TEMPLATES } from './templates';

/** Whether a rig carries what a disagreement is about, in the order in which they are asked. */
const CONCERNS: Record<keyof RigSchools, (rig: Rig) => boolean> = {
  indicator: (rig) => indicatorOf(rig) !== undefined,
  shot: (rig) => rig.fittings.some(({ kind }) => kind === 'shot'),
  dropper: () => true,
  heaviest: (rig) => rig.flies.length > 1,
};

/** The disagreements that make a difference to a rig. */
export function schoolsOf(rig: Rig): (keyof RigSchools)[] {
  const settled = ['shot', ...(TEMPLATES[rig.template].settles ?? [])];
  return (Object.keys(CONCERNS) as (keyof RigSchools)[]).filter(
    (key) => settled.includes(key) && CONCERNS[key](rig),
  );
}

/** The disagreements in which a rig goes another way than these schools. */
export function schoolDifferences(rig: Rig, mine: RigSchools): (keyof RigSchools)[] {
  return schoolsOf(rig).filter((key) => rig.schools[key] !== mine[key]);
}
