export * from './local';
export * from './place-text';
