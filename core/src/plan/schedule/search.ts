import { bisectRight } from 'd3-array';
import type { Activity, Board, BoardDrill } from './model';
import { type Random, seededRandom } from '../../random';
import { STEP_MIN } from '../plan';
import { countOf, lanesOf } from './activity';
import { BREAK_MIN, type Gene, genesOf, placed } from './genes';
import { canLock, isAllowed, staysAllowed } from './hard';
import { type Score, scoreOf } from './parts';

/** A plan on its way, with what it is worth. */
export interface Found {
  acts: Activity[];
  score: Score;
}

interface State extends Found {
  genes: Gene[];
}

/** How much worse a step may be at first and at last, points. */
const HOT = 0.02;
const COLD = 0.0005;

/**
 * Plans, each better than the one before: one made step by step by what gains most a minute, then changed a little many
 * times. The same seed gives the same plans. Nothing comes where nothing is allowed.
 *
 * @param given a plan to begin with; it is never made worse
 * @param tries how many changes are tried
 */
export function* betterPlans(
  board: Board,
  { seed, tries, given }: { seed: string; tries: number; given: readonly Activity[] | null },
): Generator<Found> {
  if (!canLock(board)) return;
  const random = seededRandom(seed);
  const made = built(board);
  let best: State | null = null;
  for (const genes of [given ? genesOf(board, given) : null, made]) {
    const state = genes && stateOf(board, genes);
    if (state && (!best || state.score.total > best.score.total)) best = state;
  }
  if (given && isAllowed(board, given)) {
    const score = scoreOf(board, given);
    // As it was given it may have gaps on purpose that a list of genes has not.
    if (!best || score.total >= best.score.total)
      best = { acts: [...given], genes: genesOf(board, given), score };
  }
  if (!best) return;
  yield best;
  let now: State = stateOf(board, best.genes) ?? best;
  for (let tried = 0; tried < tries; tried++) {
    const next = stateOf(board, changed(board, now.genes, random));
    if (!next) continue;
    const heat = HOT * (COLD / HOT) ** (tried / tries);
    const loss = now.score.total - next.score.total;
    if (loss > 0 && random() >= Math.exp(-loss / heat)) continue;
    now = next;
    if (now.score.total > best.score.total + 1e-9) {
      best = now;
      yield best;
    }
  }
}

function stateOf(board: Board, genes: Gene[]): State | null {
  const { acts, genes: kept } = placed(board, genes);
  return staysAllowed(board, acts) ? { acts, genes: kept, score: scoreOf(board, acts) } : null;
}

/** A first plan: at each step what the whole group gains most a minute by, the talk on safety before all. */
function built(board: Board): Gene[] | null {
  let genes: Gene[] = [];
  let worth = Number.NEGATIVE_INFINITY;
  const gene = (drill: BoardDrill): Gene => ({
    drill,
    takenMin: Math.max(
      drill.leastMin,
      Math.min(drill.likelyMin, ...drill.mostMin.filter((most) => most > 0)),
    ),
    lanes: drill.who,
  });
  // What each was worth when it was last tried: seldom more later.
  const options = board.drills
    .filter(({ place }) => place !== null)
    .map((drill) => ({ gene: gene(drill), perMin: Number.POSITIVE_INFINITY }));
  for (let step = 0; ; step++) {
    const before = step === 0 && board.locked.length === 0 ? 0 : worth;
    const { length } = placed(board, genes).acts;
    options.sort((a, b) => b.perMin - a.perMin);
    let best: (typeof options)[number] | null = null;
    for (const option of options) {
      if (best && best.perMin >= option.perMin) break;
      const { acts } = placed(board, [...genes, option.gene]);
      const fits = acts.length > length && staysAllowed(board, acts);
      option.perMin = fits ? (scoreOf(board, acts).total - before) / option.gene.takenMin : LATER;
      if (fits && (!best || option.perMin > best.perMin)) best = option;
    }
    if (!best || (step > 0 && best.perMin <= 0)) break;
    genes = [...genes, best.gene];
    worth = scoreOf(board, placed(board, genes).acts).total;
    // What could not be done may be done now: all behind the talk on safety, later what rests on what this one taught.
    const taught = best.gene.drill?.trains.map(({ skill }) => skill) ?? [];
    for (const option of options)
      if (option.perMin === LATER && (step === 0 || restsOnAny(board, option.gene, taught)))
        option.perMin = Number.POSITIVE_INFINITY;
  }
  return genes.length > 0 || board.locked.length > 0 ? genes : null;
}

