/** Students whose entries are read at once, and how many entries unless one has more. */
const STUDENTS_AT_ONCE = 8;
const ENTRIES_AT_ONCE = 5000;

/**
 * Some students at a time, and one with very many entries alone: no statement reads more than it has time for.
 *
 * @param entriesOf how many entries there are of one
 */
export function inBatches<T>(students: readonly T[], entriesOf: (student: T) => number): T[][] {
  const batches: T[][] = [];
  let room = 0;
  for (const one of students) {
    const entries = entriesOf(one);
    const last = batches.at(-1);
    if (last && last.length < STUDENTS_AT_ONCE && entries <= room) last.push(one);
    else batches.push([one]);
    room = (last === batches.at(-1) ? room : ENTRIES_AT_ONCE) - entries;
  }
  return batches;
}
