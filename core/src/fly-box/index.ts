export * from './fly-box';
export * from './box';
export * from './calendar';
export * from './stone-kinds';
export * from './stones';
