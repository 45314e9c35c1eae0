export * from './people';
export * from './scenario';
export { FELLOW_SCHOOLS } from './rig-bench';
export { DEMO_RIGS, FIRST_NYMPHS } from './plans';
export { DEMO_KIT } from './kit';
export { DEMO_OUTCOMES } from './outcomes';
export { demoWaters } from './waters';
export { GRASS_PROPOSAL, GRASS_QUESTION, type LineageStep, RIFFLE_COPY } from './lineage';
