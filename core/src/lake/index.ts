export * from './lake';
export * from './grid';
export * from './retrieve';
export * from './chop';
export * from './fan';
export * from './suggest';
