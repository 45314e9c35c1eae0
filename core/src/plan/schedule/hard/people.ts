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

function momentOf(going: readonly Activity[]): Moment {
  const moment: Moment = { watching: 0, watched: 0, wet: 0, dry: 0 };
  for (const act of going) {
    if (!act.on) continue;
    const { supervision: eyes, group: size } = act.on.drill;
    if (eyes === 'eyes-on') {
      moment.watching += Math.ceil(countOf(act.lanes) / size.max);
      moment.watched |= act.lanes;
    } else if (act.wet) moment.wet |= act.lanes;
    else moment.dry |= act.lanes;
  }
  return moment;
}

/** Eyes-on drills one group an instructor; within call at most so many for each adult who is free. */
export const supervision: HardRule = (board, acts, going) => {
  const { instructors, assistants } = board.task.staff;
  const found: HardFault[] = [];
  for (let i = 0; i < acts.length; i++) {
    const act = acts[i]!;
    const { watching, wet, dry } = momentOf(going[i]!);
    const mostWet = (wet & board.minors) === 0 ? WITHIN_CALL : WITHIN_CALL_MINORS;
    const adults = countOf(wet) / mostWet + countOf(dry) / WITHIN_CALL;
    if (watching > instructors || adults > instructors - watching + assistants)
      found.push(inAct('supervision', act));
  }
  return found;
};

/** A minor is never out of an adult's sight: who is not in a group that is watched has an adult free for him. */
export const minors: HardRule = (board, acts, going) => {
  const { instructors, assistants } = board.task.staff;
  if (board.minors === 0) return [];
  const found: HardFault[] = [];
  for (let i = 0; i < acts.length; i++) {
    const act = acts[i]!;
    const { watching, watched } = momentOf(going[i]!);
    const [alone] = lanesOf(board.minors & ~watched);
    if (alone !== undefined && instructors - watching + assistants <= 0)
      found.push(inAct('minors', act, alone));
  }
  return found;
};
