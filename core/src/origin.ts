/** Where a figure is from, the surest first. Nothing that is typical, simulated or computed may stop a lesson by itself. */
export const ORIGINS = ['measured', 'entered', 'typical', 'simulated', 'computed'] as const;
export type Origin = (typeof ORIGINS)[number];

/** Whether somebody found or said it, so that a rule may hold it against a plan. */
export function isSaid(origin: Origin): boolean {
  return origin === 'measured' || origin === 'entered';
}
