import { randomUUID } from 'node:crypto';
import type { Page } from 'puppeteer-core';
import { axeFindings } from '../lib/axe';
import { byText, clickText, fill, openTab, PHONE, settled, textOf } from '../lib/browser';
import { acknowledged, ask, keepOnDevice, onDevice, storesOf } from '../lib/device';
import { leftInTables } from '../lib/every-table';
import { newestLink } from '../lib/mailbox';
import { type World, world } from '../lib/world';

const RUTH = 'ruth@wren.example';

/** A guardian is asked by a letter, says yes, takes it back while a device is away, and has everything deleted. */
describe('the consent of a guardian', () => {
  let at: World;
  let lead: Page;
  let ruth: Page;
  let jonas: string;
  const lesson = randomUUID();

  beforeAll(async () => {
    at = await world('consent', undefined, true);
    lead = at.page;
    // A browser of her own: what her device keeps is no concern of the instructor's.
    const hers = await at.browser.createBrowserContext();
    ruth = await hers.newPage();
    await ruth.setViewport(PHONE);
    const students = await ask<{ id: string; student: { name: string } }[]>(lead, '/api/students');
    jonas = students.find(({ student }) => student.name === 'Jonas Wren')?.id ?? '';
    const [known] = await ask<{ planId: string; waterId: string }[]>(lead, '/api/lessons');
    await ask(lead, '/api/lessons', {
      id: lesson,
      lesson: {
        ...{ planId: known?.planId, waterId: known?.waterId, studentIds: [jonas] },
        startsAt: new Date(Date.now() - 600_000).toISOString(),
      },
    });
    await keepOnDevice(lead, 'lesson', lesson);
  });
  afterAll(() => at?.end());

  /** How many entries the server has of the lesson of today. */
  const stored = async (): Promise<number> =>
    (await ask<unknown[]>(lead, `/api/events?lessonId=${lesson}`)).length;
  const consentOf = async (): Promise<string | null> =>
    (await ask<{ student: { guardianConsentOn: string | null } }>(lead, `/api/students/${jonas}`)).student
      .guardianConsentOn;
  const openRecord = async (): Promise<void> => {
    await lead.goto(`${at.server.url}/record/${jonas}`);
    await lead.waitForSelector('doceo-student-consent ul');
    await settled(lead);
  };

  it('is asked by a letter, and given on a phone', async () => {
    await openRecord();
    await clickText(lead, 'doceo-student-consent button', /Ask the guardian/);
    await fill(lead, 'input[name=guardian-name]', 'Ruth Wren');
    await lead.select('doceo-student-consent select', ...(await letterChoice(lead)));
    await fill(lead, 'input[name=guardian-email]', RUTH);
    await settled(lead);
    expect(await axeFindings(lead)).toEqual([]);
    await clickText(lead, 'doceo-student-consent button', 'Send the letter');
    await byText(lead, 'doceo-student-consent li', `by a letter to ${RUTH}`);
    await ruth.goto(await newestLink(ruth, at.server.url, RUTH));
    await byText(ruth, 'h1', 'May a record be kept of Jonas’s lessons?');
    await settled(ruth);
    expect(await axeFindings(ruth)).toEqual([]);
    await fill(ruth, 'input[name=guardian]', 'Ruth Wren');
    await clickText(ruth, 'button', 'I agree');
    await byText(ruth, 'h1', 'A record is kept');
    await settled(ruth);
    expect(await axeFindings(ruth)).toEqual([]);
    await openRecord();
    await byText(lead, 'doceo-student-consent li', 'Ruth Wren agreed');
  });

  it('forwarded to somebody else shows him nothing of the record', async () => {
    const link = ruth.url();
    const { page } = await openTab(at.browser, PHONE);
    await page.goto(link);
    await byText(page, 'article', 'It was answered, on another device');
    expect(await textOf(page, 'article')).not.toContain('Wren');
    await page.close();
  });

  it('taken back while a device is away sets aside what was logged meanwhile', async () => {
    await lead.setViewport(PHONE);
    await lead.goto(`${at.server.url}/teach`);
    await lead.waitForSelector('[data-tap=good]');
    await settled(lead);
    await lead.setOfflineMode(true);
    await clickText(ruth, 'button', 'Take the consent back');
    await byText(ruth, 'h1', 'Nothing is recorded any more');
    const before = (await onDevice(lead)).length;
    await lead.evaluate(() => document.querySelector<HTMLElement>('[data-tap=good]')?.click());
    await acknowledged(lead, before + 1);
    await lead.setOfflineMode(false);
    await byText(lead, 'main', 'no guardian’s consent is on file');
    expect((await onDevice(lead)).filter(({ state }) => state === 'refused')).toHaveLength(1);
    expect(await stored()).toBe(0);
    expect(await consentOf()).toBeNull();
    await lead.goto(`${at.server.url}/record`);
    await byText(lead, 'doceo-student-news', 'Ruth Wren took back the consent for Jonas Wren');
    await settled(lead);
    expect(await axeFindings(lead)).toEqual([]);
  });

  it('has everything deleted, and nothing that names the student is left anywhere', async () => {
    await clickText(ruth, 'button', /Have everything deleted/);
    await fill(ruth, 'input[name=student-name]', 'Jonas Wren');
    await clickText(ruth, 'button', 'Delete for good');
    await byText(ruth, 'h1', 'It is deleted');
    await lead.goto(`${at.server.url}/today`);
    await settled(lead);
    await clickText(lead, 'button', '1 set aside');
    await clickText(lead, '.p-dialog button', 'Let it go');
    const left = async (): Promise<string[]> => [
      ...(await leftInTables(at.databaseUrl, [jonas, 'Jonas Wren', 'Ruth Wren', RUTH])),
      ...(/Jonas Wren|Ruth Wren/.test(JSON.stringify(await storesOf(lead))) ? ['device'] : []),
    ];
    for (let i = 0; i < 100 && (await left()).length > 0; i++)
      await new Promise((resolve) => setTimeout(resolve, 100));
    expect(await left()).toEqual([]);
  });
});

/** The second way of asking, as the field names it. */
function letterChoice(page: Page): Promise<string[]> {
  return page.$eval('doceo-student-consent select', (select) =>
    [...(select as HTMLSelectElement).options]
      .filter(({ text }) => text.includes('a letter'))
      .map(({ value }) => value),
  );
}
