export * from './water';
export * from './season';
