import type { Block } from '../plan';

/**
 * Blocks that were moved past others. What only comes later since something before it grew or came is not moved: its order
 * among the others is the same. The fewest are taken whose moving explains the new order.
 *
 * @returns ids of blocks that are in both
 */
export function movedIds(before: readonly Block[], after: readonly Block[]): Set<string> {
  const now = new Map(after.map((block) => [block.id, block.startMin]));
  const both = before
    .filter(({ id }) => now.has(id))
    .map(({ id, startMin }) => ({ id, was: startMin, is: now.get(id)! }))
    .sort((a, b) => a.was - b.was || a.is - b.is || (a.id < b.id ? -1 : 1));
  const stays = longestRising(both.map(({ is }) => is));
  return new Set(both.filter((_, i) => !stays.has(i)).map(({ id }) => id));
}

/** Places of the longest row of numbers none of which is less than the one before. */
function longestRising(numbers: readonly number[]): Set<number> {
  const length: number[] = [];
  const before: number[] = [];
  numbers.forEach((number, i) => {
    length[i] = 1;
    before[i] = -1;
    for (let j = 0; j < i; j++)
      if (numbers[j]! <= number && length[j]! >= length[i]!) {
        length[i] = length[j]! + 1;
        before[i] = j;
      }
  });
  const row = new Set<number>();
  for (let i = length.indexOf(Math.max(...length)); i >= 0; i = before[i]!) row.add(i);
  return row;
}
