import type { Page } from 'puppeteer-core';
import { axeFindings } from '../lib/axe';
import { byText, clickText, PHONE, settled, textOf } from '../lib/browser';
import { ask } from '../lib/device';
import { type World, world } from '../lib/world';

/** First load of the page, bytes over the wire. */
const MOST_BYTES = 150_000;
/** Smallest side of what is pressed, pixels. */
const LEAST_PX = 48;

/** A student opens his page from the card, practises without a network, and sends it; the instructor looks first. */
describe('a student’s own page', () => {
  let at: World;
  let lead: Page;
  let phone: Page;
  let sam: string;
  let link: string;
  /** Everything that any call of the page was answered. */
  const answers: string[] = [];
  let bytes = 0;

  beforeAll(async () => {
    at = await world('student_page');
    lead = at.page;
    const students = await ask<{ id: string; student: { name: string } }[]>(lead, '/api/students');
    sam = students.find(({ student }) => student.name === 'Sam Okande')?.id ?? '';
    const own = await at.browser.createBrowserContext();
    phone = await own.newPage();
    await phone.setViewport(PHONE);
    phone.on('response', (reply) => {
      if (reply.url().includes('/api/')) void reply.text().then((text) => answers.push(text));
    });
    const session = await phone.createCDPSession();
    await session.send('Network.enable');
    session.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength));
  });
  afterAll(() => at?.end());

  const eventsOf = async (): Promise<{ body: { home?: boolean } }[]> =>
    ask(lead, `/api/events?studentId=${sam}`);

  it('is opened by the code on the card, and is small', async () => {
    await lead.goto(`${at.server.url}/record/${sam}/card`);
    await byText(lead, 'doceo-student-link button', 'Make its link');
    await settled(lead);
    await clickText(lead, 'doceo-student-link button', 'Make its link');
    await lead.waitForSelector('doceo-student-link .address');
    link = await textOf(lead, 'doceo-student-link .address');
    expect(link).toContain('/my/#');
    expect(await axeFindings(lead)).toEqual([]);
    await phone.goto(link, { waitUntil: 'networkidle0' });
    await byText(phone, 'h1', /Sam/);
    await phone.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    expect(bytes).toBeGreaterThan(20_000);
    expect(bytes).toBeLessThan(MOST_BYTES);
  });

  it('is large enough for a thumb everywhere, and can be read by everybody', async () => {
    const small = (): Promise<string[]> =>
      phone.$$eval(
        'button, a, input',
        (targets, least) =>
          targets
            .map((target) => ({
              text: target.textContent?.trim() ?? '',
              box: target.getBoundingClientRect(),
            }))
            .filter(({ box }) => box.width > 0 && (box.height < least || box.width < least))
            .map(({ text, box }) => `${text} ${Math.round(box.width)}×${Math.round(box.height)}`),
        LEAST_PX,
      );
    const wide = (): Promise<boolean> =>
      phone.evaluate(() => document.documentElement.scrollWidth > document.documentElement.clientWidth);
    const good = async (): Promise<void> => {
      expect(await small()).toEqual([]);
      expect(await wide()).toBe(false);
      expect(await axeFindings(phone)).toEqual([]);
    };
    await good();
    await clickText(phone, 'button', /Three questions/);
    await phone.waitForSelector('.choice');
    await good();
    await clickText(phone, 'button', 'Back to the page');
    await clickText(phone, 'button', /See the take/);
    await phone.waitForSelector('canvas');
    await good();
    await clickText(phone, 'button', 'Back to the page');
    await clickText(phone, 'button', 'tap along');
    await phone.waitForSelector('.pad');
    // The keyboard is where one taps.
    expect(await phone.evaluate(() => document.activeElement?.classList.contains('pad'))).toBe(true);
    await good();
    await clickText(phone, 'button', 'Leave it');
  });

  it('starts without a network, where nothing that is done is lost', async () => {
    await phone.setOfflineMode(true);
    await phone.goto('about:blank');
    await phone.goto(link);
    await byText(phone, 'footer', 'No signal');
    await clickText(phone, 'button', /Three questions/);
    await phone.waitForSelector('.choice');
    await phone.$eval('.choice', (choice) => (choice as HTMLElement).click());
    await byText(phone, '.over', /Right\.|Not quite\./);
    await clickText(phone, 'button', 'Back to the page');
    await clickText(phone, 'button', 'It went');
    await byText(phone, 'footer', '2 things you did are here');
    await clickText(phone, 'button', /Send it to/);
    await byText(phone, 'footer', 'No connection. It is kept here; send it later.');
  });

  it('sends it when there is one; the instructor looks before it counts', async () => {
    const before = (await eventsOf()).length;
    await phone.setOfflineMode(false);
    await phone.reload();
    await byText(phone, 'footer', '2 things you did are here');
    await clickText(phone, 'button', /Send it to/);
    await byText(phone, 'footer', 'Sent. Maren looks at it before it counts.');
    expect(await eventsOf()).toHaveLength(before);
    await lead.goto(`${at.server.url}/record`);
    await byText(lead, 'doceo-student-news', 'Sam Okande practised at home: 2 to look at first.');
    await lead.goto(`${at.server.url}/record/${sam}`);
    await byText(lead, 'doceo-home-waiting h2', 'At home: look first');
    await settled(lead);
    expect(await axeFindings(lead)).toEqual([]);
    for (const left of [1, 0]) {
      await clickText(lead, 'doceo-home-waiting button', 'Count it');
      await lead.waitForFunction(
        (n) => document.querySelectorAll('doceo-home-waiting li').length === n,
        {},
        left,
      );
      await settled(lead);
    }
    const after = await eventsOf();
    expect(after).toHaveLength(before + 2);
    expect(after.filter(({ body }) => body.home)).toHaveLength(2);
  });

  it('was told nothing of anybody else', async () => {
    const others = (await ask<{ id: string; student: { name: string } }[]>(lead, '/api/students')).filter(
      ({ id }) => id !== sam,
    );
    expect(answers.length).toBeGreaterThanOrEqual(3);
    const all = answers.join('\n');
    for (const { id, student } of others)
      for (const word of [id, ...student.name.split(' ')]) expect(all).not.toContain(word);
    for (const secret of [sam, 'ternalder.example', 'hurries the pause', 'Okande'])
      expect(all).not.toContain(secret);
  });

  it('closed by the instructor opens nothing, and leaves nothing on the phone', async () => {
    await lead.goto(`${at.server.url}/record/${sam}/card`);
    await byText(lead, 'doceo-student-link li', 'opened');
    await clickText(lead, 'doceo-student-link li button', 'Close it');
    await lead.waitForFunction(() => document.querySelectorAll('doceo-student-link li').length === 0);
    await phone.reload();
    await byText(phone, 'main', 'This link was closed by whoever made it.');
    expect(await phone.evaluate(() => ({ ...localStorage }))).toEqual({});
  });
});
