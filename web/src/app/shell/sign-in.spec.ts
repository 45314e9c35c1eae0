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
