export * from './canonical';
export * from './coming';
export * from './difference';
export * from './effect-pool';
export * from './library-fit';
export * from './merge-sides';
export * from './merge';
export * from './library-words';
