import type { SkillStage } from '@doceo/core';

/** The three words on a skill of a student. */
export const STAGES: Record<SkillStage, string> = {
  'not-seen': 'not seen',
  learning: 'learning',
  'has-it': 'has it',
};
