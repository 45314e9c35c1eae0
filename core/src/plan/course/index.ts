export * from './practice';
export * from './forecast';
export * from './plan-course';
export * from './slipped';
