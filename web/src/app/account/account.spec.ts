import { TestBed } from '@angular/core/testing';
import { ActivatedRoute } from '@angular/router';
import { api, type SignInPlace } from '@doceo/contract';
import { of } from 'rxjs';
import type { FakeServer } from '../../testing/fake-server';
import { lessonServer, show, type Shown } from '../../testing/page';
import { AccountPage } from './account.page';
import { LostPage } from './lost.page';
import { MailboxPage } from './mailbox.page';
import { WelcomePage } from './welcome.page';

const EFFECT = {
  students: 2,
  lessons: 1,
  events: 0,
  plans: 3,
  rigs: 0,
  waters: 0,
  circlesEnding: [],
  circlesWithoutOwner: [] as string[],
  kept: [{ what: 'water' as const, name: 'River Ostrel', keeper: 'Tobias Lind' }],
  eventsKept: 4,
};
const place = (id: string, browser: string, hoursAgo: number, here = false): SignInPlace => ({
  id: id.repeat(32),
  browser,
  since: '2026-06-01T08:00:00.000Z',
  usedAt: new Date(Date.now() - hoursAgo * 3_600_000).toISOString(),
  here,
});
const HERE = place('a', 'Firefox on Windows', 0, true);
const PHONE = place('b', 'Chrome on Android', 30);
const OLD = place('c', 'Safari on macOS', 24 * 9);

