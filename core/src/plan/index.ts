export * from './plan';
export * from './carried';
export * from './timing';
export * from './edits';
export * from './rules';
export * from './rig-uses';
export * from './places';
export * from './running-order';
