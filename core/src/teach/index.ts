export * from './what-next';
export * from './debrief';
export * from './student-letter';
export * from './moved';
export * from './effect';
export * from './effect-sums';
export * from './readiness';
export * from './here';
