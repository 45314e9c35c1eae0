export type { KnotMisfit, RigFacts, RigFix, RigProblem } from './rule';
export * from './rig-problems';
