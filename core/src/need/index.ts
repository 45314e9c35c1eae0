export * from './need';
export * from './limits';
