export * from './length';
export * from './force';
