export * from './local';
