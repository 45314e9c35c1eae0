import { FELLOW } from '@doceo/demo';
import { TOTP } from 'otpauth';
import supertest from 'supertest';
import { administer } from '../accounts/administer';
import { rows, write } from '../db/pool';
import { lettersTo } from '../testing/letters';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const password = 'corvane-demo';

describe('the second step', () => {
  let test: TestApp;
  let fellow: Agent;
  beforeEach(async () => {
    test = await testApp('second_factor', { settings: { DOCEO_MAIL: 'stand-in' } });
    fellow = await test.signedIn(FELLOW.email);
  });
  afterEach(() => test.close());

  const codeOf = (secret: string, minutes = 0): string =>
    new TOTP({ secret }).generate({ timestamp: Date.now() + minutes * 60_000 });
  const signIn = (code?: string) =>
    supertest(test.app)
      .post('/api/session')
      .send({ email: FELLOW.email, password, ...(code === undefined ? {} : { code }) });
  const issue = async (reply: supertest.Test): Promise<{ path: string; code: string; message: string }> =>
    (await reply.expect(401)).body.error.issues[0];
  /** Turns it on; the phone's secret and the spare codes. */
  const begun = async (): Promise<{ secret: string; spareCodes: string[] }> => {
    const { secret } = (await fellow.post('/api/account/second-factor').send({ password }).expect(200)).body;
    const { spareCodes } = (
      await fellow
        .put('/api/account/second-factor')
        .send({ code: codeOf(secret) })
        .expect(200)
    ).body;
    // The code of just now is used up; the next is half a minute away.
    await write(test.pool, 'UPDATE users SET totp_step = totp_step - 2');
    return { secret, spareCodes };
  };

  it('asks for a code from its first one on, and takes each once', async () => {
    await signIn().expect(200);
    expect((await fellow.get('/api/account/second-factor')).body).toEqual({ on: false, spareCodes: 0 });
    const { secret, spareCodes } = await begun();
    expect(spareCodes).toHaveLength(8);
    expect((await fellow.get('/api/account/second-factor')).body).toEqual({ on: true, spareCodes: 8 });
    expect(await issue(signIn())).toMatchObject({ path: 'code', code: 'needed' });
    expect(await issue(signIn('000000'))).toMatchObject({ path: 'code', message: 'is not right' });
    const code = codeOf(secret);
    await signIn(code).expect(200);
    expect((await issue(signIn(code))).message).toContain('used already');
    expect((await lettersTo(test, FELLOW.email)).map(({ subject }) => subject)).toEqual([
      'Your account asks for a code now',
    ]);
    // Neither the secret nor a spare code can be read from the database.
    const stored = JSON.stringify([
      await rows(test.pool, 'SELECT totp_secret FROM users'),
      await rows(test.pool, 'SELECT * FROM spare_codes'),
    ]);
    for (const word of [secret, ...spareCodes]) expect(stored).not.toContain(word);
  });

  it('does not tell who has the wrong password that there is one', async () => {
    await begun();
    const wrong = await supertest(test.app)
      .post('/api/session')
      .send({ email: FELLOW.email, password: 'guess' })
      .expect(401);
    expect(wrong.body.error.issues[0].path).toBe('password');
  });

  it('says by how much the clock of the phone is off, and lets nobody in by that code', async () => {
    const { secret } = await begun();
    expect((await issue(signIn(codeOf(secret, -60)))).message).toMatch(/clock is (59|60|61) minutes behind/);
    expect((await issue(signIn(codeOf(secret, 60)))).message).toMatch(/clock is (59|60|61) minutes ahead/);
    await signIn(codeOf(secret)).expect(200);
  });

  it('takes a spare code for a lost phone, once, and tells the owner', async () => {
    const { spareCodes } = await begun();
    const [spare = ''] = spareCodes;
    await signIn(spare.toUpperCase()).expect(200);
    expect(await issue(signIn(spare))).toMatchObject({ path: 'code' });
    expect((await fellow.get('/api/account/second-factor')).body.spareCodes).toBe(7);
    expect((await lettersTo(test, FELLOW.email, 2))[0]?.subject).toBe('A spare code was used');
  });

  it('refuses the eleventh try of an hour, whoever tries', async () => {
    const { secret } = await begun();
    for (let i = 0; i < 10; i++) await signIn('000000').expect(401);
    const refused = await signIn(codeOf(secret)).expect(429);
    expect(Number(refused.headers['retry-after'])).toBeGreaterThan(3000);
  });

  it('is ended with password and code, and set up anew for another phone', async () => {
    const { secret } = await begun();
    const twice = await fellow.post('/api/account/second-factor').send({ password }).expect(409);
    expect(twice.body.error.message).toContain('End it first');
    const end = (body: object) => fellow.post('/api/account/second-factor/end').send(body);
    expect(await issue(end({ password: 'guess', code: codeOf(secret) }))).toMatchObject({ path: 'password' });
    expect(await issue(end({ password, code: '000000' }))).toMatchObject({ path: 'code' });
    await end({ password, code: codeOf(secret) }).expect(200);
    await signIn().expect(200);
    expect(await rows(test.pool, 'SELECT user_id FROM spare_codes')).toEqual([]);
    await begun();
  });

  it('that nobody finished asks for nothing; a code before it was begun is refused in words', async () => {
    expect((await issue(fellow.put('/api/account/second-factor').send({ code: '123456' }))).message).toBe(
      'The second step is not set up.',
    );
    await fellow.post('/api/account/second-factor').send({ password }).expect(200);
    await signIn().expect(200);
  });

  it('is ended from the command line for who lost phone and paper', async () => {
    await begun();
    await administer(test.pool, 'one-step', FELLOW.email);
    await signIn().expect(200);
  });

  it('is told when the installation’s secret was changed under it', async () => {
    const { spareCodes } = await begun();
    const { url } = test;
    await test.close();
    test = await testApp('second_factor', {
      url,
      settings: { DOCEO_SESSION_SECRET: 'another one, long enough', DOCEO_MAIL: 'stand-in' },
    });
    expect((await issue(signIn('123456'))).message).toContain('cannot read');
    await signIn(spareCodes[0]).expect(200);
  });
});
