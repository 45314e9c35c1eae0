export * from './chain';
export * from './length';
