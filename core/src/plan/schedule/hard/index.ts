export * from './rule';
export * from './students';
export * from './hard-faults';
