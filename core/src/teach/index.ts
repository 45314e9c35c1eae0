export * from './what-next';
export * from './debrief';
export * from './student-letter';
export * from './moved';
export * from './effect';
export { type Effect, MIN_EFFECT, MIN_EFFECT_STUDENTS } from './effect-sums';
export * from './readiness';
export * from './here';
