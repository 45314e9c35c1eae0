export * from './drill';
export * from './library';
