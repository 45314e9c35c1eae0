export * from './drill';
export * from './thing';
