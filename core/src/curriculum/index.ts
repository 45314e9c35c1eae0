export * from './curriculum';
export * from './layer';
export * from './question';
export * from './edit-layer';
export * from './merge-layers';
export * from './check';
export { circleOfNeeds, faultsOfStrand, skillGraph } from './skill-graph';
export { SHIPPED_BASICS } from './shipped/basics';
