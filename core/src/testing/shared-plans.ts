import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { applyEdit, blockFromDrill, emptyPlan, type PlanEdit } from '../plan';
import type { Random } from '../random';
import { buildRig, rigEdits } from '../rig';
import type { SharedPlan } from '../share';

const DRILLS = SHIPPED.drills.all.slice(0, 12);
const TEMPLATES = ['dry-fly', 'indicator-nymph', 'tight-line'] as const;

function pick<T>(random: Random, of: readonly T[]): T {
  return of[Math.floor(random() * of.length)]!;
}

/** A plan of some blocks and rigs for a group of up to four. */
export function randomPlan(random: Random): SharedPlan {
  let plan: SharedPlan = {
    title: 'Origin',
    body: {
      ...emptyPlan(),
      aim: 'Each sets on ten takes.',
      groupSize: 1 + Math.floor(random() * 4),
      rigs: TEMPLATES.slice(0, Math.floor(random() * 3)).map((template, i) => ({
        ...{ id: `rig${i}`, name: `Rig ${i}`, rig: buildRig(template) },
      })),
    },
  };
  const blocks = 2 + Math.floor(random() * 8);
  for (let i = 0; i < blocks; i++) plan = withBlock(plan, random, `b${i}`);
  return plan;
}

function edited({ title, body }: SharedPlan, edit: PlanEdit): SharedPlan {
  return { title, body: applyEdit(SHIPPED, body, edit) };
}

function withBlock(plan: SharedPlan, random: Random, id: string): SharedPlan {
  const { groupSize, rigs } = plan.body;
  const lane = random() < 0.4 ? null : Math.floor(random() * groupSize);
  const block = blockFromDrill(pick(random, DRILLS), id, 5 * Math.floor(random() * 30), lane);
  const rigId = rigs.length > 0 && random() < 0.5 ? pick(random, rigs).id : null;
  return edited(plan, { kind: 'add', block: { ...block, rigId } });
}

/** The plan with some changes as an instructor makes them; what is new has ids of this side. */
export function changedPlan(plan: SharedPlan, random: Random, side: string): SharedPlan {
  let now = plan;
  const changes = Math.floor(random() * 9);
  for (let i = 0; i < changes; i++) now = changedOnce(now, random, `${side}${i}`);
  return now;
}

function changedOnce(plan: SharedPlan, random: Random, id: string): SharedPlan {
  const { blocks, rigs } = plan.body;
  const block = blocks.length > 0 ? pick(random, blocks) : null;
  const rig = rigs.length > 0 ? pick(random, rigs) : null;
  const set = (change: Partial<SharedPlan['body']>): SharedPlan => edited(plan, { kind: 'set', change });
  switch (Math.floor(random() * 13)) {
    case 0:
      return { ...plan, title: `Title ${Math.floor(random() * 3)}` };
    case 1:
      return set({ aim: `Aim ${Math.floor(random() * 3)}`, lengthMin: 60 + 30 * Math.floor(random() * 4) });
    case 2:
      return set({
        staff: { instructors: 1 + Math.floor(random() * 2), assistants: Math.floor(random() * 2) },
      });
    case 3:
      return rig && !blocks.some(({ rigId }) => rigId === rig.id)
        ? set({ rigs: rigs.filter((one) => one !== rig) })
        : set({ rigs: [...rigs, { id: `rig${id}`, name: id, rig: buildRig(pick(random, TEMPLATES)) }] });
    case 4:
      return rig
        ? set({
            rigs: rigs.map((one) =>
              one === rig ? { ...one, rig: rigEdits.depth(one.rig, 1 + Math.floor(random() * 3)) } : one,
            ),
          })
        : plan;
    case 5:
      return set({ planB: { trigger: 'thunder', fromMin: 60, blocks: [] } });
    case 6:
    case 7:
      return withBlock(plan, random, id);
    default:
      return block ? blockChanged(plan, random, block.id) : plan;
  }
}

function blockChanged(plan: SharedPlan, random: Random, blockId: string): SharedPlan {
  const block = plan.body.blocks.find(({ id }) => id === blockId)!;
  switch (Math.floor(random() * 5)) {
    case 0:
      return edited(plan, { kind: 'remove', blockId });
    case 1:
      return edited(plan, {
        ...{ kind: 'move', blockId, startMin: 5 * Math.floor(random() * 40) },
        lane: random() < 0.5 ? block.lane : null,
      });
    case 2:
      return edited(plan, { kind: 'resize', blockId, durationMin: 5 + 5 * Math.floor(random() * 8) });
    case 3:
      return edited(plan, {
        ...{ kind: 'change', blockId },
        change: { watchFor: block.watchFor.slice(1), note: `Note ${Math.floor(random() * 3)}` },
      });
    default:
      return edited(plan, { kind: 'change', blockId, change: { cue: `Cue ${Math.floor(random() * 3)}` } });
  }
}
