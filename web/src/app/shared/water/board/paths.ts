import type { Point } from '@doceo/core';

/** A closed path through the corners of a shape. */
export function pathOf(shape: readonly Point[]): string {
  return shape.length === 0 ? '' : `M${shape.map(({ x, y }) => `${x} ${y}`).join('L')}Z`;
}
