import type { RequestListener } from 'node:http';
import { pino, type Logger } from 'pino';
import supertest from 'supertest';
import { openPool, type Pool } from '../db/pool';
import { createApp } from '../http/app';
import type { LargeProcess } from '../large/large-process';
import { readSettings, type Settings } from '../settings';
import { demoDatabase, prepareDemo } from './demo-database';
import { ROOT } from './test-database';
import { FELLOW, LEAD, OTHER } from '@doceo/demo';

export type Agent = ReturnType<typeof supertest.agent>;

export interface TestApp {
  app: RequestListener;
  pool: Pool;
  url: string;
  /** How long sign-ins were made to wait; tests do not wait. */
  waitsMs: number[];
  /** A client with the session of a demo account. */
  signedIn: (email: string) => Promise<Agent>;
  /** The three of the demo: who leads, the fellow, and who is in no circle with them. */
  everybody: () => Promise<[Agent, Agent, Agent]>;
  /** A client with the session of a new account. */
  newcomer: (name: string) => Promise<Agent>;
  close: () => Promise<void>;
}

const PASSWORD = 'corvane-demo';
/** Where many specs run beside each other an answer may take longer than anybody should wait, milliseconds. */
const BUSY_MACHINE_MS = 30_000;

/** Settings of an application on this database. */
export function testSettings(url: string, others: Record<string, string> = {}): Settings {
  return readSettings({
    DOCEO_DB_URL: url,
    DOCEO_SESSION_SECRET: 'only for tests, long enough',
    DOCEO_DEMO: '1',
    DOCEO_MAIL: 'none',
    DOCEO_URL: 'https://doceo.example',
    DOCEO_ROOT: ROOT,
    ...others,
  });
}

/** The application on a database of its own, with the demo scenario. */
export async function testApp(
  name: string,
  options: {
    settings?: Record<string, string>;
    log?: Logger;
    url?: string;
    large?: LargeProcess;
    patienceMs?: number;
  } = {},
): Promise<TestApp> {
  const url = options.url ?? (await demoDatabase(name));
  if (options.url) await prepareDemo(url);
  const pool = openPool(url);
  const settings = testSettings(url, options.settings);
  const waitsMs: number[] = [];
  const { app, close } = createApp(pool, settings, options.log ?? pino({ level: 'silent' }), {
    ...(options.large && { large: options.large }),
    patienceMs: options.patienceMs ?? BUSY_MACHINE_MS,
    pause: (ms) => {
      waitsMs.push(ms);
      return Promise.resolve();
    },
  });
  const signedIn = async (email: string, password = PASSWORD): Promise<Agent> => {
    const agent = supertest.agent(app);
    await agent.post('/api/session').send({ email, password }).expect(200);
    return agent;
  };
  return {
    app,
    pool,
    url,
    waitsMs,
    signedIn,
    everybody: async () => {
      const [lead, fellow, other] = await Promise.all(
        [LEAD, FELLOW, OTHER].map(({ email }) => signedIn(email)),
      );
      return [lead!, fellow!, other!];
    },
    newcomer: async (who) => {
      const account = { email: `${who}@example.org`, password: 'ten letters', name: who };
      await supertest(app).post('/api/session/register').send(account).expect(200);
      return signedIn(account.email, account.password);
    },
    close: async () => {
      await close();
      await pool.end();
    },
  };
}
