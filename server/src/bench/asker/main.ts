import { Agent, get, type IncomingMessage } from 'node:http';
import { once } from 'node:events';
import { setTimeout as wait } from 'node:timers/promises';
import type { Slowest } from '../probe';
import { stolenMs, stolenSince } from '../stolen';

/** How often somebody else asks while the server is busy. */
const EVERY_MS = 15;
/** Before it counts: compiled, connected, and the memory of its own start cleared up. */
const WARM = 100;

// The plainest client there is, in a program that holds nothing else: one that has more to clear up stops for that longer
// than the server ever does, and would take its own stops for the server's.
const agent = new Agent({ keepAlive: true });
const [origin, cookie] = process.argv.slice(2) as [string, string];

async function ask(): Promise<Slowest> {
  const [from, before] = [performance.now(), stolenMs()];
  const answer = await answered();
  await once(answer.resume(), 'end');
  const clockMs = performance.now() - from;
  return { clockMs, ownMs: Math.max(0, clockMs - stolenSince(before)) };
}

/** A kept connection that the server gave up just then is no answer: one asks anew, as a browser does. */
async function answered(): Promise<IncomingMessage> {
  const asked = get(`${origin}/api/session`, { agent, headers: { cookie } });
  try {
    return ((await once(asked, 'response')) as [IncomingMessage])[0];
  } catch (error) {
    if (asked.reusedSocket && (error as NodeJS.ErrnoException).code === 'ECONNRESET') return answered();
    throw error;
  }
}

let slowest: Slowest | null = null;

async function askOn(): Promise<void> {
  const asked: Promise<void>[] = [];
  while (slowest) {
    const one = slowest;
    asked.push(
      ask().then(({ clockMs, ownMs }) => {
        one.clockMs = Math.max(one.clockMs, clockMs);
        one.ownMs = Math.max(one.ownMs, ownMs);
      }),
    );
    await wait(EVERY_MS);
  }
  await Promise.all(asked);
}

let asking = Promise.resolve();

function begin(): void {
  slowest = { clockMs: 0, ownMs: 0 };
  asking = askOn();
  process.send?.('asking');
}

async function end(): Promise<void> {
  const told = slowest;
  slowest = null;
  await asking;
  process.send?.(told);
}

process.on('message', (what) => (what === 'begin' ? begin() : void end()));
for (let i = 0; i < WARM; i++) await ask();
process.send?.('ready');
