import { DEFAULT_SCHOOLS } from '@doceo/core';
import { FELLOW, LEAD } from '@doceo/demo';
import supertest from 'supertest';
import { rows, write } from '../db/pool';
import { clearExpired } from '../http/sessions';
import { type Agent, type TestApp, testApp } from '../testing/test-app';
import { passwordIssues } from './passwords';

const DAY_S = 24 * 3600;
const GOOD = 'ten letters';

describe('signing in', () => {
  let test: TestApp;
  beforeEach(async () => {
    test = await testApp('session');
  });
  afterEach(() => test.close());

  const tryIn = async (
    email: string,
    password: string,
    by: Agent | ReturnType<typeof supertest> = supertest(test.app),
  ) => (await by.post('/api/session').send({ email, password })).status;
  const times = async <T>(n: number, what: (i: number) => Promise<T>): Promise<T[]> => {
    const all: T[] = [];
    for (let i = 0; i < n; i++) all.push(await what(i));
    return all;
  };

  it('is slowed down, then refused, from one address that tries many accounts', async () => {
    const codes = await times(70, (i) => tryIn(`somebody${i}@example.org`, 'wrong'));
    expect(codes.slice(0, 60)).toEqual(Array(60).fill(401));
    expect(codes.slice(60)).toEqual(Array(10).fill(429));
    expect(test.waitsMs.slice(0, 6)).toEqual([250, 500, 1000, 2000, 4000, 4000]);
    expect(test.waitsMs).toHaveLength(50);
  });

  it('tells when to try again, and goes on after that', async () => {
    await times(61, (i) => tryIn(`somebody${i}@example.org`, 'wrong'));
    const refused = await supertest(test.app)
      .post('/api/session')
      .send({ email: LEAD.email, password: 'corvane-demo' });
    expect(refused.status).toBe(429);
    expect(Number(refused.headers['retry-after'])).toBeGreaterThan(800);
    await write(test.pool, 'UPDATE limits SET expires_ms = 1');
    expect(await tryIn(LEAD.email, 'corvane-demo')).toBe(200);
  });

  it('stays open to the owner while others try his account from the same address', async () => {
    const owner = await test.signedIn(LEAD.email);
    const codes = await times(55, () => tryIn(LEAD.email, 'wrong'));
    expect(codes.slice(0, 50)).toEqual(Array(50).fill(401));
    expect(codes.at(-1)).toBe(429);
    // A browser that knows the account is not even slowed down; another account behind that address only waits.
    const waits = test.waitsMs.length;
    expect(await tryIn(LEAD.email, 'corvane-demo', owner)).toBe(200);
    expect(test.waitsMs).toHaveLength(waits);
    expect(await tryIn(FELLOW.email, 'corvane-demo')).toBe(200);
  });

  it('is refused on a known browser too after ten wrong tries there', async () => {
    const owner = await test.signedIn(LEAD.email);
    const codes = await times(12, () => tryIn(LEAD.email, 'wrong', owner));
    expect(codes).toEqual([...Array(10).fill(401), 429, 429]);
  });

  it('does not count what was right', async () => {
    expect(await times(70, () => tryIn(FELLOW.email, 'corvane-demo'))).toEqual(Array(70).fill(200));
  });

  it('is slowed down, then refused, over all when tries come from everywhere', async () => {
    const from = (points: number) =>
      write(
        test.pool,
        'INSERT INTO limits (id, points, expires_ms) VALUES (?, ?, ?) ON DUPLICATE KEY UPDATE points = VALUES(points)',
        ['tries-all:all', points, Date.now() + 600_000],
      );
    await from(1003);
    expect(await tryIn('somebody@example.org', 'wrong')).toBe(401);
    expect(test.waitsMs).toEqual([2000]);
    await from(20_000);
    expect(await tryIn(FELLOW.email, 'corvane-demo')).toBe(429);
  });

  it('forgets counts that have run out', async () => {
    await times(3, () => tryIn('somebody@example.org', 'wrong'));
    await write(test.pool, 'UPDATE limits SET expires_ms = 1');
    await clearExpired(test.pool);
    expect(await rows(test.pool, 'SELECT id FROM limits')).toEqual([]);
  });

  it('makes at most twenty accounts an hour for one address', async () => {
    const codes = await times(22, async (i) => {
      const account = { email: `new${i}@example.org`, password: GOOD, name: 'New' };
      return (await supertest(test.app).post('/api/session/register').send(account)).status;
    });
    expect(codes).toEqual([...Array(20).fill(200), 429, 429]);
  });

  it('answers the same for an address that has an account, which stays as it is', async () => {
    const register = (email: string) =>
      supertest(test.app)
        .post('/api/session/register')
        .send({ email, password: 'another one', name: 'Else' });
    const [known, unknown] = [
      await register(LEAD.email).expect(200),
      await register('x@example.org').expect(200),
    ];
    expect([known.body, known.headers['set-cookie']]).toEqual([unknown.body, unknown.headers['set-cookie']]);
    expect(await tryIn(LEAD.email, 'another one')).toBe(401);
    expect(await tryIn(LEAD.email, 'corvane-demo')).toBe(200);
  });

  it.each(['1234567890', 'password123', 'qwertyuiop', 'aaaaaaaaaaaa'])(
    'refuses the password %s',
    async (password) => {
      const reply = await supertest(test.app)
        .post('/api/session/register')
        .send({ email: 'x@example.org', password, name: 'x' });
      expect([reply.status, reply.body.error.issues[0]]).toEqual([
        400,
        expect.objectContaining({ path: 'password', code: 'common' }),
      ]);
    },
  );

  it('can be closed to strangers', async () => {
    const closed = await testApp('closed', { settings: { DOCEO_REGISTRATION: 'closed' } });
    const account = { email: 'x@example.org', password: GOOD, name: 'x' };
    await supertest(closed.app).post('/api/session/register').send(account).expect(403);
    expect((await supertest(closed.app).get('/api/session')).body.registration).toBe('closed');
    await closed.close();
  });

  it('has strict cookies with HTTPS', async () => {
    const secure = await testApp('secure', {
      settings: { DOCEO_SECURE_COOKIES: '1', DOCEO_TRUST_PROXY: '1' },
    });
    const reply = await supertest(secure.app)
      .post('/api/session')
      .set('X-Forwarded-Proto', 'https')
      .send({ email: LEAD.email, password: 'corvane-demo' })
      .expect(200);
    const cookies = reply.headers['set-cookie'] as unknown as string[];
    expect(cookies).toHaveLength(2);
    for (const cookie of cookies)
      expect(cookie).toMatch(/^__Host-doceo(-known)?=[^;]+;.*Path=\/;.*HttpOnly; Secure; SameSite=Lax$/);
    expect(reply.headers['permissions-policy']).toContain('camera=()');
    await secure.close();
  });
});

