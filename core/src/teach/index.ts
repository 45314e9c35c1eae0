export * from './what-next';
export * from './debrief';
export * from './student-letter';
export * from './moved';
export * from './effect';
export * from './readiness';
export * from './fault-priority';
export * from './here';
