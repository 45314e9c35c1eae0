import { type ChildProcess, spawn } from 'node:child_process';
import { join } from 'node:path';
import { createConnection } from 'mysql2/promise';
import { noteRunning } from './left-running';

export const ROOT = process.env['DOCEO_ROOT'] ?? process.cwd();

export interface RunningServer {
  url: string;
  process: ChildProcess;
  stop: () => Promise<void>;
}

/** Makes an empty database beside the one of the URL and gives its URL. */
export async function freshDatabase(name: string): Promise<string> {
  const base = process.env['DOCEO_TEST_DB_URL'];
  if (!base) throw new Error('DOCEO_TEST_DB_URL is not set; npm test sets it.');
  const connection = await createConnection({ uri: base.replace(/^mariadb:/, 'mysql:') });
  await connection.query(`DROP DATABASE IF EXISTS doceo_${name}`);
  await connection.query(`CREATE DATABASE doceo_${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  await connection.end();
  return base.replace(/\/doceo$/, `/doceo_${name}`);
}

/** The process of a built server with the demo scenario, on a free port unless told otherwise. */
export function spawnServer(databaseUrl: string, settings: Record<string, string> = {}): ChildProcess {
  return spawn(process.execPath, ['--enable-source-maps', join(ROOT, 'dist/server.mjs')], {
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
