export * from './unroll';
