export * from './adapt';
export * from './cast-reach';
