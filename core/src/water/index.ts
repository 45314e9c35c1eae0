export * from './food';
export * from './water';
export * from './season';
export * from './fish-window';
export * from './wading';
export * from './comfort';
export * from './strike-zone';
