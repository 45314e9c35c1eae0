import { setTimeout as wait } from 'node:timers/promises';
import { demoScenario } from '@doceo/demo';
import { type FitStatus, MAX_STUDENT_EVENTS, type StudentFile } from '@doceo/contract';
import type { Lake } from '@doceo/core';
import { emptyDatabase } from '../testing/test-database';
import { median } from './median';
import { Probe, type Watched } from './probe';
import { ask, ended, type Running, signIn, started } from './running-server';

/** What nobody else may wait for longer, because of one request. */
const AIM_MS = 50;

/** Of a run in which the host let others go first for more of the time than this, nothing can be said. */
const MAX_KEPT_BACK = 0.01;

/** Something large that one asks for while somebody else waits. */
interface Large {
  what: string;
  runs: number;
  /** What is there before a run, and does not count. */
  before?: () => Promise<unknown>;
  run: () => Promise<unknown>;
}

/**
 * How long somebody else waits beside a flood and beside the largest requests.
 *
 * @param words only those of them whose name has one of these; all where there are none
 */
export async function benchBeside(words: readonly string[]): Promise<void> {
  const server = await started(await emptyDatabase('bench_beside'));
  for (let i = 0; i < 200; i++) await ask(server, '/api/session');
  const probe = await Probe.of(server);
  console.log('\nhow long somebody else waits at the slowest, without what the host kept back');
  for (const large of largeOnes(server))
    if (words.length === 0 || words.some((word) => large.what.includes(word)))
      console.log(`  ${large.what}: ${said(await waits(probe, large))}`);
  await probe.end();
  await ended(server);
}

function largeOnes(server: Running): Large[] {
  let record: LargeRecord = { id: '', file: new Blob() };
  const newRecord = async (): Promise<void> => void (record = await largeRecord(server));
  const takenIn = () => drained(server, '/api/students/import', { method: 'POST', body: record.file });
  const aRecord = async (): Promise<void> => {
    if (record.id === '') await newRecord().then(takenIn);
  };
  const of = (what: string, run: Large['run']): Large => ({ what, runs: 3, run });
  return [
    of('alone', () => wait(2000)),
    of('beside 200 who sign in at once', () => signInFlood(server)),
    of('beside the description of the API', () => ask(server, '/api/openapi.json')),
    of('beside a lake of 100 pieces of 2000 corners', () => saveLake(server)),
    {
      ...of(`beside a record of ${MAX_STUDENT_EVENTS} entries that is taken in`, takenIn),
      before: newRecord,
    },
    {
      // Once it is known there is nothing to do.
      ...of('beside where students stand, with such a record new', () =>
        drained(server, '/api/records/progress'),
      ),
      before: () => newRecord().then(takenIn),
    },
    {
      ...of('beside one of them given out', () => drained(server, `/api/students/${record.id}/export`)),
      before: aRecord,
    },
    {
      ...of('beside one of them opened', () => drained(server, `/api/events?studentId=${record.id}`)),
      before: aRecord,
    },
    {
      ...of('beside one of them in a group', () => drained(server, `/api/records?ids=${record.id}`)),
      before: aRecord,
    },
    { ...of('beside a fit of learning parameters', () => fit(server)), before: aRecord },
  ];
}

/** Each run by itself, too: what is slow once, because nothing was ready for it, is hidden by a median. */
function said(runs: readonly Watched[]): string {
  const each = runs.map(({ ownMs, clockMs, keptBack }) => {
    const share = isQuiet({ keptBack }) ? '' : ` where the host kept back ${(keptBack * 100).toFixed(0)} %`;
    return `${ownMs.toFixed(0)} (${clockMs.toFixed(0)} by the clock${share})`;
  });
  const quiet = runs.filter(isQuiet);
  const middle = median((quiet.length > 0 ? quiet : runs).map(({ ownMs }) => ownMs));
  return `${middle.toFixed(0)} ms (${(middle / AIM_MS).toFixed(2)} of the aim); one after the other ${each.join(', ')}`;
}

const isQuiet = ({ keptBack }: Pick<Watched, 'keptBack'>): boolean => keptBack <= MAX_KEPT_BACK;

/** As many runs as are wanted without the host in them, but no more than twice as many in all. */
async function waits(probe: Probe, { runs, before, run }: Large): Promise<Watched[]> {
  const watched: Watched[] = [];
  while (watched.filter(isQuiet).length < runs && watched.length < 2 * runs) {
    await before?.();
    watched.push(await probe.slowestBeside(run));
  }
  return watched;
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

interface LargeRecord {
  id: string;
  file: Blob;
}

/** A student of the demo under a new id, with as many entries as a record may have, as a file. */
async function largeRecord(server: Running): Promise<LargeRecord> {
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
