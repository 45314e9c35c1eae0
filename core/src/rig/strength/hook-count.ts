import { DRESSINGS } from '../tackle/dressings';
import type { Fly, Rig } from '../rig';

/**
 * Hooks on a rig, as a rule card counts them; a yarn tuft has none.
 *
 * @returns how many, 0 or more
 */
export function hookCount(rig: Rig): number {
  return rig.flies.filter(hasHook).length;
}

/**
 * The rig with only these flies. A section that hung from the bend or eye of a fly taken off is tied to the leader
 * above it instead.
 */
export function withFlies(rig: Rig, flies: readonly Fly[]): Rig {
  const freed = new Set(
    rig.flies.flatMap((fly) => (fly.at.kind === 'inline' && !flies.includes(fly) ? [fly.at.sectionId] : [])),
  );
  return {
    ...rig,
    flies: [...flies],
    sections: rig.sections.map((section) =>
      freed.has(section.id) ? { ...section, joint: 'triple-surgeon' } : section,
    ),
  };
}

/**
 * The rig with flies above the point fly taken off until it has no more hooks than this; the point fly stays.
 *
 * @param most hooks, 0 or more
 */
export function withHooks(rig: Rig, most: number): Rig {
  const spare = rig.flies.filter((fly) => fly.at.kind !== 'point' && hasHook(fly));
  const off = spare.slice(0, Math.max(0, hookCount(rig) - most));
  return off.length === 0
    ? rig
    : withFlies(
        rig,
        rig.flies.filter((fly) => !off.includes(fly)),
      );
}

function hasHook({ dressing }: Fly): boolean {
  return DRESSINGS[dressing].hook;
}