describe('a session', () => {
  let test: TestApp;
  let agent: Agent;
  beforeEach(async () => {
    test = await testApp('lasting');
    agent = await test.signedIn(FELLOW.email);
  });
  afterEach(() => test.close());

  const set = (what: string) => write(test.pool, `UPDATE sessions SET ${what}`);
  const lastsDays = async (): Promise<number> =>
    Number(
      (
        await rows<{ days: number }>(
          test.pool,
          'SELECT ROUND((LEAST(expires, ends) - UNIX_TIMESTAMP()) / 86400) AS days FROM sessions',
        )
      )[0]?.days,
    );

  it('that is used in its last seconds ends all the same when its time has come', async () => {
    await set('ends = UNIX_TIMESTAMP() + 2, expires = UNIX_TIMESTAMP() + 2');
    await agent.get('/api/plans').expect(200);
    expect(await lastsDays()).toBe(0);
    await set('ends = UNIX_TIMESTAMP() - 1');
    await agent.get('/api/plans').expect(401);
  });

  it('is prolonged while it is used, and written once an hour at most', async () => {
    expect(await lastsDays()).toBe(14);
    await set(`expires = expires - ${3 * DAY_S}`);
    await agent.get('/api/plans').expect(200);
    expect(await lastsDays()).toBe(14);
    await set('expires = expires - 1800');
    const [before] = await rows(test.pool, 'SELECT expires, data FROM sessions');
    for (let i = 0; i < 5; i++) await agent.get('/api/plans').expect(200);
    expect((await rows(test.pool, 'SELECT expires, data FROM sessions'))[0]).toEqual(before);
  });

  it('keeps of whose it is no more than the id', async () => {
    await agent.get('/api/plans').expect(200);
    const [kept] = await rows<{ data: string }>(test.pool, 'SELECT data FROM sessions');
    expect(Object.keys(JSON.parse(kept?.data ?? ''))).toEqual(['cookie', 'userId', 'browser']);
  });

  it('that is over is cleared away', async () => {
    await set('ends = 5');
    await clearExpired(test.pool);
    expect(await rows(test.pool, 'SELECT session_id FROM sessions')).toEqual([]);
  });

  it('ends everywhere else when the password is changed', async () => {
    const elsewhere = await test.signedIn(FELLOW.email);
    const change = (current: string, next: string) =>
      agent.put('/api/session/password').send({ current, next });
    expect((await change('not it', 'a better one').expect(401)).body.error.issues[0].path).toBe('current');
    expect((await change('corvane-demo', 'qwertyuiop').expect(400)).body.error.issues[0].path).toBe('next');
    await change('corvane-demo', 'a better one').expect(200);
    await elsewhere.get('/api/plans').expect(401);
    await agent.get('/api/plans').expect(200);
    const again = (password: string) =>
      supertest(test.app).post('/api/session').send({ email: FELLOW.email, password });
    await again('corvane-demo').expect(401);
    await again('a better one').expect(200);
  });

  it('does nothing for a page that somebody else has opened', async () => {
    const as = (id: string) => agent.get('/api/plans').set('doceo-user', id);
    await as(FELLOW.id).expect(200);
    const refused = await as(LEAD.id);
    expect([refused.status, refused.body.error.code]).toEqual([401, 'signed-out']);
    await agent.delete('/api/session').set('doceo-user', LEAD.id).expect(200);
    await as(FELLOW.id).expect(200);
  });

  it('gives a device always the same key to seal with, and each user another', async () => {
    const key = async (by: Agent): Promise<string> => (await by.get('/api/session')).body.deviceKey;
    const mine = await key(agent);
    expect(Buffer.from(mine, 'base64')).toHaveLength(32);
    expect(await key(await test.signedIn(FELLOW.email))).toBe(mine);
    expect(await key(await test.signedIn(LEAD.email))).not.toBe(mine);
    expect((await supertest(test.app).get('/api/session')).body.deviceKey).toBeNull();
  });

  it('is asked for nothing that a body could break', async () => {
    for (const email of [{ toString: 'x' }, ['a@b.de'], 7, null])
      expect((await supertest(test.app).post('/api/session').send({ email, password: 'x' })).status).toBe(
        400,
      );
    const settings = { units: 'metric', bankHand: 'right', schools: DEFAULT_SCHOOLS };
    await agent
      .put('/api/session/settings')
      .send({ ...settings, units: '\ud800' })
      .expect(400);
  });
});

describe('passwords', () => {
  it.each([
    ['a sentence one can keep in mind', []],
    ['Maren.Voss', ['own-name']],
    ['marenvoss1', ['own-name']],
    ['lead@ternalder.example', ['own-name']],
    ['PASSWORD123', ['common']],
    ['abababababab', ['common']],
  ])('%s', (password, codes) =>
    expect(
      passwordIssues(password, ['lead@ternalder.example', 'Maren Voss'], 'p').map(({ code }) => code),
    ).toEqual(codes),
  );
});
