import type { Board } from '../model';
import type { Block } from '../../plan';
import { actsOf } from '../activity';
import { boardOf } from '../board/board';
import { hardFaults } from '../hard';
import type { HardRuleId } from '../hard-rule-ids';
import { betterPlans } from '../search';
import type { ScheduleTask } from '../task';

/** Something that is wished of a plan. */
export type Wish =
  | { wish: 'locked'; blockId: string; title: string }
  /** A talk, a break, a look back that was put in. */
  | { wish: 'kept'; blockId: string; title: string }
  | { wish: 'length'; lengthMin: number }
  /** Hours that weather or light forbid. */
  | { wish: 'closed' }
  | { wish: 'stock' }
  | { wish: 'staff'; instructors: number; assistants: number };

/** Why no plan is allowed: what cannot stand together, as few wishes as can be found, or what is missing at all. */
export type WhyNot =
  | { why: 'no-students' }
  /** No drill can be done here by these students. */
  | { why: 'no-drill' }
  | { why: 'wishes'; wishes: Wish[]; rules: HardRuleId[] };

/**
 * The smallest set of wishes that cannot stand together. One wish that fails alone is found first, then two that do; beyond
 * that wishes are let go one by one as long as no plan is allowed still, so that none of those left can be spared.
 *
 * @returns null where a plan is allowed
 */
export function whyNot(task: ScheduleTask): WhyNot | null {
  const board = boardOf(task);
  if (board.students.length === 0) return { why: 'no-students' };
  const wishes = wishesOf(task, board);
  const stands = (some: readonly Wish[]): boolean => isPossible(withOnly(task, some));
  if (stands(wishes)) return null;
  if (!stands([])) return { why: 'no-drill' };
  const rules = rulesBroken(board);
  const one = wishes.find((wish) => !stands([wish]));
  if (one) return { why: 'wishes', wishes: [one], rules };
  for (const [i, a] of wishes.entries())
    for (const b of wishes.slice(i + 1)) if (!stands([a, b])) return { why: 'wishes', wishes: [a, b], rules };
  let left = wishes;
  for (const wish of wishes) {
    const fewer = left.filter((other) => other !== wish);
    if (!stands(fewer)) left = fewer;
  }
  return { why: 'wishes', wishes: left, rules };
}

/** What the locked blocks break among themselves. */
function rulesBroken(board: Board): HardRuleId[] {
  return [...new Set(hardFaults(board, board.locked).map(({ rule }) => rule))];
}

function wishesOf({ plan, lockedIds, closed, stock, staff }: ScheduleTask, board: Board): Wish[] {
  const locked = new Set(lockedIds);
  const about = ({ id, title }: Block): { blockId: string; title: string } => ({ blockId: id, title });
  const kept = actsOf(board, plan.blocks).flatMap(({ drillId, blockIds }) =>
    drillId === null ? blockIds.filter((id) => !locked.has(id)).slice(0, 1) : [],
  );
  return [
    ...plan.blocks
      .filter(({ id }) => locked.has(id))
      .map((block): Wish => ({ wish: 'locked', ...about(block) })),
    ...plan.blocks
      .filter(({ id }) => kept.includes(id))
      .map((block): Wish => ({ wish: 'kept', ...about(block) })),
    ...(closed.length > 0 ? [{ wish: 'closed' } as const] : []),
    ...(Object.keys(stock).length > 0 ? [{ wish: 'stock' } as const] : []),
    { wish: 'length', lengthMin: plan.lengthMin },
    { wish: 'staff', ...staff },
  ];
}

/** So long a day that length is no wish any more, minutes; and so many adults that there are enough. */
const LONG_DAY_MIN = 720;
const MANY = { instructors: 8, assistants: 8 };

function withOnly(task: ScheduleTask, wishes: readonly Wish[]): ScheduleTask {
  const ids = new Set(wishes.flatMap((wish) => ('blockId' in wish ? wish.blockId : [])));
  const has = (kind: Wish['wish']): boolean => wishes.some(({ wish }) => wish === kind);
  return {
    ...task,
    plan: {
      ...task.plan,
      lengthMin: has('length') ? task.plan.lengthMin : Math.max(LONG_DAY_MIN, task.plan.lengthMin),
      blocks: task.plan.blocks.filter(({ id }) => ids.has(id)),
    },
    lockedIds: task.lockedIds.filter((id) => ids.has(id)),
    closed: has('closed') ? task.closed : [],
    stock: has('stock') ? task.stock : {},
    staff: has('staff') ? task.staff : MANY,
  };
}

function isPossible(task: ScheduleTask): boolean {
  const board = boardOf(task);
  const given = actsOf(board, task.plan.blocks);
  const steps = betterPlans(board, { seed: 'why-not', tries: 0, given: given.length > 0 ? given : null });
  for (const { found } of steps) if (found && found.acts.length > 0) return true;
  return false;
}