function restsOnAny({ skills }: Board, { drill }: Gene, taught: readonly number[]): boolean {
  return skills[drill?.main ?? -1]?.needs.some((need) => taught.includes(need)) ?? false;
}

/** Worth of what cannot be done yet. */
const LATER = Number.NEGATIVE_INFINITY;

type Change = (board: Board, genes: Gene[], random: Random) => void;

const pick = (random: Random, length: number): number => Math.floor(random() * length);

/** One time of so many a break is put in the place of a drill. */
const BREAKS = 0.04;

/** Any drill, or a break, for those of some who may do it; what could give the group more is drawn more often. */
function anyGene(board: Board, lanes: number, random: Random, takenMin?: number): Gene {
  if (random() < BREAKS) return { drill: null, takenMin: BREAK_MIN, lanes };
  const at = bisectRight(board.draw, random() * (board.draw.at(-1) ?? 0));
  const drill = board.drills[Math.min(at, board.drills.length - 1)] ?? null;
  return { drill, takenMin: takenMin ?? drill?.likelyMin ?? BREAK_MIN, lanes };
}

/** Some of a group: all of them as often as not. */
function someOf(lanes: number, random: Random): number {
  if (random() < 0.5) return lanes;
  return lanesOf(lanes).reduce((bits, lane) => (random() < 0.5 ? bits | (1 << lane) : bits), 0);
}

/** Small changes of a list. Each may do nothing. */
const CHANGES: readonly Change[] = [
  // Another drill in the place of one.
  (board, genes, random) => {
    const i = pick(random, genes.length);
    if (genes[i]) genes[i] = anyGene(board, genes[i].lanes, random);
  },
  // Longer or shorter.
  (_board, genes, random) => {
    const i = pick(random, genes.length);
    const by = random() < 0.5 ? STEP_MIN : -STEP_MIN;
    if (genes[i]) genes[i] = { ...genes[i], takenMin: Math.max(STEP_MIN, genes[i].takenMin + by) };
  },
  // Two change places.
  (_board, genes, random) => {
    const [i, j] = [pick(random, genes.length), pick(random, genes.length)];
    const [a, b] = [genes[i], genes[j]];
    if (a && b) [genes[i], genes[j]] = [b, a];
  },
  // One goes elsewhere.
  (_board, genes, random) => {
    const [one] = genes.splice(pick(random, genes.length), 1);
    if (one) genes.splice(pick(random, genes.length + 1), 0, one);
  },
  (_board, genes, random) => void genes.splice(pick(random, genes.length), 1),
  // One more, for all or for some.
  (board, genes, random) => {
    const one = anyGene(board, someOf(board.all, random), random);
    genes.splice(pick(random, genes.length + 1), 0, one);
  },
  // A group parts: some do something else meanwhile, and as often as not they change over then.
  (board, genes, random) => {
    const i = pick(random, genes.length);
    const gene = genes[i];
    if (!gene || countOf(gene.lanes) < 2) return;
    const some = someOf(gene.lanes, random);
    if (some === 0 || some === gene.lanes) return;
    const others = gene.lanes & ~some;
    const other = anyGene(board, some, random, gene.takenMin);
    genes.splice(i, 1, { ...gene, lanes: others }, other);
    if (random() < 0.5) genes.splice(i + 2, 0, { ...gene, lanes: some }, { ...other, lanes: others });
  },
  // One joins the others.
  (_board, genes, random) => {
    const i = pick(random, genes.length - 1);
    const [a, b] = [genes[i], genes[i + 1]];
    if (a && b && (a.lanes & b.lanes) === 0) genes.splice(i, 2, { ...a, lanes: a.lanes | b.lanes });
  },
];

function changed(board: Board, genes: readonly Gene[], random: Random): Gene[] {
  const next = [...genes];
  const times = random() < 0.3 ? 2 : 1;
  for (let i = 0; i < times; i++) CHANGES[pick(random, CHANGES.length)]!(board, next, random);
  return next;
}
