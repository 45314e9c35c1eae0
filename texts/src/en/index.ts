export * from './conditions';
export * from './plan-problems';
export * from './rig-problems';
