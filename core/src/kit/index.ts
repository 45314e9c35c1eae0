export * from './kit';
export * from './kit-needs';
