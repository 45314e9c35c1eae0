export * from './filament';
export * from './surface-drift';
