import type { Question } from '../question';
import { CASTING_QUESTIONS } from './questions/casting';
import { HOOK_SETTING_QUESTIONS } from './questions/hook-setting';
import { LAKE_QUESTIONS } from './questions/lake';
import { RIGGING_QUESTIONS } from './questions/rigging';
import { SAFETY_CARE_QUESTIONS } from './questions/safety-care';
import { WATER_QUESTIONS } from './questions/water';

/** Questions that ship. */
export const SHIPPED_QUESTIONS: readonly Question[] = [
  ...CASTING_QUESTIONS,
  ...RIGGING_QUESTIONS,
  ...HOOK_SETTING_QUESTIONS,
  ...WATER_QUESTIONS,
  ...LAKE_QUESTIONS,
  ...SAFETY_CARE_QUESTIONS,
];
