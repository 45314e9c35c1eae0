import { type ChildProcess, spawn } from 'node:child_process';
import { join } from 'node:path';
import nodeFlags from '../../../server/src/node-flags.json';
import { ROOT } from '../../../server/src/testing/test-database';
import { noteRunning } from './left-running';

export interface RunningServer {
  url: string;
  process: ChildProcess;
  stop: () => Promise<void>;
}

/** The process of a built server with the demo scenario, on a free port unless told otherwise. */
export function spawnServer(databaseUrl: string, settings: Record<string, string> = {}): ChildProcess {
  return spawn(process.execPath, [...nodeFlags, join(ROOT, 'dist/server.mjs')], {
    env: {
      ...process.env,
      NODE_OPTIONS: '',
      DOCEO_ROOT: ROOT,
      DOCEO_DB_URL: databaseUrl,
      DOCEO_DEMO: '1',
      DOCEO_SESSION_SECRET: 'only for tests, long enough',
      PORT: '0',
      DOCEO_LOG: 'error',
      ...settings,
    },
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  });
}

/** Starts one; resolves when it listens. */
export async function startServer(
  databaseUrl: string,
  settings: Record<string, string> = {},
): Promise<RunningServer> {
  const child = spawnServer(databaseUrl, settings);
  await noteRunning(() => child.kill());
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  return new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`The server ended with ${code}`)));
    child.once('message', (message) => {
      const { listening } = message as { listening: number };
      const stop = async (): Promise<void> => {
        child.kill('SIGTERM');
        await ended;
      };
      resolve({ url: `http://127.0.0.1:${listening}`, process: child, stop });
    });
  });
}
