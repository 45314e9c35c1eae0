export * from './better-plans';
