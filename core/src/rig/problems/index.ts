export type { KnotMisfit, RigFacts, RigFix, RigProblem, TiedLine } from './rule';
export * from './rig-problems';
