export * from './lane';
export * from './step';
export * from './score';
