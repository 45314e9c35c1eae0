export * from './cold-water';
export * from './consent';
export * from './hook-distance';
