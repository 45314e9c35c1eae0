export * from './people';
export * from './scenario';
export { DEMO_RIGS, FIRST_NYMPHS } from './plans';
