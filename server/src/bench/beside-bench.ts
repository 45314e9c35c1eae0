import { setTimeout as wait } from 'node:timers/promises';
import { demoScenario } from '@doceo/demo';
import { type FitStatus, MAX_STUDENT_EVENTS, type StudentFile } from '@doceo/contract';
import type { Lake } from '@doceo/core';
import { emptyDatabase } from '../testing/test-database';
import { median } from './median';
import { type Slowest, slowestBeside } from './probe';
import { ask, ended, type Running, signIn, started } from './running-server';

/** What nobody else may wait for longer, because of one request. */
const AIM_MS = 50;

/** How long somebody else waits beside a flood and beside the largest requests. */
export async function benchBeside(): Promise<void> {
  const server = await started(await emptyDatabase('bench_beside'));
  for (let i = 0; i < 200; i++) await ask(server, '/api/session');
  const told = async (what: string, busy: (run: number) => Promise<unknown>, runs = 3): Promise<void> =>
    console.log(`  ${what}: ${said(await waits(server, busy, runs))}`);
  console.log('\nhow long somebody else waits at the slowest');
  await told('alone', () => wait(2000));
  await told('beside 200 who sign in at once', () => signInFlood(server));
  await told('beside the description of the API', () => ask(server, '/api/openapi.json'));
  await told('beside a lake of 100 pieces of 2000 corners', () => saveLake(server));
  const records = await Promise.all([0, 1, 2].map(() => largeRecord(server)));
  await told(`beside a record of ${MAX_STUDENT_EVENTS} entries that is taken in`, (run) =>
    drained(server, '/api/students/import', { method: 'POST', body: records[run]?.file }),
  );
  // They are made once: a second time there is nothing to do.
  await told(
    'beside where students stand, with such records new',
    () => drained(server, '/api/records/progress'),
    1,
  );
  await told('beside one of them given out', () => drained(server, `/api/students/${records[0]?.id}/export`));
  await told('beside one of them opened', () => drained(server, `/api/events?studentId=${records[0]?.id}`));
  await told('beside one of them in a group', () => drained(server, `/api/records?ids=${records[0]?.id}`));
  await told('beside a fit of learning parameters', () => fit(server));
  await ended(server);
}

/** A first run is told by itself: what is slow once, because nothing was ready for it, is hidden by a median. */
function said(runs: readonly Slowest[]): string {
  const [first, ...later] = runs.map(({ ownMs }) => ownMs);
  const clock = median(runs.map(({ clockMs }) => clockMs)).toFixed(0);
  const own = median(runs.map(({ ownMs }) => ownMs));
  const each =
    later.length > 0
      ? `, at first ${first?.toFixed(0)}, then ${later.map((ms) => ms.toFixed(0)).join(', ')}`
      : '';
  return `${own.toFixed(0)} ms without what the host kept back (${(own / AIM_MS).toFixed(2)} of the aim; ${clock} by the clock${each})`;
}

async function waits(
  server: Running,
  busy: (run: number) => Promise<unknown>,
  runs: number,
): Promise<Slowest[]> {
  const slowest: Slowest[] = [];
  for (let run = 0; run < runs; run++) slowest.push(await slowestBeside(server, () => busy(run)));
  return slowest;
}

async function signInFlood({ origin }: Running): Promise<void> {
  await Promise.all(
    Array.from({ length: 200 }, async (_, i) => {
      const stranger = `stranger-${i}@example.org`;
      await (await signIn(origin, stranger, 'not the one', `10.0.${i % 250}.1`)).text();
    }),
  );
}

const round = (metres: number): number => Math.round(metres * 100) / 100;

/** Rings of 2000 corners beside each other. */
function largeLake(): Lake {
  const ring = (cx: number, cy: number, r: number) =>
    Array.from({ length: 2000 }, (_, i) => ({
      x: round(cx + r * Math.cos((i / 1000) * Math.PI) * (1 + 0.02 * Math.sin(i))),
      y: round(cy + r * Math.sin((i / 1000) * Math.PI) * (1 + 0.02 * Math.sin(i))),
    }));
  return {
    ...{ id: 'lake', name: 'Merrow Lake', lengthM: 1000, widthM: 1000, boats: false, soundings: [] },
    pieces: Array.from({ length: 100 }, (_, i) => ({
      ...{ id: `${i}`, name: `${i}`, kind: i === 0 ? ('shore' as const) : ('weed' as const) },
      ...{ depthM: null, speedMs: null },
      shape: ring(50 + (i % 10) * 100, 50 + Math.floor(i / 10) * 100, 40),
    })),
  };
}

const LAKE = JSON.stringify({ lake: largeLake(), baseVersion: 0 });

async function saveLake(server: Running): Promise<void> {
  const id = crypto.randomUUID();
  const { water } = demoScenario(new Date()).waters.list.find((one) => one.water.kind === 'lake')!;
  await ask(server, '/api/waters', { method: 'POST', body: JSON.stringify({ id, water }) });
  const { status } = await ask(server, `/api/waters/${id}/lake`, { method: 'PUT', body: LAKE });
  if (status !== 200) throw new Error(`The lake was answered with ${status}.`);
}

/**
 * Reads an answer to its end, and keeps nothing of it.
 *
 * @throws Error for any other answer than 200
 */
async function drained({ origin, cookie }: Running, path: string, rest?: RequestInit): Promise<void> {
  const headers = { cookie, 'content-type': 'application/json' };
  const { status, body } = await fetch(`${origin}${path}`, { ...rest, headers });
  if (body) for await (const _ of body as unknown as AsyncIterable<unknown>);
  if (status !== 200) throw new Error(`${path} was answered with ${status}.`);
}

async function read<T>({ origin, cookie }: Running, path: string): Promise<T> {
  return (await fetch(`${origin}${path}`, { headers: { cookie } })).json() as Promise<T>;
}

/** A student of the demo under a new id, with as many entries as a record may have, as a file. */
async function largeRecord(server: Running): Promise<{ id: string; file: Blob }> {
  const { list } = demoScenario(new Date()).students;
  const whole = await read<StudentFile>(server, `/api/students/${list[0]?.id}/export`);
  const lessonId = whole.lessons[0]?.id ?? '';
  const id = crypto.randomUUID();
  const events = Array.from({ length: MAX_STUDENT_EVENTS }, (_, i) => ({
    ...{ id: crypto.randomUUID(), lessonId, studentId: id, blockId: null, deviceId: id, atMs: i * 60_000 },
    body: {
      ...{ kind: 'attempt' as const, skillId: 'casting.pause', drillId: null },
      ...{ good: i % 3 > 0, faultId: null },
    },
  }));
  const file = { ...whole, student: { ...whole.student, id }, events, readings: [] };
  return { id, file: new Blob([JSON.stringify(file)]) };
}

async function fit(server: Running): Promise<void> {
  await drained(server, '/api/skill-fit', { method: 'POST', body: '{}' });
  for (;;) {
    const { state } = await read<FitStatus>(server, '/api/skill-fit');
    if (state === 'done') return;
    if (state === 'failed') throw new Error('The fit failed.');
    await wait(200);
  }
}
