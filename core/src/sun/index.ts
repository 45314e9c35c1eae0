export * from './sun-times';
