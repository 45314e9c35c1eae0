import type { Activity, Board, BoardDrill } from './model';
import { countOf, everybody, inTime, lanesOf } from './activity';
import { actOf } from './exact';

/** Something to be put into a plan as early as those who do it are free. */
export interface Gene {
  /** null for a break. */
  drill: BoardDrill | null;
  takenMin: number;
  /** Bits of who does it. */
  lanes: number;
}

/** Length of a break that the machine puts in, minutes. */
export const BREAK_MIN = 10;

/**
 * A plan from a list of what is to be done, each put as early as can be in the order of the list: behind what those who do
 * it have done, and around what is locked. What does not fit before the end is left out.
 *
 * @returns the plan, and of the list what found its place
 */
export function placed(board: Board, genes: readonly Gene[]): { acts: Activity[]; genes: Gene[] } {
  const { lengthMin } = board.task.plan;
  const free = board.students.map(() => 0);
  const acts: Activity[] = [...board.locked];
  const kept: Gene[] = [];
  for (const gene of genes) {
    const { drill } = gene;
    const lanes = drill ? gene.lanes & drill.who : gene.lanes;
    const takenMin = drill ? minutesFor(drill, gene.takenMin, lanes) : gene.takenMin;
    if (lanes === 0 || (drill && countOf(lanes) < drill.drill.group.min)) continue;
    const who = lanesOf(lanes);
    let startMin = 0;
    for (const lane of who) startMin = Math.max(startMin, free[lane]!);
    // Around what is locked for any of them; the locked acts lie in the order of time.
    for (const one of board.locked)
      if ((one.lanes & lanes) !== 0 && one.startMin < startMin + takenMin && startMin < one.endMin)
        startMin = one.endMin;
    if (startMin + takenMin > lengthMin) continue;
    const act = drill ? actOf(drill, startMin, takenMin, lanes) : breakOf(startMin, takenMin, lanes);
    if (!act) continue;
    acts.push(act);
    kept.push({ drill, takenMin, lanes });
    for (const lane of who) free[lane] = act.endMin;
  }
  return { acts: inTime(acts), genes: kept };
}

/** As long as was wished, as far as the drill is worth it and good for each who does it. */
function minutesFor(drill: BoardDrill, wishedMin: number, lanes: number): number {
  let most = Number.POSITIVE_INFINITY;
  for (const lane of lanesOf(lanes)) most = Math.min(most, drill.mostMin[lane]!);
  return Math.max(drill.leastMin, Math.min(wishedMin, most));
}

function breakOf(startMin: number, takenMin: number, lanes: number): Activity {
  return {
    ...{
      drillId: null,
      on: null,
      kind: 'break',
      title: 'Break',
      place: 'anywhere',
      wet: false,
      blockIds: [],
    },
    ...{ startMin, endMin: startMin + takenMin, lanes },
  };
}

/** What a plan has besides what is locked, as a list to be put again. */
export function genesOf(board: Board, acts: readonly Activity[]): Gene[] {
  const kept = new Set(board.locked.flatMap(({ blockIds }) => blockIds));
  return acts
    .filter(({ blockIds }) => blockIds.length === 0 || !blockIds.some((id) => kept.has(id)))
    .flatMap((act) => {
      const drill = act.on;
      if (!drill && act.kind !== 'break') return [];
      return [
        { drill, takenMin: act.endMin - act.startMin, lanes: act.lanes & everybody(board.students.length) },
      ];
    });
}
