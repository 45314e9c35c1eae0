export * from './here-question';
export * from './questions-here';
