export * from './event';
export * from './log';
export * from './correct';
export * from './drill-counter';
export * from './tangle-rate';
export * from './tap-tempo';
export * from './search';
