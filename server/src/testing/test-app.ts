import { join } from 'node:path';
import type { Express } from 'express';
import { createConnection } from 'mysql2/promise';
import { pino } from 'pino';
import supertest from 'supertest';
import { migrate } from '../db/migrate';
import { openPool, type Pool } from '../db/pool';
import { createApp } from '../http/app';
import { seedDemo } from '../seed/seed-demo';
import { readSettings } from '../settings';

export interface TestApp {
  app: Express;
  pool: Pool;
  /** A client with the session of a demo account. */
  signedIn: (email: string) => Promise<ReturnType<typeof supertest.agent>>;
  close: () => Promise<void>;
}

/** The application on a database of its own, with the demo scenario. */
export async function testApp(name: string): Promise<TestApp> {
  const base = process.env['DOCEO_TEST_DB_URL'];
  if (!base) throw new Error('DOCEO_TEST_DB_URL is not set; npm test sets it.');
  const admin = await createConnection({ uri: base.replace(/^mariadb:/, 'mysql:') });
  await admin.query(`DROP DATABASE IF EXISTS doceo_${name}`);
  await admin.query(`CREATE DATABASE doceo_${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  await admin.end();
  const url = base.replace(/\/doceo$/, `/doceo_${name}`);
  const root = process.env['DOCEO_ROOT'] ?? process.cwd();
  await migrate(url, join(root, 'server/migrations'));
  const pool = openPool(url);
  await seedDemo(pool, new Date());
  const settings = readSettings({
    DOCEO_DB_URL: url,
    DOCEO_SESSION_SECRET: 'only for tests, long enough',
    DOCEO_DEMO: '1',
    DOCEO_ROOT: root,
  });
  const { app, close } = createApp(pool, settings, pino({ level: 'silent' }));
  return {
    app,
    pool,
    signedIn: async (email) => {
      const agent = supertest.agent(app);
      await agent.post('/api/session').send({ email, password: 'corvane-demo' }).expect(200);
      return agent;
    },
    close: async () => {
      close();
      await pool.end();
    },
  };
}
