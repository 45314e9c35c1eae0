export * from './lake';
export * from './grid';
export * from './retrieve';
export * from './chop';
export { type FanParts, type FanStand, THIN_WATER_M } from './fan';
export * from './suggest';
