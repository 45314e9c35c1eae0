export * from './lane';
export * from './step';
export * from './score';
export * from './later';
