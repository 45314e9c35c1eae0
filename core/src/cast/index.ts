export * from './unroll';
export * from './tip-path';
export * from './loop-cast';
export * from './loop';
export * from './loop-signs';
export * from './casts';
