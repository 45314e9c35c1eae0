import { TestBed } from '@angular/core/testing';
import { api } from '@doceo/contract';
import { firstValueFrom } from 'rxjs';
import type { FakeServer } from '../../testing/fake-server';
import { CIRCLE, SESSION, STRANGER } from '../../testing/fixtures';
import { lessonServer, show, until } from '../../testing/page';
import { AppComponent } from '../app.component';
import { ApiClient } from '../data/api/api-client';
import { SignInComponent } from './sign-in.component';

const DEMO = {
  email: 'lead@ternalder.example',
  password: 'corvane-demo',
  who: 'Maren Voss, lead instructor',
};

describe('signing in', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    server = lessonServer().on(api.session.get, { ...STRANGER, demo: [DEMO] });
  });

  it('goes by address and password', async () => {
    server.on(api.session.signIn, SESSION);
    const page = await show(SignInComponent, server);
    await page.enter('input[name=email]', 'lead@ternalder.example');
    await page.enter('input[name=password]', 'corvane-demo');
    await page.press('Sign in');
    expect(server.of(api.session.signIn)[0]?.body).toEqual({
      email: 'lead@ternalder.example',
      password: 'corvane-demo',
    });
  });

  it('goes by one click in the demo', async () => {
    server.on(api.session.signIn, SESSION);
    const page = await show(SignInComponent, server);
    await page.press(DEMO.who);
    expect(server.of(api.session.signIn)[0]?.body).toEqual({ email: DEMO.email, password: DEMO.password });
  });

  it('shows no demo accounts where there are none', async () => {
    server.on(api.session.get, STRANGER);
    expect((await show(SignInComponent, server)).all('.demo')).toEqual([]);
  });

  it('says what is wrong, and keeps what was typed', async () => {
    server.refuse(api.session.signIn, 401, 'wrong-credentials');
    const page = await show(SignInComponent, server);
    await page.enter('input[name=email]', 'lead@ternalder.example');
    await page.enter('input[name=password]', 'wrong');
    await page.press('Sign in');
    expect(page.all('[role=alert]')).toEqual(['server says wrong-credentials']);
    expect(document.querySelector<HTMLInputElement>('input[name=email]')?.value).toBe(
      'lead@ternalder.example',
    );
  });

  it('tells a newcomer at each field what is missing, before anything is sent', async () => {
    const page = await show(SignInComponent, server);
    await page.press('I am new here');
    await page.quiet();
    expect(document.activeElement?.getAttribute('name')).toBe('name');
    await page.enter('input[name=email]', 'no address');
    await page.enter('input[name=password]', 'short');
    await page.press('Make the account');
    expect(page.all('.field .wrong')).toHaveLength(3);
    expect(server.of(api.session.register)).toEqual([]);
  });
});

describe('a lost password', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    server = lessonServer().on(api.session.get, { ...STRANGER, mail: 'stand-in' });
  });

  it('is asked for by a letter; the address that was typed stays', async () => {
    const page = await show(SignInComponent, server);
    await page.enter('input[name=email]', 'kim@example');
    await page.press('I lost my password');
    await page.press('Send me a link');
    expect(page.all('.wrong')).toEqual(['write it like name@example.org']);
    server.on(api.session.lost, { ok: true });
    await page.enter('input[name=email]', 'Kim@example.org');
    await page.press('Send me a link');
    expect(server.of(api.session.lost)[0]?.body).toEqual({ email: 'kim@example.org' });
    expect(page.all('[role=status]').join()).toContain('If kim@example.org has an account here');
    expect(page.text()).toContain('letters of the demo');
    await page.press('Back to sign in');
    expect(document.querySelector<HTMLInputElement>('input[name=email]')?.value).toBe('Kim@example.org');
  });

  it('is not offered where no letters go out', async () => {
    server.on(api.session.get, { ...STRANGER, mail: 'none' });
    expect((await show(SignInComponent, server)).text()).not.toContain('I lost my password');
  });

  it('is not needed to begin: where letters go out an account is made by the link of one', async () => {
    server.on(api.session.get, STRANGER).on(api.session.register, { ok: true });
    const page = await show(SignInComponent, server);
    await page.press('I am new here');
    await page.enter('input[name=name]', 'Kim');
    await page.enter('input[name=email]', 'kim@example.org');
    await page.enter('input[name=password]', 'wet hands first');
    await page.press('Make the account');
    expect(page.all('[role=status]').join()).toContain('to kim@example.org: open its link');
    expect(server.of(api.session.signIn)).toEqual([]);
    await page.press('To sign in');
    expect(page.text()).toContain('I am new here');
  });

  it('is not all that is asked for where there is a second step', async () => {
    const page = await show(SignInComponent, server);
    server.refuse(api.session.signIn, 401, 'wrong-credentials', [
      { path: 'code', code: 'needed', message: 'Now the code of your phone, or a spare one.' },
    ]);
    await page.enter('input[name=email]', 'kim@example.org');
    await page.enter('input[name=password]', 'corvane-demo');
    await page.press('Sign in');
    await page.quiet();
    expect(document.activeElement?.getAttribute('name')).toBe('code');
    expect(page.all('.wrong')).toEqual(['Now the code of your phone, or a spare one.']);
    server.on(api.session.signIn, SESSION);
    await page.enter('input[name=code]', '123456');
    await page.press('Sign in');
    expect(server.of(api.session.signIn).at(-1)?.body).toEqual({
      email: 'kim@example.org',
      password: 'corvane-demo',
      code: '123456',
    });
  });
});

describe('the frame', () => {
  it('asks for the password again when the session ended, and goes on with what waited', async () => {
    localStorage.clear();
    const server = lessonServer();
    const page = await show(AppComponent, server);
    server.refuse(api.circles.list, 401, 'signed-out');
    const answer = firstValueFrom(TestBed.inject(ApiClient).call(api.circles.list));
    await page.settle();
    expect(page.text()).toContain('Your session has ended');
    server.on(api.session.signIn, SESSION).on(api.circles.list, [CIRCLE]);
    await page.enter('input[name=password]', 'corvane-demo');
    await page.press('Sign in again');
    expect(await answer).toEqual([CIRCLE]);
    expect(page.text()).not.toContain('Your session has ended');
  });

  it('asks for the code of the phone, too, when the session ended', async () => {
    localStorage.clear();
    const server = lessonServer();
    const page = await show(AppComponent, server);
    server.refuse(api.circles.list, 401, 'signed-out');
    const answer = firstValueFrom(TestBed.inject(ApiClient).call(api.circles.list));
    await page.settle();
    server.refuse(api.session.signIn, 401, 'wrong-credentials', [
      { path: 'code', code: 'needed', message: 'Now the code of your phone.' },
    ]);
    await page.enter('input[name=password]', 'corvane-demo');
    await page.press('Sign in again');
    server.on(api.session.signIn, SESSION).on(api.circles.list, [CIRCLE]);
    await page.enter('input[name=code]', '123456');
    await page.press('Sign in again');
    expect(await answer).toEqual([CIRCLE]);
  });

  it('says so while the server does not answer', async () => {
    localStorage.clear();
    const server = lessonServer();
    const page = await show(AppComponent, server);
    server.refuse(api.circles.list, 0);
    TestBed.inject(ApiClient)
      .call(api.circles.list)
      .subscribe({ error: () => undefined });
    await page.settle();
    expect(page.text()).toContain('The server does not answer. Trying again');
    server.on(api.circles.list, []);
    await until(() => !page.text().includes('The server does not answer'));
    expect(page.text()).not.toContain('The server does not answer');
  });
});
