export * from './catalogue';
export * from './rates';
