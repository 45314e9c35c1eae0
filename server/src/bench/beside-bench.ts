import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { demoScenario } from '@doceo/demo';
import type { Lake } from '@doceo/core';
import { emptyDatabase, ROOT } from '../testing/test-database';
import { median } from './median';
import { ask, cpuMs, ended, type Running, signIn, started } from './running-server';

/** What nobody else may wait for longer, because of one request. */
const AIM_MS = 50;
/** What a first visit may cost the server. */
const VISIT_AIM_MS = 30;
const VISITS = 10;
/** How often somebody else asks while the server is busy. */
const EVERY_MS = 15;

/** How long somebody else waits beside a flood and beside heavy requests, and what a first visit costs the server. */
export async function benchBeside(): Promise<void> {
  const server = await started(await emptyDatabase('bench_beside'));
  for (let i = 0; i < 200; i++) await ask(server, '/api/session');
  const others = await waits(server, () => wait(2000));
  console.log(`\nsomebody else, alone: ${others.toFixed(0)} ms at the slowest`);
  const told = async (what: string, busy: () => Promise<unknown>): Promise<void> => {
    const slowest = await waits(server, busy);
    console.log(
      `  beside ${what}: ${slowest.toFixed(0)} ms at the slowest (${(slowest / AIM_MS).toFixed(2)} of the aim)`,
    );
  };
  await told('200 who sign in at once', () => signInFlood(server));
  await told('the description of the API', () => ask(server, '/api/openapi.json'));
  await told('a lake of 100 pieces of 2000 corners', () => saveLake(server));
  const before = cpuMs(server);
  for (let i = 0; i < VISITS; i++) await visit(server);
  const each = (cpuMs(server) - before) / VISITS;
  console.log(
    `a first visit: ${each.toFixed(0)} ms of the server's processor (${(each / VISIT_AIM_MS).toFixed(2)} of the aim)`,
  );
  await ended(server);
}

/** The longest that a small request takes while something else goes on, milliseconds; the median of three runs. */
async function waits(server: Running, busy: () => Promise<unknown>): Promise<number> {
  const slowest: number[] = [];
  for (let run = 0; run < 3; run++) {
    let over = false;
    const work = busy().finally(() => (over = true));
    const took: Promise<number>[] = [];
    while (!over) {
      const from = performance.now();
      took.push(ask(server, '/api/session').then(() => performance.now() - from));
      await wait(EVERY_MS);
    }
    await work;
    slowest.push(Math.max(...(await Promise.all(took))));
  }
  return median(slowest);
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

/** The page and all that its worker keeps on a device, as a browser asks for it. */
async function visit(server: Running): Promise<void> {
  await ask(server, '/');
  const folder = join(ROOT, 'dist/web');
  const files = readdirSync(folder, { recursive: true })
    .map(String)
    .filter((file) => /\.(js|css|woff2|svg|png)$/.test(file) && statSync(join(folder, file)).isFile());
  for (const file of files) await ask(server, `/${file}`);
}
