import type { Activity, Board } from './model';
import { seededRandom } from '../../random';
import { STEP_MIN } from '../plan';
import { type Gene, genesOf, placed } from './genes';
import { type HardFault, hardFaults } from './hard';
import { scoreOf } from './parts';
import type { Step } from './search';

/** What a talk or a break that is left out costs, points. A rule of thumb. */
const PLAIN_LOST = 0.15;
/** How much worse a step may be at first, points. */
const HOT = 0.02;

interface Cut {
  /** Of each thing in the list whether it is there, and for how long, minutes. */
  there: boolean[];
  minutes: number[];
}

/**
 * Plans that have what there is in its own order, some of it shorter and some left out: how a lesson is saved that runs
 * late. The first is all of it as short as it may be, as far as it goes. A rule that the plan broke before somebody has
 * decided on: it may be broken still.
 *
 * @param tries how many changes are tried
 */
export function* shorterPlans(
  board: Board,
  given: readonly Activity[],
  { seed, tries }: { seed: string; tries: number },
): Generator<Step> {
  const had = genesOf(board, given);
  if (had.length === 0) return;
  const borne = new Set(hardFaults(board, given).map(faultKey));
  const random = seededRandom(seed);
  const least = had.map(({ drill, takenMin }) => Math.min(takenMin, drill?.leastMin ?? takenMin));
  let now: Cut = { there: had.map(() => true), minutes: [...least] };
  let found = foundOf(board, had, borne, now);
  // What stands in the way of the rest is left out, the last first.
  for (let i = had.length - 1; !found && i >= 0; i--) {
    now = { ...now, there: now.there.map((there, k) => there && k !== i) };
    found = foundOf(board, had, borne, now);
  }
  if (!found) return;
  let worth = found.worth;
  let best = worth;
  yield { found: found.plan, tried: 0 };
  for (let tried = 1; tried <= tries; tried++) {
    const next = changed(now, had, least, random);
    const one = foundOf(board, had, borne, next);
    const heat = HOT * (1 - tried / (tries + 1));
    if (!one || (one.worth < worth && random() >= Math.exp((one.worth - worth) / heat))) continue;
    [now, worth] = [next, one.worth];
    if (worth <= best + 1e-9) continue;
    best = worth;
    yield { found: one.plan, tried };
  }
}

/** Rules that ask what goes on at the same time: who bears them bears them whatever goes on. */
const AT_ONCE: ReadonlySet<HardFault['rule']> = new Set(['supervision', 'minors', 'room', 'stock']);

function faultKey({ rule, act }: HardFault): string {
  return AT_ONCE.has(rule) ? rule : `${rule} ${act?.drillId ?? act?.title ?? ''}`;
}

function changed(
  { there, minutes }: Cut,
  had: readonly Gene[],
  least: readonly number[],
  random: () => number,
): Cut {
  const next: Cut = { there: [...there], minutes: [...minutes] };
  const i = Math.floor(random() * had.length);
  if (random() < 0.3) next.there[i] = !next.there[i];
  else {
    const by = random() < 0.6 ? STEP_MIN : -STEP_MIN;
    next.minutes[i] = Math.max(least[i]!, Math.min(had[i]!.takenMin, next.minutes[i]! + by));
  }
  return next;
}

function foundOf(
  board: Board,
  had: readonly Gene[],
  borne: ReadonlySet<string>,
  { there, minutes }: Cut,
): { plan: NonNullable<Step['found']>; worth: number } | null {
  const genes = had.flatMap((gene, i) => (there[i] ? { ...gene, takenMin: minutes[i]! } : []));
  const { acts, genes: kept } = placed(board, genes);
  // What found no room is left out where somebody says so, and not by being last.
  if (kept.length < genes.length) return null;
  if (hardFaults(board, acts).some((fault) => !borne.has(faultKey(fault)))) return null;
  const score = scoreOf(board, acts);
  const lost = had.filter(({ drill }, i) => !drill && !there[i]).length;
  return { plan: { acts, score }, worth: score.total - PLAIN_LOST * lost };
}
