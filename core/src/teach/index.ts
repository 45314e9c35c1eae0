export * from './what-next';
