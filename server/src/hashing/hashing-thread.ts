import { once } from 'node:events';
import { Worker } from 'node:worker_threads';
import { programFile } from '../programs';

/** A password to be made a hash of, or to be looked at against one. */
export interface ToHash {
  password: string;
  against: string | null;
}

/** The hash, or whether it is the right one. */
export type Hashed = { answer: string | boolean } | { error: string };

/** When nobody has signed in for so long it ends: its memory is needed for little of the day. Milliseconds. */
const IDLE_MS = 60_000;

let thread: Worker | undefined;
let ending: NodeJS.Timeout | undefined;

/**
 * Works a password out in a thread that steps back behind all others of the server: it takes a processor for a while on
 * purpose, and whoever asks for something else meanwhile shall find one free. One at a time. The thread starts with the
 * first of them, and keeps no program from ending. Nobody may ask before the one before has his answer.
 *
 * @throws Error for a hash that is none, and when the thread ends
 */
export async function hashing(what: ToHash): Promise<string | boolean> {
  clearTimeout(ending);
  const working = (thread ??= started());
  const waits = new AbortController();
  const { signal } = waits;
  working.ref();
  try {
    working.postMessage(what);
    const ended = once(working, 'exit', { signal }).then(() => [{ error: 'The thread ended.' }]);
    const [hashed] = (await Promise.race([once(working, 'message', { signal }), ended])) as [Hashed];
    if ('error' in hashed) throw new Error(hashed.error);
    return hashed.answer;
  } finally {
    waits.abort();
    working.unref();
    ending = setTimeout(end, IDLE_MS).unref();
  }
}

/** The next one starts another, whether or not this one is gone by then. */
function end(): void {
  const idle = thread;
  thread = undefined;
  void idle?.terminate();
}

function started(): Worker {
  const root = process.env['DOCEO_ROOT'] ?? process.cwd();
  const begun = new Worker(programFile(root, 'hashing'));
  // Whoever waits hears of it by `once`; the next one starts another.
  begun.on('error', () => undefined);
  begun.on('exit', () => {
    if (thread === begun) thread = undefined;
  });
  return begun;
}
