export type { RigTemplate, TemplateParameters } from './template';
export * from './max-flies';
export * from './templates';
