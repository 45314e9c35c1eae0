export * from './set-geometry';
export * from './take-score';
export * from './trainer';
export * from './trainer-score';
