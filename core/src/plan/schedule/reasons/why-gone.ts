import { planChanges } from '../../changes';
import type { Block } from '../../plan';
import { actsOf, inTime, lanesOf } from '../activity';
import { boardOf } from '../board/board';
import { type HardFault, hardFaults } from '../hard';
import type { HardRuleId } from '../hard-rule-ids';
import type { Activity, Board } from '../model';
import { scoreOf } from '../parts';
import { taughtBefore } from '../search/looked';
import type { ScheduleTask } from '../task';

/** Why a drill that was planned is not in a plan that was made. */
export interface GoneDrill {
  /** Its blocks that are gone. */
  blockIds: readonly string[];
  /** The rule it would break where it was; null where none, and it only is worth less than what stands there now. */
  breaks: HardRuleId | null;
  /** Skills it rests on that one of them was not ready for then. */
  needs: string[];
  /** By how many points the plan would be worse with it where it was; better where below zero. */
  byPoints: number;
}

/**
 * What a plan that was made has left out of the one it was made from, each with what would come of putting it back where it
 * was, in the place of what those who did it do now.
 */
export function whyGone(task: ScheduleTask, before: readonly Block[], after: readonly Block[]): GoneDrill[] {
  const board = boardOf({ ...task, drillIds: [] });
  const { groupSize } = task.plan;
  const gone = planChanges(
    { blocks: [...before], groupSize },
    { blocks: [...after], groupSize },
  ).gone.flatMap(({ blocks }) => blocks);
  if (gone.length === 0) return [];
  const acts = actsOf(board, after);
  const had = new Set(hardFaults(board, acts).map(({ rule, atMin }) => `${rule}@${atMin}`));
  const { total } = scoreOf(board, acts);
  return actsOf(board, gone)
    .filter(({ on }) => on !== null)
    .map((planned) => {
      const act = noLongerThanGood(planned);
      const changed = withAgain(acts, act);
      const broken = hardFaults(board, changed).filter(({ rule, atMin }) => !had.has(`${rule}@${atMin}`));
      return {
        blockIds: act.blockIds,
        breaks: ruleOf(broken, act),
        needs: lacking(board, changed, act),
        byPoints: total - scoreOf(board, changed).total,
      };
    });
}

/** Put back for no longer than it is good for all of them: it could be there so, and the length is no reason. */
function noLongerThanGood(act: Activity): Activity {
  const { on, startMin, endMin } = act;
  const most = Math.min(...lanesOf(act.lanes).map((lane) => on?.mostMin[lane] ?? 0));
  return on && most >= on.leastMin ? { ...act, endMin: Math.min(endMin, startMin + most) } : act;
}

/** The acts with one more, and without its students in what they did meanwhile. */
function withAgain(acts: readonly Activity[], act: Activity): Activity[] {
  const others = acts.flatMap((one) => {
    const isMeanwhile = one.startMin < act.endMin && act.startMin < one.endMin;
    const lanes = isMeanwhile ? one.lanes & ~act.lanes : one.lanes;
    return lanes === 0 ? [] : [lanes === one.lanes ? one : { ...one, lanes }];
  });
  return inTime([...others, act]);
}

function lacking({ skills, all }: Board, acts: readonly Activity[], act: Activity): string[] {
  const taught = taughtBefore({ skills }, acts, act.startMin);
  const needs = skills[act.on?.main ?? -1]?.needs ?? [];
  return needs
    .filter((need) => (act.lanes & all & ~skills[need]!.ready & ~taught[need]!) !== 0)
    .map((need) => skills[need]!.id);
}

/** Its own fault before those of others; that others are too few now is no fault of the drill. */
function ruleOf(broken: readonly HardFault[], act: Activity): HardRuleId | null {
  const own = broken.find((fault) => fault.act === act);
  return own?.rule ?? broken.find(({ rule }) => rule !== 'group')?.rule ?? null;
}
