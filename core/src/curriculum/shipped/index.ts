export * from './shipped';
