import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import type { ElementHandle, Page } from 'puppeteer-core';
import { axeFindings } from '../lib/axe';
import {
  byText,
  clickText,
  DESK,
  fill,
  openTab,
  PHONE,
  saved,
  settled,
  signIn,
  textOf,
} from '../lib/browser';
import { ask } from '../lib/device';
import { LEAD, type World, world } from '../lib/world';

const PLAN = 'Short morning';

/** A plan that goes from its owner to two others, and what comes back of it. */
describe('a plan that travels', () => {
  let at: World;
  let lead: Page;
  let fellow: Page;
  let third: Page;
  const complaints: string[] = [];

  const tabOf = async (email: string, path: string): Promise<Page> => {
    const tab = await openTab(at.browser, DESK);
    tab.page.on('pageerror', (error) => complaints.push(String(error)));
    await signIn(tab.page, at.server.url, email, path);
    return tab.page;
  };
  const go = async (page: Page, path: string): Promise<void> => {
    await page.goto(`${at.server.url}${path}`);
    await page.waitForSelector('doceo-rail');
    await settled(page);
  };
  /** Changes a field of the block whose line has this title. */
  const changeBlock = async (page: Page, title: string, label: string, text: string): Promise<void> => {
    await clickText(page, '.face', title);
    const field = await byText(page, 'doceo-block-inspector label', new RegExp(`^\\s*${label}`));
    const input = await field.$('input, textarea');
    await input?.click({ count: 3 });
    await input?.type(text);
    await page.keyboard.press('Tab');
    await saved(page);
  };
  const copyOf = async (page: Page): Promise<string> => {
    await go(page, '/circle');
    await byText(page, '.shared', PLAN);
    await page.$$eval(
      '.shared',
      (rows, title) =>
        [
          ...(rows.find((row) => row.textContent?.includes(title))?.querySelectorAll<HTMLElement>('button') ??
            []),
        ]
          .find((button) => button.textContent?.includes('Take my own copy'))
          ?.click(),
      PLAN,
    );
    await byText(page, '.origin', 'by Maren Voss');
    return new URL(page.url()).pathname;
  };

  let planPath = '';
  let copyPath = '';
  let thirdPath = '';

  beforeAll(async () => {
    at = await world('sharing');
    lead = at.page;
    // The third is asked into the school, and joins.
    await go(lead, '/circle');
    await fill(lead, 'input[type=email]', 'other@saltmarsh.example');
    await clickText(lead, 'button', 'Ask to join');
    await byText(lead, '.invited', 'other@saltmarsh.example');
    fellow = await tabOf('fellow@ternalder.example', '/circle');
    third = await tabOf('other@saltmarsh.example', '/circle');
    await clickText(third, 'button', 'Join');
    await byText(third, 'h2', 'Tern & Alder');
  });
  afterAll(() => at?.end());

  it('is shared, and two take a copy', async () => {
    await go(lead, '/plan');
    await clickText(lead, 'a.open', 'Grass before water');
    await lead.waitForSelector('input.title');
    await fill(lead, 'input.title', PLAN);
    await lead.keyboard.press('Tab');
    await saved(lead);
    planPath = new URL(lead.url()).pathname;
    await clickText(lead, 'button', 'Share the changes');
    await fill(lead, '.p-dialog textarea', 'A shorter name');
    await clickText(lead, '.p-dialog button', 'Tell who has a copy');
    await byText(lead, 'p-toast', 'Shared with');
    copyPath = await copyOf(fellow);
    thirdPath = await copyOf(third);
    expect(new Set([planPath, copyPath, thirdPath]).size).toBe(3);
  });

  it('is changed by its owner while a fellow proposes his changes', async () => {
    await changeBlock(fellow, 'Clinch against the clock', 'Lasts, min', '20');
    await changeBlock(fellow, 'Count the pause', 'Say', 'One, two, and forward.');
    await changeBlock(lead, 'Clinch against the clock', 'Lasts, min', '10');
    await changeBlock(lead, 'Safety talk', 'Say', 'Hats on, all of you.');
    await clickText(fellow, 'button', 'Propose back');
    await byText(fellow, '.p-dialog li', 'Count the pause');
    await fill(fellow, '.p-dialog textarea', 'Knots want more time');
    await clickText(fellow, '.p-dialog button', /^Propose$/);
    await byText(fellow, '.p-dialog .before', 'Knots want more time');
  });

  it('takes the proposal with the one thing settled that both changed', async () => {
    await go(lead, '/circle');
    await clickText(lead, 'nav button', PLAN);
    await byText(lead, 'li.proposal', 'Knots want more time');
    await clickText(lead, 'li.proposal a', 'Read the proposal');
    await byText(lead, 'doceo-island legend', 'how long');
    expect(await textOf(lead, 'footer .waits')).toMatch(/^Merge, after/);
    expect(await axeFindings(lead)).toEqual([]);
    await clickText(lead, 'doceo-island label', 'Tobias');
    await clickText(lead, 'footer button', /^\s*Merge\s*$/);
    await byText(lead, 'p-toast', 'Both are in the plan now');
    await settled(lead);
    const lines = await textOf(lead, 'doceo-timeline');
    expect(lines).toContain('Hats on, all of you.');
    expect(lines).toContain('One, two, and forward.');
  });

  it('tells the fellow, and the third of a new version, who takes it', async () => {
    await go(fellow, '/circle');
    await clickText(fellow, 'nav button', PLAN);
    await byText(fellow, 'li.answered', 'took your change');
    await go(third, '/circle');
    await byText(third, 'li.newer', 'shared a new version');
    await clickText(third, 'li.newer a', 'See what is new');
    await byText(third, '.parts', 'One, two, and forward.');
    await clickText(third, 'footer button', /^\s*Merge\s*$/);
    await byText(third, 'p-toast', 'Both are in the plan now');
    await settled(third);
    expect(new URL(third.url()).pathname).toBe(thirdPath);
    expect(await textOf(third, 'doceo-timeline')).toContain('One, two, and forward.');
    await go(third, `${thirdPath}/versions`);
    await byText(third, 'ol li', 'copied');
    expect(await textOf(third, 'ol li')).toContain('Knots want more time');
    expect(await axeFindings(third)).toEqual([]);
  });

  it('is asked about and answered, each where he is', async () => {
    await go(fellow, planPath);
    await clickText(fellow, '.face', 'Draw along the wall');
    await clickText(fellow, 'button', 'Ask about this block');
    await fill(fellow, 'doceo-plan-talk textarea', 'With the rod hand only?');
    await clickText(fellow, 'doceo-plan-talk button', 'Send');
    await byText(fellow, '.thread', 'With the rod hand only?');
    await go(lead, '/circle');
    await clickText(lead, 'nav button', PLAN);
    await clickText(lead, 'li.question button', 'Answer');
    await fill(lead, 'li.question textarea', 'Both, one after the other.');
    await clickText(lead, 'li.question button', 'Send');
    await go(fellow, '/circle');
    await clickText(fellow, 'nav button', `${PLAN}, of Maren`);
    await byText(fellow, 'li.reply', 'Both, one after the other.');
  });

  it('can be read and settled on a phone', async () => {
    const phone = await openTab(at.browser, PHONE);
    await signIn(phone.page, at.server.url, LEAD, '/circle');
    await clickText(phone.page, 'nav button', 'Riffle morning');
    await byText(phone.page, 'li.newer', 'shared a new version');
    await clickText(phone.page, 'li.newer a', 'See what is new');
    await byText(phone.page, '.parts', 'Find the seam');
    expect(await phone.page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    expect(await axeFindings(phone.page)).toEqual([]);
    await clickText(phone.page, 'footer button', 'Leave mine as it is');
    await byText(phone.page, 'p-toast', 'Your copy stays as it is');
    await phone.page.browserContext().close();
  });

  it('is read behind a link by somebody without an account, until it is closed', async () => {
    await go(lead, `${planPath}/out`);
    await clickText(lead, 'button', 'Make a link');
    await byText(lead, 'doceo-made-link', 'It is shown this once');
    const address = (await textOf(lead, '.address')).trim();
    const { page } = await openTab(at.browser, PHONE);
    await page.goto(address);
    await byText(page, 'h1', PLAN);
    await clickText(page, '.face', 'Count the pause');
    await byText(page, '.opened .say', 'One, two, and forward.');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    expect(await axeFindings(page)).toEqual([]);
    expect(await axeFindings(lead)).toEqual([]);
    await go(lead, `${planPath}/out`);
    await byText(lead, 'doceo-plan-link li', 'opened once');
    await clickText(lead, 'doceo-plan-link button', 'Close it');
    await byText(lead, 'doceo-plan-link li', 'closed');
    await page.reload();
    await byText(page, '.none', 'This link was closed by whoever made it.');
    await page.browserContext().close();
  });

  it('goes as a file to another school, which sees first what would come', async () => {
    const ids = [planPath.split('/').at(-1)];
    const { text } = await ask<{ text: string }>(lead, '/api/plans/file', { ids, withoutNames: true });
    const file = join(mkdtempSync(join(tmpdir(), 'doceo-file-')), 'theirs.json');
    writeFileSync(file, text);
    await go(third, '/plan');
    const field = (await third.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
    await field.uploadFile(file);
    await byText(third, 'doceo-take-in .plan', PLAN);
    await clickText(third, 'doceo-take-in button', 'Put it beside');
    await clickText(third, 'doceo-take-in button', 'Take 1 plan');
    await byText(third, '.files', '1 plan taken in.');
    expect(await axeFindings(third)).toEqual([]);
  });

  it('lets no page complain', async () => {
    await pause(100);
    expect([...complaints, ...at.complaints]).toEqual([]);
  });
});
