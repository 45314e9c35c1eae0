import { inject, Injectable } from '@angular/core';
import { type Block, nextStart, type PlanBody, type PlanEdit } from '@doceo/core';
import { UserStorage } from '../data/device/user-storage';

/** Blocks on their way from one place of a plan to another, or to another plan. */
@Injectable({ providedIn: 'root' })
export class PlanClipboard {
  private readonly kept = inject(UserStorage).value<Block[]>('plan.copied', []);
  readonly blocks = this.kept.asReadonly();

  copy(blocks: readonly Block[]): void {
    this.kept.set([...blocks]);
  }

  /**
   * What puts the copies at the end of a plan, as far apart as they were; a rig that the plan does not carry stays behind.
   */
  paste({ rigs, ...plan }: PlanBody): PlanEdit {
    const blocks = this.kept();
    const from = Math.min(...blocks.map(({ startMin }) => startMin));
    const at = nextStart({ ...plan, rigs });
    return {
      kind: 'all',
      edits: blocks.map((block): PlanEdit => ({
        kind: 'add',
        block: {
          ...block,
          id: crypto.randomUUID(),
          startMin: at + block.startMin - from,
          lane: block.lane !== null && block.lane < plan.groupSize ? block.lane : null,
          rigId: rigs.some(({ id }) => id === block.rigId) ? block.rigId : null,
        },
      })),
    };
  }
}
