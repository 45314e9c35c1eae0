export * from './caster';
export * from './assign';
export * from './score';
