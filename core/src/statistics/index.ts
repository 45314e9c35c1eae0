export * from './mean-interval';
export * from './normal';
export * from './share-interval';
