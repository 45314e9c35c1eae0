import { FELLOW, LEAD } from '@doceo/demo';
import supertest from 'supertest';
import { administer } from '../accounts/administer';
import { rows, write } from '../db/pool';
import { clearExpired } from '../http/sessions';
import { StandInMailbox } from '../mail/stand-in';
import { lettersTo, tokenIn } from '../testing/letters';
import { type TestApp, testApp } from '../testing/test-app';

const NEW = 'wet hands first';

describe('a lost password', () => {
  let test: TestApp;
  beforeEach(async () => {
    test = await testApp('lost_password', { settings: { DOCEO_MAIL: 'stand-in' } });
  });
  afterEach(() => test.close());

  const by = () => supertest(test.app);
  const ask = (email: string = FELLOW.email) => by().post('/api/session/lost').send({ email }).expect(200);
  const link = (token: string) => by().post('/api/session/lost/link').send({ token });
  const answer = (token: string, password = NEW) => by().put('/api/session/lost').send({ token, password });
  const signIn = (password: string) => by().post('/api/session').send({ email: FELLOW.email, password });
  const why = async (token: string): Promise<string> => (await link(token).expect(404)).body.error.message;

  it('is replaced by the link of a letter; what was open is closed, and the owner is told', async () => {
    const open = await test.signedIn(FELLOW.email);
    await ask('Fellow@TernAlder.example');
    const [letter] = await lettersTo(test, FELLOW.email);
    expect(letter?.subject).toBe('A new password for Doceo');
    expect(letter?.text).toContain(`Dear ${FELLOW.name},`);
    expect(letter?.text).toContain('https://doceo.example/lost#');
    const token = tokenIn(letter);
    expect((await link(token).expect(200)).body).toEqual({ email: FELLOW.email, name: FELLOW.name });
    await answer(token).expect(200);
    await open.get('/api/plans').expect(401);
    await signIn('corvane-demo').expect(401);
    await signIn(NEW).expect(200);
    expect((await lettersTo(test, FELLOW.email, 2))[0]?.subject).toBe('Your password was changed');
    // The database alone opens nothing.
    expect(JSON.stringify(await rows(test.pool, 'SELECT * FROM password_links'))).not.toContain(token);
  });

  it('is answered the same for every address, and nobody without an account gets a letter', async () => {
    await administer(test.pool, 'block', LEAD.email);
    const answers = [];
    for (const email of ['nobody@example.org', LEAD.email, FELLOW.email])
      answers.push((await ask(email)).body);
    expect(answers).toEqual([{ ok: true }, { ok: true }, { ok: true }]);
    await lettersTo(test, FELLOW.email);
    const all = (await by().get('/api/mailbox')).body as { to: string }[];
    expect(all.map(({ to }) => to)).toEqual([FELLOW.email]);
    expect(await rows(test.pool, 'SELECT id FROM mails')).toEqual([]);
  });

  it('is replaced once, also by two at the same moment', async () => {
    await ask();
    const token = tokenIn((await lettersTo(test, FELLOW.email))[0]);
    const both = await Promise.all([answer(token, 'one of the two'), answer(token, 'other of the two')]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 404]);
    expect(await why(token)).toContain('used already');
  });

  it('is opened by the newest letter only', async () => {
    await ask();
    const first = tokenIn((await lettersTo(test, FELLOW.email))[0]);
    await ask();
    const second = tokenIn((await lettersTo(test, FELLOW.email, 2))[0]);
    expect(second).not.toBe(first);
    expect(await why(first)).toContain('newer letter');
    await answer(first).expect(404);
    await answer(second).expect(200);
  });

  it('says why a link opens nothing: run out, guessed, cut on the way, or closed by a change meanwhile', async () => {
    await ask();
    const token = tokenIn((await lettersTo(test, FELLOW.email))[0]);
    expect(await why('A'.repeat(22))).toContain('no such link');
    const cut = await link(token.slice(0, 12)).expect(400);
    expect(cut.body.error.issues).toEqual([
      expect.objectContaining({ path: 'token', message: expect.stringContaining('copy it whole') }),
    ]);
    await write(test.pool, 'UPDATE password_links SET until_at = UTC_TIMESTAMP(3) - INTERVAL 1 SECOND');
    expect(await why(token)).toContain('run out');
    await write(test.pool, 'UPDATE password_links SET until_at = UTC_TIMESTAMP(3) + INTERVAL 1 HOUR');
    const fellow = await test.signedIn(FELLOW.email);
    await fellow
      .put('/api/session/password')
      .send({ current: 'corvane-demo', next: 'changed by himself' })
      .expect(200);
    expect(await why(token)).toContain('used already');
  });

  it('forgets a link a month after it ran out, not before', async () => {
    await ask();
    await lettersTo(test, FELLOW.email);
    const left = async (days: number): Promise<number> => {
      await write(test.pool, 'UPDATE password_links SET until_at = UTC_TIMESTAMP(3) - INTERVAL ? DAY', [
        days,
      ]);
      await clearExpired(test.pool);
      return (await rows(test.pool, 'SELECT user_id FROM password_links')).length;
    };
    expect([await left(29), await left(31)]).toEqual([1, 0]);
  });

  it('takes no weak one in its place', async () => {
    await ask();
    const token = tokenIn((await lettersTo(test, FELLOW.email))[0]);
    const weak = await answer(token, 'password123').expect(400);
    expect(weak.body.error.issues[0]).toMatchObject({ path: 'password', code: 'common' });
    await answer(token).expect(200);
  });

  it('sends four letters an hour to an address, and says so to nobody', async () => {
    for (let i = 0; i < 7; i++) await ask();
    await lettersTo(test, FELLOW.email, 4);
    await ask('other@example.org');
    expect(await rows(test.pool, "SELECT id FROM mails WHERE address LIKE 'fellow%'")).toEqual([]);
    expect(await lettersTo(test, FELLOW.email, 4)).toHaveLength(4);
  });

  it('is for who runs the installation where no letters go out', async () => {
    await test.close();
    test = await testApp('lost_password');
    const refused = await by().post('/api/session/lost').send({ email: FELLOW.email }).expect(403);
    expect(refused.body.error.message).toContain('Ask who runs');
    await by().get('/api/mailbox').expect(404);
    expect((await by().get('/api/session')).body.mail).toBe('none');
  });
});

