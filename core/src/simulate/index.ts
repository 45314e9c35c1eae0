export * from './student-simulator';
