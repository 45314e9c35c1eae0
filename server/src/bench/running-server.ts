import { type ChildProcess, fork } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import nodeFlags from '../node-flags.json';
import { ROOT } from '../testing/test-database';

/** A server in a process of its own, and the session of the lead instructor. */
export interface Running {
  origin: string;
  process: ChildProcess;
  cookie: string;
}

/** Starts the built server on a database, with the demo in it. */
export async function started(databaseUrl: string): Promise<Running> {
  const child = fork(join(ROOT, 'dist/server.mjs'), {
    execArgv: [...process.execArgv, ...nodeFlags],
    env: {
      ...process.env,
      ...{ DOCEO_DB_URL: databaseUrl, DOCEO_ROOT: ROOT, DOCEO_DEMO: '1', PORT: '0' },
      ...{ DOCEO_SESSION_SECRET: 'only for the bench, long enough', DOCEO_MAIL: 'none' },
      ...{ DOCEO_TRUST_PROXY: '1', DOCEO_LOG: 'silent' },
    },
  });
  const [{ listening }] = (await once(child, 'message')) as [{ listening: number }];
  const origin = `http://127.0.0.1:${listening}`;
  const answer = await signIn(origin, 'lead@ternalder.example', 'corvane-demo');
  const cookies = answer.headers.getSetCookie().map((cookie) => cookie.split(';')[0]);
  return { origin, process: child, cookie: cookies.join('; ') };
}

export function signIn(
  origin: string,
  email: string,
  password: string,
  from = '127.0.0.1',
): Promise<Response> {
  return fetch(`${origin}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'x-forwarded-for': from },
    body: JSON.stringify({ email, password }),
  });
}

export async function ask(
  { origin, cookie }: Running,
  path: string,
  rest: RequestInit = {},
): Promise<{ status: number; bytes: number }> {
  const answer = await fetch(`${origin}${path}`, {
    ...rest,
    headers: { cookie, 'content-type': 'application/json' },
  });
  const { byteLength } = await answer.arrayBuffer();
  return { status: answer.status, bytes: byteLength };
}

export async function ended(server: Running): Promise<void> {
  server.process.disconnect();
  await once(server.process, 'exit');
}

/** What the server takes of the machine's memory with all that it has started, MB. */
export function memoryMb({ process: { pid } }: Running): number {
  return memoryOf(String(pid));
}

function memoryOf(pid: string): number {
  const own = Number(/VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1000;
  const children = readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').split(' ').filter(Boolean);
  return children.reduce((sum, child) => sum + memoryOf(child), own);
}
