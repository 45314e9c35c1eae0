export * from './strand';
export type { Skill } from './skill';
export * from './graph';
export * from './tracing';
export * from './record';
export * from './fit';
export * from './fitted';
