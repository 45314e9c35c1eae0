import type { Activity } from '../model';
import { countOf, lanesOf } from '../activity';
import { type HardFault, type HardRule, inAct } from './rule';

/** So many students an adult can have within call; fewer where minors are at or in the water. Rules of thumb of the trade. */
const WITHIN_CALL = 4;
const WITHIN_CALL_MINORS = 2;

/** A drill has the students it wants: never fewer than its least, and as many groups as its most makes of them. */
export const group: HardRule = (_board, acts) =>
  acts
    .filter(({ on, lanes }) => on !== null && countOf(lanes) < on.drill.group.min)
    .map((act) => inAct('group', act));

/** Groups that are apart do nothing together but the talk on safety. */
export const apart: HardRule = ({ groups }, acts) =>
  groups.length === 0
    ? []
    : acts
        .filter(
          ({ on, kind, lanes }) =>
            on !== null && kind !== 'safety' && groups.every((group) => (lanes & ~group) !== 0),
        )
        .map((act) => inAct('apart', act));

/** What goes on while an activity begins: that is the most there is until the next one begins. */
interface Moment {
  /** Instructors who look at nothing but their group, and who is in those groups. */
  watching: number;
  watched: number;
  /** Who is within call, at the water and elsewhere. */
  wet: number;
  dry: number;
}

/** What goes on as each activity begins. @param acts in the order of time */
function moments(acts: readonly Activity[]): Moment[] {
  let on: Activity[] = [];
  return acts.map(({ startMin }, i) => {
    on = on.filter(({ endMin }) => endMin > startMin);
    for (let j = i; acts[j]?.startMin === startMin; j++) if (!on.includes(acts[j]!)) on.push(acts[j]!);
    return momentOf(on);
  });
}

function momentOf(on: readonly Activity[]): Moment {
  const moment: Moment = { watching: 0, watched: 0, wet: 0, dry: 0 };
  for (const act of on) {
    const drill = act.on?.drill;
    if (!drill) continue;
    if (drill.supervision === 'eyes-on') {
      moment.watching += Math.ceil(countOf(act.lanes) / drill.group.max);
      moment.watched |= act.lanes;
    } else if (act.wet) moment.wet |= act.lanes;
    else moment.dry |= act.lanes;
  }
  return moment;
}

/** Eyes-on drills one group an instructor; within call at most so many for each adult who is free. */
export const supervision: HardRule = (board, acts) => {
  const { instructors, assistants } = board.task.staff;
  const found: HardFault[] = [];
  moments(acts).forEach(({ watching, wet, dry }, i) => {
    const mostWet = (wet & board.minors) === 0 ? WITHIN_CALL : WITHIN_CALL_MINORS;
    const adults = countOf(wet) / mostWet + countOf(dry) / WITHIN_CALL;
    if (watching > instructors || adults > instructors - watching + assistants)
      found.push(inAct('supervision', acts[i]!));
  });
  return found;
};

/** A minor is never out of an adult's sight: who is not in a group that is watched has an adult free for him. */
export const minors: HardRule = (board, acts) => {
  const { instructors, assistants } = board.task.staff;
  if (board.minors === 0) return [];
  const found: HardFault[] = [];
  moments(acts).forEach(({ watching, watched }, i) => {
    const [alone] = lanesOf(board.minors & ~watched);
    if (alone !== undefined && instructors - watching + assistants <= 0)
      found.push(inAct('minors', acts[i]!, alone));
  });
  return found;
};
