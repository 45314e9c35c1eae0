import { once } from 'node:events';
import { Agent, get, type IncomingMessage } from 'node:http';
import { parentPort, Worker, workerData } from 'node:worker_threads';
import { setTimeout as wait } from 'node:timers/promises';
import type { Running } from './running-server';
import { stolenMs, stolenSince } from './stolen';

/** How often somebody else asks while the server is busy. */
const EVERY_MS = 15;

/** The longest that a small request took, milliseconds: as the clock says, and without what the host kept back in it. */
export interface Slowest {
  clockMs: number;
  ownMs: number;
}

/**
 * The longest that a small request takes while something else goes on. Who asks has a thread of his own: what the other
 * one sends and reads does not count.
 */
export async function slowestBeside(
  { origin, cookie }: Running,
  busy: () => Promise<unknown>,
): Promise<Slowest> {
  const asking = new Worker(process.argv[1] as string, { workerData: { origin, cookie } });
  await once(asking, 'message');
  await busy();
  asking.postMessage('over');
  const [slowest] = (await once(asking, 'message')) as [Slowest];
  await asking.terminate();
  return slowest;
}

/** What runs in that thread. */
export async function askUntilOver(): Promise<void> {
  const { origin, cookie } = workerData as Pick<Running, 'origin' | 'cookie'>;
  // The plainest client there is: one that leaves more to clear up stops for that longer than the server ever does.
  const agent = new Agent({ keepAlive: true });
  const ask = async (): Promise<Slowest> => {
    const [from, before] = [performance.now(), stolenMs()];
    const asked = get(`${origin}/api/session`, { agent, headers: { cookie } });
    const [answer] = (await once(asked, 'response')) as [IncomingMessage];
    await once(answer.resume(), 'end');
    const clockMs = performance.now() - from;
    return { clockMs, ownMs: Math.max(0, clockMs - stolenSince(before)) };
  };
  for (let i = 0; i < 20; i++) await ask();
  let over = false;
  parentPort?.once('message', () => (over = true));
  parentPort?.postMessage('ready');
  const took: Promise<Slowest>[] = [];
  while (!over) {
    took.push(ask());
    await wait(EVERY_MS);
  }
  const all = await Promise.all(took);
  const slowest: Slowest = {
    clockMs: Math.max(...all.map(({ clockMs }) => clockMs)),
    ownMs: Math.max(...all.map(({ ownMs }) => ownMs)),
  };
  parentPort?.postMessage(slowest);
}
