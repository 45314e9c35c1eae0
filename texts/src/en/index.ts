export * from './rig-problems';
