import type { Browser, Page } from 'puppeteer-core';
import { byText, DESK, launch, openTab, signIn, textOf } from './browser';
import { freshDatabase, type RunningServer, startServer } from './server';

/** Every screen opens in the real browser, from the real server, and complains of nothing. */
describe('the screens', () => {
  let server: RunningServer;
  let second: RunningServer;
  let browser: Browser;
  let page: Page;
  let complaints: string[];

  beforeAll(async () => {
    const database = await freshDatabase('path');
    server = await startServer(database);
    second = await startServer(database);
    browser = await launch();
    ({ page, complaints } = await openTab(browser, DESK));
    await signIn(page, server.url, 'lead@ternalder.example');
  }, 90_000);

  afterAll(async () => {
    await browser?.close();
    await second?.stop();
    await server?.stop();
  });

  it('today shows the next lesson and its stop snags', async () => {
    await byText(page, 'h1', 'First nymphs');
    await byText(page, '.snag.stop h3', 'rule card not read');
    expect(await textOf(page, '.students')).toContain('Petra');
  });

  it.each([
    ['/rig', 'Rigs'],
    ['/plan', 'Plans'],
    ['/record', 'Students'],
    ['/circle', 'Circle'],
    ['/nowhere', 'Nothing lies here'],
  ])('%s opens by its address', async (path, title) => {
    await page.goto(`${server.url}${path}`);
    await byText(page, 'h1', title);
  });

  it('a session opened at one server process is known to another', async () => {
    const { host } = new URL(second.url);
    const cookie = (await page.cookies()).find(({ name }) => name === 'doceo');
    const reply = await fetch(`http://${host}/api/session`, {
      headers: { Cookie: `doceo=${cookie?.value ?? ''}` },
    });
    expect(((await reply.json()) as { user: { name: string } | null }).user?.name).toBe('Maren Voss');
  });

  it('no page complained', () => expect(complaints).toEqual([]));
});
