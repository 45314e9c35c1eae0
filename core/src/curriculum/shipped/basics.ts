import { emptyLayer, type Layer } from '../layer';
import { CASTING_DRILLS } from './drills/casting';
import { MORE_CASTING_DRILLS } from './drills/casting-further';
import { HOOK_SETTING_DRILLS } from './drills/hook-setting';
import { MORE_HOOK_SETTING_DRILLS } from './drills/hook-setting-further';
import { LAKE_DRILLS } from './drills/lake';
import { RIGGING_DRILLS } from './drills/rigging';
import { MORE_RIGGING_DRILLS } from './drills/rigging-table';
import { SAFETY_CARE_DRILLS } from './drills/safety-care';
import { MORE_SAFETY_CARE_DRILLS } from './drills/safety-care-further';
import { WADING_DRILLS } from './drills/wading';
import { WATER_DRILLS } from './drills/water-choice';
import { MORE_WATER_DRILLS } from './drills/water-further';
import { CAST_SET_FISH_FAULTS } from './faults/cast-set-fish';
import { RIG_WATER_SAFETY_FAULTS } from './faults/rig-water-safety';
import { CASTING_SKILLS } from './skills/casting';
import { HOOK_SETTING_SKILLS } from './skills/hook-setting';
import { RIGGING_SKILLS } from './skills/rigging';
import { SAFETY_CARE_SKILLS } from './skills/safety-care';
import { WATER_SKILLS } from './skills/water-choice';

/** What ships, without its questions: those are many, and not needed for the first screen. */
export const SHIPPED_BASICS: Layer = {
  ...emptyLayer(),
  skills: [
    ...CASTING_SKILLS,
    ...RIGGING_SKILLS,
    ...HOOK_SETTING_SKILLS,
    ...WATER_SKILLS,
    ...SAFETY_CARE_SKILLS,
  ],
  faults: [...CAST_SET_FISH_FAULTS, ...RIG_WATER_SAFETY_FAULTS],
  drills: [
    ...SAFETY_CARE_DRILLS,
    ...MORE_SAFETY_CARE_DRILLS,
    ...CASTING_DRILLS,
    ...MORE_CASTING_DRILLS,
    ...RIGGING_DRILLS,
    ...MORE_RIGGING_DRILLS,
    ...HOOK_SETTING_DRILLS,
    ...MORE_HOOK_SETTING_DRILLS,
    ...WATER_DRILLS,
    ...MORE_WATER_DRILLS,
    ...WADING_DRILLS,
    ...LAKE_DRILLS,
  ],
};
