import { blockFromDrill, deterministicId, type Block, type PlanBody, type Rig } from '@doceo/core';
import { SHIPPED_CURRICULUM } from '@doceo/core/shipped';
import type { DateTime } from 'luxon';
import { type DemoUser, FELLOW, LEAD, OTHER } from './people';
import { GRASS_DAY, JETTY_EVENING, RIFFLE_NYMPHS, STILL_WATER } from './plans';

interface State {
  title: string;
  body: PlanBody;
}

/** Something that was done to shared plans, in the order of time. */
export type LineageStep = { at: Date; by: DemoUser } & (
  | { do: 'share'; planId: string; state: State; note: string }
  | { do: 'copy'; planId: string; state: State; id: string; to: State }
  | { do: 'propose'; planId: string; id: string; note: string }
  | { do: 'ask'; planId: string; id: string; blockId: string; text: string }
);

/** A plan with the blocks of a drill changed. */
function changed({ title, body }: State, drillId: string, change: Partial<Block>): State {
  const blocks = body.blocks.map((block) => (block.drillId === drillId ? { ...block, ...change } : block));
  return { title, body: { ...body, blocks } };
}

/** A plan with a block more, and all after it later. */
function withDrill({ title, body }: State, drillId: string, atMin: number, key: string): State {
  const made = blockFromDrill(
    SHIPPED_CURRICULUM.drills.get(drillId),
    deterministicId(`block:${key}/${drillId}`),
    atMin,
  );
  const later = body.blocks.map((block) =>
    block.startMin >= atMin ? { ...block, startMin: block.startMin + made.durationMin } : block,
  );
  return { title, body: { ...body, blocks: [...later, made] } };
}

function withRigs({ title, body }: State, change: (rig: Rig) => Rig): State {
  return { title, body: { ...body, rigs: body.rigs.map((one) => ({ ...one, rig: change(one.rig) })) } };
}

/** A rig whose tippet is a third shorter, with all on it as much nearer to the fly. */
function shorter(rig: Rig): Rig {
  const last = rig.sections.at(-1);
  return {
    ...rig,
    sections: rig.sections.map((one) => (one === last ? { ...one, lengthM: one.lengthM * 0.67 } : one)),
    fittings: rig.fittings.map((one) => ({ ...one, aboveFlyM: one.aboveFlyM * 0.67 })),
  };
}

const GRASS_COPY = deterministicId('plan:grass-day/fellow');
export const RIFFLE_COPY = deterministicId('plan:riffle-nymphs/lead');
export const GRASS_PROPOSAL = deterministicId('proposal:grass-day');
export const GRASS_QUESTION = deterministicId('comment:grass-day');

/** How the two plans of the school came about: a proposal with one thing to settle, a question, a newer version. */
export function demoLineage(today: DateTime): LineageStep[] {
  const at = (daysAgo: number): Date => today.minus({ days: daysAgo }).set({ hour: 19 }).toJSDate();
  const grassFirst = changed(GRASS_DAY, 'stop-and-say', { durationMin: 10, cue: 'Stop, and say so.' });
  const grassSecond = changed(GRASS_DAY, 'stop-and-say', { durationMin: 10 });
  const grassCopy = withDrill(
    changed(changed(grassSecond, 'clinch-race', { durationMin: 20 }), 'stop-and-say', {
      ...{ durationMin: 20, cue: 'Shut your eyes, and say “stop” when you stop.' },
    }),
    'two-and-down',
    90,
    'fellow',
  );
  const riffleFirst = withRigs(
    changed(RIFFLE_NYMPHS, 'find-the-seam', { durationMin: 15, cue: 'Show me the slow side.' }),
    shorter,
  );
  const riffleCopy = changed({ ...riffleFirst, title: 'Riffle morning, four rods' }, 'mend-both-ways', {
    cue: 'Look first, then mend once.',
  });
  const askedOf = GRASS_DAY.body.blocks.find(({ drillId }) => drillId === 'clinch-race') as Block;
  return [
    ...[
      { by: FELLOW, plan: STILL_WATER },
      { by: OTHER, plan: JETTY_EVENING },
    ].map(({ by, plan: { id, ...state } }): LineageStep => ({
      ...{ do: 'share', at: at(90), by, planId: id, state, note: '' },
    })),
    { do: 'share', at: at(82), by: LEAD, planId: GRASS_DAY.id, state: grassFirst, note: '' },
    { do: 'share', at: at(70), by: FELLOW, planId: RIFFLE_NYMPHS.id, state: riffleFirst, note: '' },
    {
      do: 'share',
      at: at(61),
      by: LEAD,
      planId: GRASS_DAY.id,
      state: grassSecond,
      note: 'Said aloud it sticks',
    },
    {
      do: 'copy',
      at: at(54),
      by: FELLOW,
      planId: GRASS_DAY.id,
      state: grassSecond,
      id: GRASS_COPY,
      to: grassCopy,
    },
    {
      do: 'copy',
      at: at(47),
      by: LEAD,
      planId: RIFFLE_NYMPHS.id,
      state: riffleFirst,
      id: RIFFLE_COPY,
      to: riffleCopy,
    },
    {
      do: 'share',
      at: at(30),
      by: LEAD,
      planId: GRASS_DAY.id,
      state: GRASS_DAY,
      note: 'Five minutes more for the stop',
    },
    {
      ...{ do: 'ask', at: at(9), by: FELLOW, planId: GRASS_DAY.id, id: GRASS_QUESTION, blockId: askedOf.id },
      text: 'Do you let them race before the knot holds, or only after?',
    },
    {
      ...{ do: 'share', at: at(5), by: FELLOW, planId: RIFFLE_NYMPHS.id, state: RIFFLE_NYMPHS },
      note: 'Five minutes more at the seam, the bubbles as a cue',
    },
    {
      ...{ do: 'propose', at: at(3), by: FELLOW, planId: GRASS_COPY, id: GRASS_PROPOSAL },
      note: 'Tried it twice with six. Knots want more time, and eyes shut they feel the stop.',
    },
  ];
}
