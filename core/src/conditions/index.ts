export * from './hour';
export * from './station';
export * from './alerts';
export * from './profile';
export * from './readings';
export * from './windows';
