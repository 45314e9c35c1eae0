export * from './sheet';
export * from './beat';
export * from './raster';
export * from './seams';
export * from './suggest';
export * from './edits';
export * from './lanes-across';
export * from './room';