describe('one’s account', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    server = lessonServer()
      .on(api.account.deletionPreview, EFFECT)
      .on(api.account.signIns, [HERE, PHONE, OLD])
      .on(api.account.secondFactor, { on: false, spareCodes: 0 });
  });

  it('takes another password, and says at the field what is wrong with it', async () => {
    const page = await show(AccountPage, server);
    await page.press('Change it');
    expect(page.all('.wrong')[0]).toBe('it is needed to change it');
    await page.enter('input[name=current]', 'corvane-demo');
    await page.enter('input[name=next]', 'short');
    await page.press('Change it');
    expect(server.of(api.session.changePassword)).toEqual([]);
    expect(page.all('.wrong')).toHaveLength(1);
    server.refuse(api.session.changePassword, 400, 'invalid', [
      { path: 'next', code: 'common', message: 'is one of the first that are tried' },
    ]);
    await page.enter('input[name=next]', 'password123');
    await page.press('Change it');
    expect(page.all('.wrong')).toEqual(['is one of the first that are tried']);
    server.on(api.session.changePassword, { ok: true });
    await page.enter('input[name=next]', 'a better one');
    await page.press('Change it');
    expect(server.of(api.session.changePassword).at(-1)?.body).toEqual({
      current: 'corvane-demo',
      next: 'a better one',
    });
  });

  it('shows where one is signed in, and ends what one does not know', async () => {
    const page = await show(AccountPage, server);
    await page.quiet();
    expect(page.all('doceo-sign-ins li').map((text) => text.replace(/\s+/g, ' '))).toEqual([
      'Firefox on Windows heresince 1 Jun 2026, used just now',
      'Chrome on Android since 1 Jun 2026, used a day ago End it',
      'Safari on macOS since 1 Jun 2026, used 9 days ago End it',
    ]);
    server.on(api.account.endSignIn, [HERE, OLD]);
    await page.press('End it');
    expect(server.of(api.account.endSignIn)[0]?.path).toContain('b'.repeat(32));
    expect(page.all('doceo-sign-ins li')).toHaveLength(2);
    expect(page.text()).not.toContain('End all but this one');
  });

  it('ends all others at once', async () => {
    server.on(api.account.endOtherSignIns, [HERE]);
    const page = await show(AccountPage, server);
    await page.quiet();
    await page.press('End all but this one');
    expect(page.all('doceo-sign-ins li')).toHaveLength(1);
  });

  it('shows the last ones of many, and the rest when it is asked for', async () => {
    const many = Array.from({ length: 8 }, (_, i) => ({ ...OLD, id: `old ${i}` }));
    server.on(api.account.signIns, [HERE, ...many]);
    const page = await show(AccountPage, server);
    await page.quiet();
    expect(page.all('doceo-sign-ins li')).toHaveLength(6);
    await page.press('Show 3 more');
    expect(page.all('doceo-sign-ins li')).toHaveLength(9);
    expect(page.text()).not.toMatch(/Show \d+ more/);
  });

  it('sets up a second step: password, a picture for the phone, its code, spare codes', async () => {
    const page = await show(AccountPage, server);
    await page.quiet();
    await page.press('Set it up');
    await page.press('Go on');
    expect(page.all('.wrong')).toEqual(['it is needed']);
    server.on(api.account.offerSecondFactor, {
      secret: 'ABCDEFGH23456723',
      address: 'otpauth://totp/Doceo:a%40b.example?secret=ABCDEFGH23456723',
    });
    await page.enter('input[name=step-password]', 'corvane-demo');
    await page.press('Go on');
    await page.quiet();
    expect(document.activeElement?.getAttribute('name')).toBe('first-code');
    expect(page.all('.secret')).toEqual(['ABCD EFGH 2345 6723']);
    expect(document.querySelector('doceo-qr-code path')).not.toBeNull();
    server.refuse(api.account.beginSecondFactor, 401, 'wrong-credentials', [
      { path: 'code', code: 'wrong', message: 'The phone’s clock is 60 minutes behind.' },
    ]);
    await page.enter('input[name=first-code]', '123456');
    await page.press('Turn it on');
    expect(page.all('.wrong')).toEqual(['The phone’s clock is 60 minutes behind.']);
    server
      .on(api.account.beginSecondFactor, { spareCodes: ['abcde-fghjk', 'mnpqr-stuvw'] })
      .on(api.account.secondFactor, { on: true, spareCodes: 2 });
    await page.press('Turn it on');
    await page.quiet();
    expect(page.all('.codes span')).toEqual(['abcde-fghjk', 'mnpqr-stuvw']);
    expect(page.text()).toContain('On: signing in asks for a code. 2 spare codes are left.');
    await page.press('I have them');
    expect(page.text()).not.toContain('abcde-fghjk');
  });

  it('ends it with password and code', async () => {
    server.on(api.account.secondFactor, { on: true, spareCodes: 1 });
    const page = await show(AccountPage, server);
    await page.quiet();
    expect(page.text()).toContain('1 spare code is left.');
    await page.press('Turn it off, or change the phone');
    await page.press('Turn it off');
    expect(page.all('.wrong')).toEqual(['it is needed', 'the code is needed']);
    server
      .on(api.account.endSecondFactor, { ok: true })
      .on(api.account.secondFactor, { on: false, spareCodes: 0 });
    await page.enter('input[name=step-password]', 'corvane-demo');
    await page.enter('input[name=step-code]', '123 456');
    await page.press('Turn it off');
    await page.quiet();
    expect(server.of(api.account.endSecondFactor)[0]?.body).toEqual({
      password: 'corvane-demo',
      code: '123 456',
    });
    expect(page.text()).toContain('Off. With it,');
  });

  it('is not handed out as a file without the password', async () => {
    const page = await show(AccountPage, server);
    await page.press('Save the file');
    expect(page.all('.wrong')).toEqual(['it is needed']);
    server.refuse(api.account.file, 401, 'wrong-credentials', [
      { path: 'password', code: 'wrong', message: 'is not right' },
    ]);
    await page.enter('input[name=file-password]', 'guess');
    await page.press('Save the file');
    expect(page.all('.wrong')).toEqual(['is not right']);
  });

  it('tells what goes and what stays before it is deleted', async () => {
    const page = await show(AccountPage, server);
    await page.press('See what would go');
    await page.quiet();
    const text = page.text();
    expect(text).toContain('For good: 2 students, 1 lesson, 3 plans.');
    expect(text).toContain('4 entries about students of fellows stay');
    expect(text).toContain('water “River Ostrel”, then with Tobias Lind');
    server.refuse(api.account.remove, 401, 'wrong-credentials', [
      { path: 'password', code: 'wrong', message: 'is not right' },
    ]);
    await page.press('Delete my account');
    expect(page.all('.wrong')).toEqual(['it is needed']);
    expect(server.of(api.account.remove)).toEqual([]);
    await page.enter('input[name=leave-password]', 'guess');
    await page.press('Delete my account');
    expect(page.all('.wrong')).toEqual(['is not right']);
    await page.press('Cancel');
    expect(page.text()).not.toContain('For good');
  });

  it('is not deleted while a circle would lose its owner', async () => {
    server.on(api.account.deletionPreview, { ...EFFECT, circlesWithoutOwner: ['River School'] });
    const page = await show(AccountPage, server);
    await page.press('See what would go');
    await page.quiet();
    expect(page.text()).toContain('River School would be left without an owner');
    expect(document.querySelector('input[name=leave-password]')).toBeNull();
  });
});

