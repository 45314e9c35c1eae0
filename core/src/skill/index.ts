export * from './strand';
export * from './skill';
export * from './evidence';
export * from './parameters';
export * from './tracing';
export * from './record';
export * from './fit';
export * from './fitted';
