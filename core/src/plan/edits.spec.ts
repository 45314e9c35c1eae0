import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import fc from 'fast-check';

import { applyEdit, blockFromDrill, drillSuits, nextStart, plainBlock, type PlanEdit } from './edits';
import { type Block, emptyPlan, type PlanBody, STEP_MIN } from './plan';
import { blocksOfLane, endOf, gearList, planEnd, shareLane, strandShares } from './timing';

const GROUP = 3;
const IDS = ['a', 'b', 'c', 'd', 'e', 'f'];

const laneOf = fc.option(fc.integer({ min: 0, max: GROUP - 1 }), { nil: null });
const minuteOf = fc.integer({ min: 0, max: 240 });
const drillOf = fc.constantFrom(...SHIPPED.drills.all.map(({ id }) => id));

const blockOf = (id: string): fc.Arbitrary<Block> =>
  fc
    .tuple(drillOf, minuteOf, laneOf, fc.boolean())
    .map(([drill, startMin, lane, plain]) =>
      plain
        ? { ...plainBlock('break', 'Tea', id, startMin, 10), lane }
        : blockFromDrill(SHIPPED.drills.get(drill), id, Math.round(startMin / STEP_MIN) * STEP_MIN, lane),
    );

/** Plans as the interface makes them: block after block put somewhere. */
const planOf: fc.Arbitrary<PlanBody> = fc.tuple(...IDS.map(blockOf)).map((blocks) =>
  blocks.reduce<PlanBody>((plan, block) => applyEdit(SHIPPED, plan, { kind: 'add', block }), {
    ...emptyPlan(),
    groupSize: GROUP,
    lengthMin: 120,
  }),
);

const editOf: fc.Arbitrary<PlanEdit> = fc.constantFrom(...IDS).chain((blockId) =>
  fc.oneof(
    fc.record({
      kind: fc.constant('move' as const),
      blockId: fc.constant(blockId),
      startMin: minuteOf,
      lane: laneOf,
    }),
    fc.record({
      kind: fc.constant('resize' as const),
      blockId: fc.constant(blockId),
      durationMin: fc.integer({ min: -20, max: 90 }),
    }),
    fc.record({
      kind: fc.constant('reorder' as const),
      blockId: fc.constant(blockId),
      direction: fc.constantFrom<-1 | 1>(-1, 1),
    }),
    fc.record({
      kind: fc.constant('change' as const),
      blockId: fc.constant(blockId),
      change: fc.record({ note: fc.string() }),
    }),
    fc.record({
      kind: fc.constant('shift' as const),
      fromMin: minuteOf,
      byMin: fc.integer({ min: -40, max: 40 }),
    }),
    fc.constant<PlanEdit>({ kind: 'fit' }),
  ),
);

/** Two blocks that ask the same student at the same time. */
function clash({ blocks }: PlanBody): boolean {
  return blocks.some((a, i) =>
    blocks.slice(i + 1).some((b) => shareLane(a, b) && a.startMin < endOf(b) && b.startMin < endOf(a)),
  );
}

const minutesOfLane = (plan: PlanBody, lane: number): number =>
  blocksOfLane(plan, lane).reduce((sum, { durationMin }) => sum + durationMin, 0);

describe('any edit of any plan', () => {
  it('asks nobody to be in two places', () => {
    fc.assert(
      fc.property(planOf, fc.array(editOf, { maxLength: 6 }), (plan, edits) => {
        expect(clash(plan)).toBe(false);
        expect(clash(edits.reduce((before, edit) => applyEdit(SHIPPED, before, edit), plan))).toBe(false);
      }),
    );
  });

  it('loses no block and makes none', () => {
    fc.assert(
      fc.property(planOf, editOf, (plan, edit) => {
        expect(
          applyEdit(SHIPPED, plan, edit)
            .blocks.map(({ id }) => id)
            .sort(),
        ).toEqual(IDS);
      }),
    );
  });

  it('leaves the plan it was given as it was', () => {
    fc.assert(
      fc.property(planOf, editOf, (plan, edit) => {
        const before = structuredClone(plan);
        applyEdit(SHIPPED, plan, edit);
        expect(plan).toEqual(before);
      }),
    );
  });

  it('keeps blocks in the order of time, at whole steps, never shorter than a step', () => {
    fc.assert(
      fc.property(planOf, fc.array(editOf, { maxLength: 4 }), (plan, edits) => {
        const { blocks } = edits.reduce((before, edit) => applyEdit(SHIPPED, before, edit), plan);
        for (const [i, block] of blocks.entries()) {
          expect(block.startMin).toBeGreaterThanOrEqual(blocks[i - 1]?.startMin ?? 0);
          expect(block.durationMin).toBeGreaterThanOrEqual(STEP_MIN);
        }
      }),
    );
  });
});

