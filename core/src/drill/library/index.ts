import { CoreError } from '../../error';
import type { Drill } from '../drill';
import { CASTING_DRILLS } from './casting';
import { HOOK_SETTING_DRILLS } from './hook-setting';
import { RIGGING_DRILLS } from './rigging';
import { SAFETY_CARE_DRILLS } from './safety-care';
import { WATER_DRILLS } from './water-choice';

/** All drills that ship. */
export const DRILLS: readonly Drill[] = [
  ...SAFETY_CARE_DRILLS,
  ...CASTING_DRILLS,
  ...RIGGING_DRILLS,
  ...HOOK_SETTING_DRILLS,
  ...WATER_DRILLS,
];

const BY_ID = new Map(DRILLS.map((drill) => [drill.id, drill]));

/** The drill with this id, or undefined. */
export function findDrill(id: string): Drill | undefined {
  return BY_ID.get(id);
}

/** @throws CoreError 'unknown-id' */
export function getDrill(id: string): Drill {
  const drill = BY_ID.get(id);
  if (!drill) throw new CoreError('unknown-id', { name: 'drill', value: id });
  return drill;
}
