export * from './polygon';
