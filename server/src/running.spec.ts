import { DEFAULT_SCHOOLS } from '@doceo/core';
import { join } from 'node:path';
import { FELLOW, LEAD } from '@doceo/demo';
import supertest from 'supertest';
import { rows, write } from './db/pool';
import { prepareDatabase } from './db/prepare';
import { HttpError, toHttpError } from './http/errors';
import { seedDemo } from './seed/seed-demo';
import { readSettings } from './settings';
import { type TestApp, testApp } from './testing/test-app';

const GOOD = {
  DOCEO_DB_URL: 'mariadb://u:p@localhost:3306/d',
  DOCEO_SESSION_SECRET: 'long enough to be one',
};

describe('settings', () => {
  it('have defaults', () =>
    expect(readSettings(GOOD)).toMatchObject({
      HOST: '127.0.0.1',
      PORT: 4200,
      DOCEO_DEMO: false,
      DOCEO_LOG: 'info',
    }));

  it('name every one that is wrong', () =>
    expect(() => readSettings({ PORT: 'seventy', DOCEO_DB_URL: 'postgres://x', DOCEO_LOG: 'loud' })).toThrow(
      /DOCEO_DB_URL must look like .*DOCEO_SESSION_SECRET.*PORT.*DOCEO_LOG/,
    ));
});

describe('errors', () => {
  it.each([
    [{ code: 'ECONNREFUSED' }, 503],
    [{ code: 'PROTOCOL_CONNECTION_LOST' }, 503],
    [{ code: 'ER_DUP_ENTRY' }, 409],
    [{ type: 'entity.too.large' }, 413],
    [{ type: 'entity.parse.failed', status: 400 }, 400],
    [{ code: 'Z_DATA_ERROR', status: 400 }, 400],
    [{ code: 'ER_LOCK_DEADLOCK', sqlState: '40001' }, 503],
    [{ code: 'ER_LOCK_WAIT_TIMEOUT' }, 503],
    [{ code: 'ER_CON_COUNT_ERROR' }, 503],
    [{ code: 'ER_DISK_FULL' }, 503],
    [{ code: 'ER_RECORD_FILE_FULL' }, 503],
    [{ code: 'ER_OPTION_PREVENTS_STATEMENT' }, 503],
    [{ code: 'ER_UNKNOWN_COM_ERROR', errno: 1047 }, 503],
    [{ code: 'PROTOCOL_SEQUENCE_TIMEOUT' }, 503],
    [{ code: 'UNKNOWN_CODE_1969', errno: 1969 }, 503],
    [{ code: 'ER_NO_REFERENCED_ROW_2' }, 404],
    [{ code: 'ER_ROW_IS_REFERENCED_2' }, 409],
    [{ code: 'ER_CONSTRAINT_FAILED' }, 400],
    [new URIError('%'), 404],
    [new HttpError('forbidden'), 403],
    [new Error('surprise'), 500],
    [null, 500],
  ])('%p becomes %i', (error, status) => expect(toHttpError(error).status).toBe(status));

  it('tell nothing of what went wrong inside', () =>
    expect(toHttpError(new Error('password of the database is x')).message).not.toContain('password'));
});

