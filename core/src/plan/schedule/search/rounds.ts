import type { Random } from '../../../random';
import type { Gene } from '../genes';

/** What lies between two minutes at which everybody is free: it can be moved as one and tears nobody's day. */
export interface Round {
  genes: readonly Gene[];
  fromMin: number;
  untilMin: number;
}

/**
 * A list in rounds, in the order of time.
 *
 * @param starts when each thing of the list begins, minutes
 */
export function roundsOf(genes: readonly Gene[], starts: readonly number[]): Round[] {
  const order = genes.map((_, i) => i).sort((a, b) => starts[a]! - starts[b]! || a - b);
  const rounds: { genes: Gene[]; fromMin: number; untilMin: number }[] = [];
  for (const i of order) {
    const gene = genes[i]!;
    const fromMin = starts[i]!;
    const untilMin = fromMin + gene.takenMin;
    const round = rounds.at(-1);
    if (!round || fromMin >= round.untilMin) {
      rounds.push({ genes: [gene], fromMin, untilMin });
      continue;
    }
    round.genes.push(gene);
    round.untilMin = Math.max(round.untilMin, untilMin);
  }
  return rounds;
}

/** Rounds as a list again. */
export function inOne(rounds: readonly Pick<Round, 'genes'>[]): Gene[] {
  return rounds.flatMap(({ genes }) => genes);
}

/** The list with two rounds in each other's place, or one elsewhere, or one away. */
export function roundsMoved(genes: readonly Gene[], starts: readonly number[], random: Random): Gene[] {
  const rounds = roundsOf(genes, starts);
  if (rounds.length === 0) return [];
  const [i, j] = [Math.floor(random() * rounds.length), Math.floor(random() * rounds.length)];
  const how = random();
  if (how < 0.45) [rounds[i], rounds[j]] = [rounds[j]!, rounds[i]!];
  else {
    const [one] = rounds.splice(i, 1);
    if (one && (how < 0.9 || one.genes.some(({ plain }) => plain?.stays))) rounds.splice(j, 0, one);
  }
  return inOne(rounds);
}
