export * from './retention-due';
