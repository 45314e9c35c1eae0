/**
 * What a spec opened. One whose set-up took too long is given up while that still goes on: what it opens from then on
 * would speak to code that is no longer there, in the middle of another spec.
 */
const running = new Set<() => unknown>();
let over = false;

/** Notes how to end a browser or a server; throws, and ends it, when its spec is over. */
export async function noteRunning(end: () => unknown): Promise<void> {
  running.add(end);
  if (!over) return;
  await endAll();
  throw new Error('The spec is over.');
}

async function endAll(): Promise<void> {
  await Promise.allSettled([...running].map(async (end) => end()));
  running.clear();
}

/** Ends what is still open, now and later. */
export async function endLeftRunning(): Promise<void> {
  over = true;
  await endAll();
}
