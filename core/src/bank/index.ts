export * from './event';
export * from './log';
export * from './drill-counter';
