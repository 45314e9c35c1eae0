import { TestBed } from '@angular/core/testing';
import { applyEdit, type Block, blockFromDrill, emptyPlan, type PlanBody } from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { RIG } from '../../testing/fixtures';
import { PlanClipboard } from './plan-clipboard';

const block = (id: string, startMin: number, lane: number | null): Block => ({
  ...blockFromDrill(SHIPPED.drills.get('hoops'), id, startMin, lane),
  ...{ durationMin: 10, rigId: RIG.id },
});

describe('blocks that are copied', () => {
  const pasted = (plan: PlanBody): Block[] => {
    const clipboard = TestBed.inject(PlanClipboard);
    clipboard.copy([block('a', 30, 0), block('b', 45, 3)]);
    return applyEdit(SHIPPED, plan, clipboard.paste(plan)).blocks;
  };

  it('come to the end of a plan, as far apart as they were', () => {
    const there = { ...block('x', 0, null), rigId: null };
    const rigs = [{ id: RIG.id, name: RIG.name, rig: RIG.rig }];
    const blocks = pasted({ ...emptyPlan(), groupSize: 4, blocks: [there], rigs });
    expect(blocks.map(({ startMin, lane, rigId }) => [startMin, lane, rigId])).toEqual([
      [0, null, null],
      [10, 0, RIG.id],
      [25, 3, RIG.id],
    ]);
    expect(new Set(blocks.map(({ id }) => id)).size).toBe(3);
  });

  it('leave behind a rig that the plan does not carry, and a place that it has not', () => {
    const blocks = pasted({ ...emptyPlan(), groupSize: 2 });
    expect(blocks.map(({ lane, rigId }) => [lane, rigId])).toEqual([
      [0, null],
      [null, null],
    ]);
  });
});
