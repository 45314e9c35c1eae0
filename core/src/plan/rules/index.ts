export * from './rule';
export * from './plan-problems';
