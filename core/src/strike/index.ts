export * from './set-geometry';
export * from './take-score';
