import { bisectRight } from 'd3-array';
import type { Random } from '../../../random';
import { STEP_MIN } from '../../plan';
import type { Board } from '../model';
import { countOf, lanesOf } from '../activity';
import { BREAK, BREAK_MIN, type Gene, geneOf } from '../genes';

const pick = (random: Random, length: number): number => Math.floor(random() * length);

type Change = (board: Board, genes: Gene[], random: Random, together: boolean) => void;

/** One time of so many a break is put in the place of a drill. */
const BREAKS = 0.04;

/** Any drill, or a break, for those of some who may do it; what could give the group more is drawn more often. */
function anyGene(board: Board, lanes: number, random: Random, takenMin?: number): Gene {
  if (random() < BREAKS && board.task.addsBreaks !== false) return geneOf(BREAK, BREAK_MIN, lanes);
  const at = bisectRight(board.draw, random() * (board.draw.at(-1) ?? 0));
  const drill = board.drills[Math.min(at, board.drills.length - 1)] ?? null;
  return geneOf(drill, takenMin ?? drill?.likelyMin ?? BREAK_MIN, lanes);
}

/** Some of those: all of them as often as not, and of groups that are apart one. */
function someOf({ groups }: Board, lanes: number, random: Random): number {
  if (groups.length > 0) return (groups[Math.floor(random() * groups.length)] ?? 0) & lanes;
  if (random() < 0.5) return lanes;
  return lanesOf(lanes).reduce((bits, lane) => (random() < 0.5 ? bits | (1 << lane) : bits), 0);
}

/** Small changes of a list. Each may do nothing. */
const CHANGES: readonly Change[] = [
  // Another drill in the place of one.
  (board, genes, random) => {
    const i = pick(random, genes.length);
    const gene = genes[i];
    if (!gene || gene.plain?.stays) return;
    // As long as what was there, most times: then nobody else's day is torn.
    genes[i] = anyGene(board, gene.lanes, random, random() < 0.7 ? gene.takenMin : undefined);
  },
  // Longer or shorter.
  (_board, genes, random) => {
    const i = pick(random, genes.length);
    const by = random() < 0.5 ? STEP_MIN : -STEP_MIN;
    if (genes[i] && !genes[i].plain?.stays)
      genes[i] = { ...genes[i], takenMin: Math.max(STEP_MIN, genes[i].takenMin + by) };
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
  (_board, genes, random) => {
    const i = pick(random, genes.length);
    if (!genes[i]?.plain?.stays) genes.splice(i, 1);
  },
  // One more, for all or for some.
  (board, genes, random, together) => {
    const one = anyGene(board, together ? board.all : someOf(board, board.all, random), random);
    genes.splice(pick(random, genes.length + 1), 0, one);
  },
  // Longer, and what comes next for them shorter by as much.
  (_board, genes, random) => {
    const i = pick(random, genes.length);
    const [a, at] = [genes[i], genes.findIndex(({ lanes }, k) => k > i && lanes === genes[i]!.lanes)];
    const b = genes[at];
    if (!a || !b || a.plain?.stays || b.plain?.stays) return;
    const by = random() < 0.5 ? STEP_MIN : -STEP_MIN;
    if (Math.min(a.takenMin + by, b.takenMin - by) < STEP_MIN) return;
    genes[i] = { ...a, takenMin: a.takenMin + by };
    genes[at] = { ...b, takenMin: b.takenMin - by };
  },
];

/** Small changes of who does what with whom. Each may do nothing. */
const PARTINGS: readonly Change[] = [
  // A group parts: some do something else meanwhile, and as often as not they change over then.
  (board, genes, random) => {
    const i = pick(random, genes.length);
    const gene = genes[i];
    if (!gene || gene.plain?.stays || countOf(gene.lanes) < 2) return;
    const some = someOf(board, gene.lanes, random);
    if (some === 0 || some === gene.lanes) return;
    const others = gene.lanes & ~some;
    const other = anyGene(board, some, random, gene.takenMin);
    genes.splice(i, 1, { ...gene, lanes: others }, other);
    if (random() < 0.5) genes.splice(i + 2, 0, { ...gene, lanes: some }, { ...other, lanes: others });
  },
  // Some join others who do something else meanwhile.
  (_board, genes, random) => {
    const { i, j } = twoBeside(genes, random);
    const [a, b] = [genes[i], genes[j]];
    if (!a || !b || b.plain?.stays) return;
    genes[i] = { ...a, lanes: a.lanes | b.lanes };
    genes.splice(j, 1);
  },
  // One goes over to the others, or two change places with each other.
  ({ groups }, genes, random) => {
    const { i, j } = twoBeside(genes, random);
    const [a, b] = [genes[i], genes[j]];
    if (!a || !b || groups.length > 0) return;
    const one = 1 << lanesOf(a.lanes)[pick(random, countOf(a.lanes))]!;
    const other = random() < 0.5 ? 0 : 1 << lanesOf(b.lanes)[pick(random, countOf(b.lanes))]!;
    genes[j] = { ...b, lanes: (b.lanes & ~other) | one };
    genes[i] = { ...a, lanes: (a.lanes & ~one) | other };
    if (genes[i].lanes === 0) genes.splice(i, 1);
  },
];

/** Two that stand near each other in the list and are of different students, or of nobody. */
function twoBeside(genes: readonly Gene[], random: Random): { i: number; j: number } {
  const i = pick(random, genes.length);
  const a = genes[i];
  const others = [i + 1, i + 2, i + 3, i - 1, i - 2].filter((j) => {
    const b = genes[j];
    return a && b && (a.lanes & b.lanes) === 0 && a.takenMin === b.takenMin;
  });
  return { i, j: others[pick(random, others.length)] ?? -1 };
}

const ALL_CHANGES = [...CHANGES, ...PARTINGS];

/**
 * A list with one small change, or two.
 *
 * @param together whether nobody parts from the others, and what comes is for all
 */
export function changed(board: Board, genes: readonly Gene[], random: Random, together = false): Gene[] {
  const kinds = together ? CHANGES : ALL_CHANGES;
  const next = [...genes];
  const times = random() < 0.3 ? 2 : 1;
  for (let i = 0; i < times; i++) kinds[pick(random, kinds.length)]!(board, next, random, together);
  return next;
}
