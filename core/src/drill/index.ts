export * from './drill';
