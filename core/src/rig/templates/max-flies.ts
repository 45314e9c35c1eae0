import type { RigTemplate } from './template';

/**
 * Flies that a rig can carry; one dropper where its sections were made by hand.
 *
 * @returns 1…3
 */
export function maxFlies(template: RigTemplate, byHand: boolean): number {
  return byHand ? 2 : (template.maxFlies ?? 2);
}