describe('a new account', () => {
  const account = { email: 'kim@example.org', password: 'ten letters', name: 'Kim' };
  const ask = (test: TestApp, who: object = account) =>
    supertest(test.app).post('/api/session/register').send(who).expect(200);

  it('is told to its address in the demo, and so is a second try for one that is known', async () => {
    const test = await testApp('told_account', { settings: { DOCEO_MAIL: 'stand-in' } });
    await ask(test);
    expect((await lettersTo(test, account.email))[0]?.text).toContain('an account was made');
    await ask(test, { ...account, name: 'Eve' });
    const [again] = await lettersTo(test, account.email, 2);
    expect(again?.text).toContain('Dear Kim');
    expect(again?.text).toContain('You have one already');
    await test.close();
  });

  describe('where letters go out', () => {
    /** The one shows what the other sends over SMTP. */
    let mailbox: TestApp;
    let server: StandInMailbox;
    let test: TestApp;
    beforeEach(async () => {
      mailbox = await testApp('asked_account', { settings: { DOCEO_MAIL: 'stand-in' } });
      server = new StandInMailbox(mailbox.pool);
      test = await testApp('asked_account', {
        url: mailbox.url,
        settings: { DOCEO_MAIL: await server.url() },
      });
    });
    afterEach(async () => {
      await test.close();
      server.close();
      await mailbox.close();
    });

    const confirm = (token: string) => supertest(test.app).post('/api/session/confirm').send({ token });
    const signIn = (who = account) =>
      supertest(test.app).post('/api/session').send({ email: who.email, password: who.password });

    it('is made when the link of its letter is opened, once', async () => {
      await ask(test);
      await signIn().expect(401);
      const [letter] = await lettersTo(mailbox, account.email);
      expect(letter?.text).toContain('https://doceo.example/welcome#');
      expect((await confirm(tokenIn(letter)).expect(200)).body).toEqual({ email: account.email });
      await signIn().expect(200);
      expect((await confirm(tokenIn(letter)).expect(404)).body.error.message).toContain('opened already');
      expect(await rows(test.pool, 'SELECT id FROM asked_accounts')).toEqual([]);
    });

    it('tells whoever asks nothing of an address that is known: same answer, and no way in', async () => {
      const known = { ...account, email: FELLOW.email };
      expect((await ask(test, known)).body).toEqual((await ask(test)).body);
      await signIn(known).expect(401);
      await signIn().expect(401);
      const [letter] = await lettersTo(mailbox, FELLOW.email);
      expect(letter?.text).toContain('You have one already');
      expect(tokenIn(letter)).toBe('');
    });

    it('asked for twice is made by either letter, and the other makes none', async () => {
      await ask(test);
      const first = tokenIn((await lettersTo(mailbox, account.email))[0]);
      await ask(test, { ...account, password: 'another ten letters' });
      const second = tokenIn((await lettersTo(mailbox, account.email, 2))[0]);
      await confirm(second).expect(200);
      await confirm(first).expect(404);
      await signIn({ ...account, password: 'another ten letters' }).expect(200);
      await signIn().expect(401);
    });

    it('that nobody confirms is gone after two days', async () => {
      await ask(test);
      const token = tokenIn((await lettersTo(mailbox, account.email))[0]);
      await write(test.pool, 'UPDATE asked_accounts SET asked_at = UTC_TIMESTAMP(3) - INTERVAL 49 HOUR');
      await confirm(token).expect(404);
      await ask(test, { ...account, email: 'lee@example.org' });
      expect(await rows(test.pool, 'SELECT email FROM asked_accounts')).toEqual([
        { email: 'lee@example.org' },
      ]);
    });
  });
});
