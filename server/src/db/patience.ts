import { AsyncLocalStorage } from 'node:async_hooks';

/** How long a request may wait for the database in all, so that it is answered within five seconds, milliseconds. */
export const DEFAULT_PATIENCE_MS = 4000;
/** For a whole record in or out. */
export const LONG_PATIENCE_MS = 120_000;
/** No single statement takes longer, however patient the request. */
const MAX_PER_STATEMENT_MS = 15_000;

/** Time a request has left for waiting on the database. Time spent on anything else does not count. */
export interface Patience {
  leftMs: number;
  /** Whether the database has done something for it already. */
  begun: boolean;
}

const current = new AsyncLocalStorage<Patience>();

/** Runs a request, whose statements share one patience. */
export function withPatience<T>(work: () => T, ms = DEFAULT_PATIENCE_MS): T {
  return current.run({ leftMs: ms, begun: false }, work);
}

/** Runs what goes on after the request that began it: its statements have the longest limit each. */
export function withoutPatience<T>(work: () => T): T {
  return current.exit(work);
}

/** Gives the request that runs more time. */
export function bePatient(ms: number): void {
  const patience = current.getStore();
  if (patience) patience.leftMs = ms;
}

/** Whether a request was let in already; what goes on outside of requests was. */
export function hasBegun(): boolean {
  return current.getStore()?.begun ?? true;
}

/** Notes that a request was let in. */
export function begin(): void {
  const patience = current.getStore();
  if (patience) patience.begun = true;
}

/** What the next statement may take; work outside of requests has the longest limit each time. */
export function patienceLeftMs(): number {
  return Math.max(0, Math.min(MAX_PER_STATEMENT_MS, current.getStore()?.leftMs ?? MAX_PER_STATEMENT_MS));
}

/** Runs something that waits for the database and takes its time off the patience. */
export async function spending<T>(wait: () => Promise<T>): Promise<T> {
  const patience = current.getStore();
  const from = performance.now();
  try {
    return await wait();
  } finally {
    if (patience) patience.leftMs -= performance.now() - from;
  }
}
