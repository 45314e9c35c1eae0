export * from './conditions';
export * from './here-questions';
export * from './needs';
export * from './plan-problems';
export type { Evidence, ProblemInWords } from './problem';
export * from './rig-problems';
export * from './stages';
export * from './warm-water';
export { listed } from './words';
