export { canonicalPlan, canonicalText, planHash, type SharedPlan } from './canonical';
export * from './coming';
export * from './difference';
export * from './merge';
