import { setTimeout as wait } from 'node:timers/promises';
import { ask, memoryMb, type Running } from './running-server';

const EACH_SECOND = 50;
const SECONDS = 20;
const AIM_P99_MS = 50;
const PEOPLE = 100;
/** What the server may take of memory, with few and with many at once. */
const AIM_MB = 300;
const AIM_MANY_MB = 512;

/** How lists answer when fifty are asked for each second, and when a hundred people open all of them at once. */
export async function load(server: Running, paths: readonly string[]): Promise<void> {
  const took: { path: string; ms: number }[] = [];
  const asked: Promise<unknown>[] = [];
  const from = performance.now();
  for (let i = 0; i < EACH_SECOND * SECONDS; i++) {
    await wait(Math.max(0, from + (i * 1000) / EACH_SECOND - performance.now()));
    const path = paths[i % paths.length] as string;
    const began = performance.now();
    asked.push(ask(server, path).then(() => took.push({ path, ms: performance.now() - began })));
  }
  await Promise.all(asked);
  const p99 = share(took, 0.99);
  console.log(
    `at ${EACH_SECOND} requests a second: ${share(took, 0.5).toFixed(0)} ms at the middle, ${p99.toFixed(0)} ms at 99 of 100 (${(p99 / AIM_P99_MS).toFixed(2)} of the aim)`,
  );
  for (const path of paths) {
    const own = share(
      took.filter((one) => one.path === path),
      0.99,
    );
    if (own > AIM_P99_MS) console.log(`  ${path}: ${own.toFixed(0)} ms`);
  }
  const mb = memoryMb(server);
  console.log(`memory after that: ${mb.toFixed(0)} MB (${(mb / AIM_MB).toFixed(2)} of the aim)`);
  let top = 0;
  let over = false;
  const watching = (async () => {
    for (; !over; await wait(20)) top = Math.max(top, memoryMb(server));
  })();
  const began = performance.now();
  const people = Array.from({ length: PEOPLE }, () => Promise.all(paths.map((path) => ask(server, path))));
  const statuses = (await Promise.all(people)).flat().map(({ status }) => status);
  over = true;
  await watching;
  const away = statuses.filter((status) => status !== 200).length;
  console.log(
    `${PEOPLE} people who open all lists at once: answered in ${((performance.now() - began) / 1000).toFixed(1)} s, ${away} sent away, ${top.toFixed(0)} MB at most (${(top / AIM_MANY_MB).toFixed(2)} of the aim)`,
  );
}

function share(took: readonly { ms: number }[], of: number): number {
  const sorted = took.map(({ ms }) => ms).sort((a, b) => a - b);
  return sorted[Math.floor((sorted.length - 1) * of)] ?? 0;
}