describe('the link of a letter', () => {
  const TOKEN = 'A'.repeat(22);
  const server = lessonServer();
  const open = (fragment: string | null): Promise<Shown<LostPage>> => {
    TestBed.overrideProvider(ActivatedRoute, { useValue: { fragment: of(fragment) } });
    return show(LostPage, server);
  };

  it('takes a new password for whom it is, and says what is wrong with one', async () => {
    server.on(api.session.lostLink, { email: 'a@b.example', name: 'Ann' });
    const page = await open(TOKEN);
    expect(page.text()).toContain('For Ann a@b.example');
    await page.enter('input[name=password]', 'short');
    await page.press('Keep it');
    expect(page.all('.wrong')).toEqual(['ten characters or more']);
    expect(server.of(api.session.lostAnswer)).toEqual([]);
    server.on(api.session.lostAnswer, { ok: true });
    await page.enter('input[name=password]', 'wet hands first');
    await page.press('Keep it');
    expect(server.of(api.session.lostAnswer)[0]?.body).toEqual({
      token: TOKEN,
      password: 'wet hands first',
    });
    expect(page.text()).toContain('Sign in with the new one');
  });

  it('that was used, replaced or cut says so', async () => {
    server.refuse(api.session.lostLink, 404, 'not-found');
    const page = await open(TOKEN);
    expect(page.all('[role=alert]')).toEqual(['server says not-found']);
    expect(document.querySelector('input')).toBeNull();
  });

  it('that lost its end asks nobody', async () => {
    const before = server.of(api.session.lostLink).length;
    const page = await open(null);
    expect(page.all('[role=alert]')).toEqual([expect.stringContaining('lost its end')]);
    expect(server.of(api.session.lostLink)).toHaveLength(before);
  });
});

describe('the link that makes an account', () => {
  const server = lessonServer();
  const open = (fragment: string | null): Promise<Shown<WelcomePage>> => {
    TestBed.overrideProvider(ActivatedRoute, { useValue: { fragment: of(fragment) } });
    return show(WelcomePage, server);
  };

  it('makes it', async () => {
    server.on(api.session.confirm, { email: 'kim@example.org' });
    const page = await open('A'.repeat(22));
    expect(page.all('[role=status]').join()).toContain('Sign in with kim@example.org');
  });

  it('says why it makes none', async () => {
    server.refuse(api.session.confirm, 404, 'not-found');
    expect((await open('A'.repeat(22))).all('[role=alert]')).toEqual(['server says not-found']);
  });

  it('that lost its end asks nobody', async () => {
    const before = server.of(api.session.confirm).length;
    expect((await open(null)).all('[role=alert]')).toEqual([expect.stringContaining('lost its end')]);
    expect(server.of(api.session.confirm)).toHaveLength(before);
  });
});

describe('the mailbox of the demo', () => {
  it('shows letters with links that lead to where one is', async () => {
    const server = lessonServer().on(api.mailbox.list, [
      {
        id: 2,
        to: 'kim@example.org',
        subject: 'A new password for Doceo',
        text: 'Here:\n\nhttps://doceo.example/lost#abc_-9\n\nDoceo, https://[broken\n',
        at: '2026-06-01T10:00:00.000Z',
      },
    ]);
    const page = await show(MailboxPage, server);
    expect(page.all('section h2')).toEqual(['A new password for Doceo']);
    expect([...document.querySelectorAll('.text a')].map((link) => link.getAttribute('href'))).toEqual([
      '/lost#abc_-9',
    ]);
    server.on(api.mailbox.list, []);
    await page.press('Look again');
    expect(page.text()).toContain('No letter has come.');
  });
});
