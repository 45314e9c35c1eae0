export * from './student-simulator';
export * from './school';
export * from './calibration';
