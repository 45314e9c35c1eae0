import { TOTP } from 'otpauth';
import type { Page } from 'puppeteer-core';
import { axeFindings } from '../lib/axe';
import { byText, clickText, fill, openTab, PHONE, settled, textOf } from '../lib/browser';
import { keptOn } from '../lib/device';
import { newestLink } from '../lib/mailbox';
import { type World, world } from '../lib/world';

const EMAIL = 'fellow@ternalder.example';

/** Somebody's own account, with letters read in the mailbox of the demo, on two devices. */
describe('an account', () => {
  let at: World;
  let desk: Page;
  let phone: Page;
  let complaints: string[];

  beforeAll(async () => {
    at = await world('account');
    ({ page: desk, complaints } = await openTab(at.browser));
    ({ page: phone } = await openTab(at.browser, PHONE));
  });
  afterAll(() => at?.end());

  const signIn = async (page: Page, password: string): Promise<void> => {
    await page.goto(`${at.server.url}/today`);
    await page.waitForSelector('input[name=email]');
    await fill(page, 'input[name=email]', EMAIL);
    await fill(page, 'input[name=password]', password);
    await clickText(page, 'button', /^\s*Sign in\s*$/);
  };
  it('whose password is lost is opened again by a letter, and whoever was in is out', async () => {
    await signIn(desk, 'corvane-demo');
    await desk.waitForSelector('doceo-rail');
    await phone.goto(at.server.url);
    await clickText(phone, 'button', 'I lost my password');
    await byText(phone, 'button', 'Send me a link');
    await fill(phone, 'form input[name=email]', EMAIL);
    await clickText(phone, 'button', 'Send me a link');
    await byText(phone, '[role=status]', 'a letter is on its way');
    const link = await newestLink(phone, at.server.url, EMAIL);
    expect(await axeFindings(phone)).toEqual([]);
    await phone.goto(link);
    await byText(phone, 'main', 'Tobias Lind');
    await fill(phone, 'input[name=password]', 'password123');
    await clickText(phone, 'button', 'Keep it');
    await byText(phone, '.wrong', 'one of the first that are tried');
    await fill(phone, 'input[name=password]', 'wet hands first');
    await clickText(phone, 'button', 'Keep it');
    await byText(phone, '[role=status]', 'It is changed');
    await phone.goto('about:blank');
    await phone.goto(link);
    await byText(phone, '[role=alert]', 'used already');
    // The desk learns it at its next call.
    await desk.goto(`${at.server.url}/record`);
    await desk.waitForSelector('input[name=password]');
    await signIn(desk, 'corvane-demo');
    await byText(desk, '.wrong', 'not right');
    await signIn(desk, 'wet hands first');
    await desk.waitForSelector('doceo-rail');
  });

  it('asks for a code of the phone once that is set up, and takes a spare one', async () => {
    await desk.goto(`${at.server.url}/account`);
    await clickText(desk, 'button', 'Set it up');
    await fill(desk, 'input[name=step-password]', 'wet hands first');
    await clickText(desk, 'button', 'Go on');
    await desk.waitForSelector('doceo-qr-code');
    await clickText(desk, 'summary', 'or it cannot read this');
    const secret = (await textOf(desk, '.secret')).replace(/\s/g, '');
    await fill(desk, 'input[name=first-code]', new TOTP({ secret }).generate());
    await clickText(desk, 'button', 'Turn it on');
    await desk.waitForSelector('.codes span');
    const [spare = ''] = await desk.$$eval('.codes span', (codes) =>
      codes.map((one) => one.textContent ?? ''),
    );
    await settled(desk);
    expect(await axeFindings(desk)).toEqual([]);
    await signIn(phone, 'wet hands first');
    await byText(phone, '.wrong', 'Now the code of your phone');
    await fill(phone, 'input[name=code]', spare);
    await clickText(phone, 'button', /^\s*Sign in\s*$/);
    await phone.waitForSelector('doceo-rail');
  });

  it('shows where it is open, and closes it there', async () => {
    await desk.goto(`${at.server.url}/account`);
    await byText(desk, 'doceo-sign-ins', 'here');
    expect(await desk.$$eval('doceo-sign-ins li', (all) => all.length)).toBe(2);
    await clickText(desk, 'doceo-sign-ins button', 'End it');
    await desk.waitForFunction(() => document.querySelectorAll('doceo-sign-ins li').length === 1);
    await phone.goto(`${at.server.url}/plan`);
    await phone.waitForSelector('input[name=password]');
  });

  it('is deleted, and neither this device nor anybody keeps anything of it', async () => {
    await desk.goto(`${at.server.url}/account`);
    await clickText(desk, 'button', 'See what would go');
    await fill(desk, 'input[name=leave-password]', 'wet hands first');
    await clickText(desk, 'button', 'Delete my account');
    await desk.waitForFunction(() => document.querySelector('doceo-sign-in') !== null);
    expect(await keptOn(desk)).not.toMatch(/fellow@ternalder|Tobias Lind/);
    await signIn(desk, 'wet hands first');
    await byText(desk, '.wrong', 'not right');
    expect(complaints).toEqual([]);
  });
});
