export * from './adapt';
