export { canonicalText, planHash, type SharedPlan } from './canonical';
export * from './difference';
export * from './merge';
