export * from './seeded-random';
export * from './deterministic-id';
