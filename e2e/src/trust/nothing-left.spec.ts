import { EVENING_CLASS, FELLOW } from '@doceo/demo';
import type { Page } from 'puppeteer-core';
import { byText, clickText, fill, openTab, settled, signIn } from '../lib/browser';
import { ask, keptOn } from '../lib/device';
import { leftInTables } from '../lib/every-table';
import { type World, world } from '../lib/world';

/** What is deleted in the application leaves no name behind: in no table, on no device, in no file that is taken along. */
describe('what is deleted', () => {
  let at: World;
  let lead: Page;

  beforeAll(async () => {
    at = await world('nothing_left', undefined, true);
    lead = at.page;
  });
  afterAll(() => at?.end());

  const signedIn = async (email: string): Promise<Page> => {
    const { page } = await openTab(at.browser, undefined, true);
    await signIn(page, at.server.url, email);
    return page;
  };
  /** Where one of these words is left, once devices had time to forget. */
  const left = async (words: string[], pages: Page[]): Promise<string[]> => {
    const places = async (): Promise<string[]> => {
      const found = await leftInTables(at.databaseUrl, words);
      for (const [i, page] of pages.entries()) {
        const kept = await keptOn(page);
        found.push(...words.filter((word) => kept.includes(word)).map((word) => `device ${i}: ${word}`));
        const file = JSON.stringify(await ask(page, '/api/account/file', { password: 'corvane-demo' }));
        expect(file).toContain('doceo-account');
        found.push(...words.filter((word) => file.includes(word)).map((word) => `file ${i}: ${word}`));
      }
      return found;
    };
    let now = await places();
    for (let tries = 0; tries < 50 && now.length > 0; tries++) {
      await new Promise((resolve) => setTimeout(resolve, 200));
      now = await places();
    }
    return now;
  };

  it('a circle: whoever leaves last takes it along', async () => {
    const aiko = await signedIn('other@saltmarsh.example');
    await aiko.goto(`${at.server.url}/circle`);
    await byText(aiko, 'main', EVENING_CLASS.name);
    await settled(aiko);
    const words = [EVENING_CLASS.id, EVENING_CLASS.name];
    expect((await leftInTables(at.databaseUrl, words)).length).toBeGreaterThan(1);
    await aiko.$eval(`button[aria-label="Leave ${EVENING_CLASS.name}"]`, (button) =>
      (button as HTMLElement).click(),
    );
    await clickText(aiko, 'button', 'Leave the circle');
    await aiko.waitForFunction(
      (name) => !document.querySelector('main')?.textContent?.includes(name),
      {},
      EVENING_CLASS.name,
    );
    await aiko.goto(`${at.server.url}/today`);
    await settled(aiko);
    expect(await left(words, [aiko])).toEqual([]);
    await aiko.close();
  });

  it('a student: with the record, and from every device that knew him', async () => {
    const students = await ask<{ id: string; student: { name: string } }[]>(lead, '/api/students');
    const gone = students.find(({ student }) => student.name === 'Jonas Wren')!;
    const tobias = await signedIn(FELLOW.email);
    const words = [gone.id, gone.student.name];
    // Whom the fellow was given is on his device too.
    for (const page of [lead, tobias]) {
      await page.goto(`${at.server.url}/record/${gone.id}`);
      await byText(page, 'h1', gone.student.name);
      await settled(page);
      expect(await keptOn(page)).toContain(gone.student.name);
    }
    await lead.goto(`${at.server.url}/record/${gone.id}`);
    await clickText(lead, 'button', /Delete this student/);
    await clickText(lead, 'button', 'Delete for good');
    await byText(lead, 'h1', 'Students');
    for (const page of [lead, tobias]) {
      await page.goto(`${at.server.url}/today`);
      await byText(page, 'h1', /./);
      await settled(page);
    }
    expect(await left(words, [lead, tobias])).toEqual([]);
    await tobias.close();
  });

  it('an account: with its name on what it shared', async () => {
    const tobias = await signedIn(FELLOW.email);
    await tobias.goto(`${at.server.url}/account`);
    await byText(tobias, 'button', 'See what would go');
    await settled(tobias);
    await clickText(tobias, 'button', 'See what would go');
    await fill(tobias, 'input[name=leave-password]', 'corvane-demo');
    await clickText(tobias, 'button', 'Delete my account');
    await tobias.waitForFunction(() => document.querySelector('doceo-sign-in') !== null);
    expect(await keptOn(tobias)).not.toMatch(new RegExp(`${FELLOW.name}|${FELLOW.email}`));
    await lead.goto(`${at.server.url}/circle`);
    await byText(lead, 'h1', /./);
    await settled(lead);
    expect(await left([FELLOW.id, FELLOW.name, FELLOW.email], [lead])).toEqual([]);
  });
});
