import { MIGRATIONS, emptyDatabase } from '../testing/test-database';
import { prepareDatabase } from '../db/prepare';
import { grow } from '../grow/grow';
import { seedDemo } from '../seed/seed-demo';
import { median } from './median';
import { load } from './load';
import { ask, ended, started } from './running-server';

const TIMES = 15;
/** A list's first page at most, bytes. */
const AIM_BYTES = 60_000;

/** Lists that a screen asks for when it opens. */
const LISTS = [
  '/api/plans',
  '/api/library',
  '/api/lessons',
  '/api/students',
  '/api/records/progress',
  '/api/records/effects',
  '/api/waters',
  '/api/courses',
  '/api/circles',
  '/api/news',
];

interface Answer {
  bytes: number;
  ms: number;
}

/** How lists answer with a school's data of years, beside how they answer with the demo's. */
export async function benchGrown(): Promise<void> {
  const [small, large] = [await answers('bench_small', false), await answers('bench_grown', true)];
  console.log('\nlists of a grown database, and how many times as long as the demo takes');
  for (const path of LISTS) {
    const [before, now] = [small.get(path) as Answer, large.get(path) as Answer];
    console.log(
      `  ${path}: ${(now.bytes / 1000).toFixed(0)} kB (${(now.bytes / AIM_BYTES).toFixed(2)} of the aim), ${now.ms.toFixed(0)} ms (${(now.ms / before.ms).toFixed(1)} ×)`,
    );
  }
}

async function answers(name: string, isGrown: boolean): Promise<Map<string, Answer>> {
  const url = await emptyDatabase(name);
  const now = new Date();
  await prepareDatabase(url, MIGRATIONS, async (db) => {
    if ((await seedDemo(db, now)) && isGrown) await grow(db, now);
  });
  const server = await started(url);
  const found = new Map<string, Answer>();
  for (const path of LISTS) {
    const took: number[] = [];
    let bytes = 0;
    for (let i = 0; i < TIMES; i++) {
      const from = performance.now();
      bytes = (await ask(server, path)).bytes;
      took.push(performance.now() - from);
    }
    found.set(path, { bytes, ms: median(took) });
  }
  if (isGrown) await load(server, LISTS);
  await ended(server);
  return found;
}
