export * from './chain';
export * from './frame-at';
export * from './length';
