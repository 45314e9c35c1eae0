export * from './drill';
export * from './gear';
export * from './library';
