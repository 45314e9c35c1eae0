import type { PlanBody, PlanEdit, PlanRig } from '@doceo/core';

/** Takes a copy of a rig into a plan, for one of its blocks. */
export function withRig({ rigs }: PlanBody, { id, name, rig }: PlanRig, blockId: string): PlanEdit {
  return {
    kind: 'all',
    edits: [
      { kind: 'set', change: { rigs: [...rigs, { id, name, rig }] } },
      { kind: 'change', blockId, change: { rigId: id } },
    ],
  };
}
