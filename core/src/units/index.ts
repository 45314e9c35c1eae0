export * from './length';
export * from './text-in-units';
export * from './force';
export * from './probability';
export * from './mass';
export * from './temperature';
export * from './clock';
