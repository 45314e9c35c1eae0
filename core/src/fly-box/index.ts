export * from './box';
export * from './calendar';
