export * from './box';
export * from './calendar';
export * from './stones';