describe('a running server', () => {
  let test: TestApp;
  beforeAll(async () => {
    test = await testApp('running');
  });
  afterAll(() => test.close());

  it('runs each migration once', async () => {
    const [{ name } = { name: '' }] = await rows<{ name: string }>(test.pool, 'SELECT DATABASE() AS name');
    const url = (process.env['DOCEO_TEST_DB_URL'] ?? '').replace(/\/doceo$/, `/${name}`);
    expect(await prepareDatabase(url, join(process.env['DOCEO_ROOT'] ?? '', 'server/migrations'))).toEqual(
      [],
    );
    expect((await rows(test.pool, 'SELECT name FROM migrations')).length).toBeGreaterThan(0);
  });

  it('loads the demo once', async () => expect(await seedDemo(test.pool, new Date())).toBe(false));

  it('rolls back all of a transaction when a part fails', async () => {
    const before = await rows(test.pool, 'SELECT id FROM circles');
    await expect(
      test.pool.transaction(async (db) => {
        await write(db, 'DELETE FROM circle_members');
        await write(db, 'DELETE FROM no_such_table');
      }),
    ).rejects.toMatchObject({ code: 'ER_NO_SUCH_TABLE' });
    expect(await rows(test.pool, 'SELECT id FROM circles')).toEqual(before);
    expect((await rows(test.pool, 'SELECT circle_id FROM circle_members')).length).toBeGreaterThan(0);
  });

  it('has foreign keys on every table that points to another', async () => {
    const keys = await rows<{ n: number }>(
      test.pool,
      'SELECT COUNT(*) AS n FROM information_schema.referential_constraints WHERE constraint_schema = DATABASE()',
    );
    expect(keys[0]?.n).toBeGreaterThanOrEqual(12);
  });

  it('gives a new session id at each sign-in', async () => {
    const agent = supertest.agent(test.app);
    const cookie = async (): Promise<string> =>
      String(
        (await agent.post('/api/session').send({ email: LEAD.email, password: 'corvane-demo' }).expect(200))
          .headers['set-cookie'],
      );
    const first = await cookie();
    expect(first).toMatch(/doceo=.*HttpOnly.*SameSite=Lax/);
    expect(await cookie()).not.toBe(first);
  });

  it('forgets a session that has expired', async () => {
    const agent = await test.signedIn(FELLOW.email);
    await agent.get('/api/plans').expect(200);
    await write(test.pool, 'UPDATE sessions SET expires = 1');
    const reply = await agent.get('/api/plans');
    expect([reply.status, reply.body.error.code]).toEqual([401, 'signed-out']);
  });

  it('closes the screens to a user who was removed', async () => {
    const agent = supertest.agent(test.app);
    await agent
      .post('/api/session/register')
      .send({ email: 'gone@example.org', password: 'ten letters', name: 'Gone' })
      .expect(200);
    await agent.post('/api/session').send({ email: 'gone@example.org', password: 'ten letters' }).expect(200);
    await write(test.pool, "DELETE FROM users WHERE email = 'gone@example.org'");
    await agent.get('/api/plans').expect(401);
    expect((await agent.get('/api/session').expect(200)).body.user).toBeNull();
  });

  it('keeps settings of a user', async () => {
    const agent = await test.signedIn(FELLOW.email);
    const settings = { units: 'imperial', bankHand: 'left', schools: DEFAULT_SCHOOLS };
    await agent.put('/api/session/settings').send(settings).expect(200);
    const again = await test.signedIn(FELLOW.email);
    expect((await again.get('/api/session')).body.user.settings).toEqual(settings);
  });

  it('shows demo accounts to strangers only', async () => {
    expect((await supertest(test.app).get('/api/session')).body.demo).toHaveLength(3);
    expect((await (await test.signedIn(LEAD.email)).get('/api/session')).body.demo).toEqual([]);
  });

  it('gives every error its own number, and stores no text as markup', async () => {
    const ids = await Promise.all(
      [1, 2].map(async () => (await supertest(test.app).get('/api/plans')).body.error.requestId),
    );
    expect(new Set(ids).size).toBe(2);
    const lead = await test.signedIn(LEAD.email);
    const id = '7f6d2a52-9d0e-4c39-9ac2-6f3a1f0c1a11';
    await lead.post('/api/circles').send({ id, name: '<img src=x onerror=alert(1)>' }).expect(200);
    const reply = await lead.get('/api/circles');
    expect(reply.headers['content-type']).toContain('application/json');
    expect(reply.headers['x-content-type-options']).toBe('nosniff');
    expect(reply.body.map(({ name }: { name: string }) => name)).toContain('<img src=x onerror=alert(1)>');
  });
});
