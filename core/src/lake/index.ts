export * from './lake';
export * from './grid';
export * from './retrieve';
export * from './chop';
export type { FanParts, FanStand } from './fan';
export type { LakeCaster } from './group-fans';
export * from './suggest';