describe('one kind of edit', () => {
  it('a shift takes along all that follows, sooner as far as its students are free, and nothing that is locked', () => {
    const at = (
      id: string,
      startMin: number,
      durationMin: number,
      lane: number | null,
      locked?: true,
    ): Block => ({
      ...plainBlock('break', id, id, startMin, durationMin),
      ...{ lane, locked },
    });
    const plan: PlanBody = {
      ...{ ...emptyPlan(), groupSize: 2 },
      blocks: [at('a', 0, 20, null), at('b', 30, 10, 0), at('c', 40, 10, 1), at('d', 90, 10, null, true)],
    };
    const starts = (fromMin: number, byMin: number): number[] =>
      applyEdit(SHIPPED, plan, { kind: 'shift', fromMin, byMin }).blocks.map(({ startMin }) => startMin);
    expect(starts(30, 15)).toEqual([0, 45, 55, 90]);
    expect(starts(30, -5)).toEqual([0, 25, 35, 90]);
    expect(starts(30, -30)).toEqual([0, 20, 30, 90]);
    expect(starts(40, -30)).toEqual([0, 20, 30, 90]);
    expect(starts(0, -30)).toEqual([0, 30, 40, 90]);
    expect(starts(95, 10)).toEqual([0, 30, 40, 90]);
  });

  it('a move or a swap changes no lengths', () => {
    fc.assert(
      fc.property(
        planOf,
        fc.constantFrom(...IDS),
        fc.constantFrom<-1 | 1>(-1, 1),
        (plan, blockId, direction) => {
          const after = applyEdit(SHIPPED, plan, { kind: 'reorder', blockId, direction });
          for (let lane = 0; lane < GROUP; lane++)
            expect(minutesOfLane(after, lane)).toBe(minutesOfLane(plan, lane));
        },
      ),
    );
  });

  it('fitting closes gaps, ends no later, and cuts no drill below its least time', () => {
    fc.assert(
      fc.property(planOf, (plan) => {
        const fit = applyEdit(SHIPPED, plan, { kind: 'fit' });
        expect(planEnd(fit)).toBeLessThanOrEqual(planEnd(plan));
        for (const block of fit.blocks) {
          const least =
            SHIPPED.drills.all.find(({ id }) => id === block.drillId)?.minutes.min ?? block.durationMin;
          expect(block.durationMin).toBeGreaterThanOrEqual(Math.floor(least / STEP_MIN) * STEP_MIN);
        }
      }),
    );
  });

  it('removing frees the time and nothing else', () => {
    fc.assert(
      fc.property(planOf, fc.constantFrom(...IDS), (plan, blockId) => {
        const removed = plan.blocks.find(({ id }) => id === blockId) as Block;
        const after = applyEdit(SHIPPED, plan, { kind: 'remove', blockId });
        expect(after.blocks).toHaveLength(IDS.length - 1);
        const lane = removed.lane ?? 0;
        expect(minutesOfLane(after, lane)).toBe(minutesOfLane(plan, lane) - removed.durationMin);
      }),
    );
  });

  it('several at once are the same as one after the other', () => {
    fc.assert(
      fc.property(planOf, fc.array(editOf, { maxLength: 5 }), (plan, edits) => {
        expect(applyEdit(SHIPPED, plan, { kind: 'all', edits })).toEqual(
          edits.reduce((before, edit) => applyEdit(SHIPPED, before, edit), plan),
        );
      }),
    );
  });

  it('the next block of everybody starts where the last one ends', () => {
    fc.assert(
      fc.property(planOf, (plan) => {
        const block = blockFromDrill(SHIPPED.drills.get('hoops'), 'z', nextStart(plan));
        const after = applyEdit(SHIPPED, plan, { kind: 'add', block });
        expect(after.blocks.at(-1)).toMatchObject({ id: 'z', startMin: planEnd(plan) });
      }),
    );
  });
});

describe('what follows from any plan', () => {
  it('shares of strands sum to one, or there are none', () => {
    fc.assert(
      fc.property(planOf, (plan) => {
        const sum = strandShares(SHIPPED, plan).reduce((total, { share }) => total + share, 0);
        expect([0, 1]).toContain(Math.round(sum * 1e9) / 1e9);
      }),
    );
  });

  it('nobody carries more of one thing than the group can use', () => {
    fc.assert(
      fc.property(planOf, (plan) => {
        for (const { count } of gearList(SHIPPED, plan)) {
          expect(count).toBeGreaterThanOrEqual(1);
          expect(count).toBeLessThanOrEqual(GROUP);
        }
      }),
    );
  });

  it('a drill for anywhere suits every place, one for the river only parts of a river', () => {
    const anywhere = SHIPPED.drills.all.find(
      ({ ground }) => ground === 'anywhere',
    ) as (typeof SHIPPED.drills.all)[number];
    const river = SHIPPED.drills.all.find(
      ({ ground }) => ground === 'river',
    ) as (typeof SHIPPED.drills.all)[number];
    expect((['grass', 'run', 'shoal'] as const).map((place) => drillSuits(anywhere, place))).toEqual([
      true,
      true,
      true,
    ]);
    expect((['grass', 'run', 'shoal'] as const).map((place) => drillSuits(river, place))).toEqual([
      false,
      true,
      false,
    ]);
  });
});
