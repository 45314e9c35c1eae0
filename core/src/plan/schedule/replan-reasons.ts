export const REPLAN_REASONS = ['late', 'thunder', 'wind', 'rising', 'absent'] as const;
/** Why a lesson goes on otherwise than it was planned. */
export type ReplanReason = (typeof REPLAN_REASONS)[number];
