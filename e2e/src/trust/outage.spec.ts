import { byText, saved } from '../lib/browser';
import { type DatabaseWay, wayTo } from '../lib/proxy';
import { type World, world } from '../lib/world';

const OUTAGE_MS = 10_000;
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** The database goes away for ten seconds in the middle of work. */
describe('while the database is gone', () => {
  let at: World;
  let way: DatabaseWay;

  beforeAll(async () => {
    at = await world('outage', async (url) => {
      way = await wayTo(url);
      return way.url;
    });
  });
  afterAll(async () => {
    await at?.end();
    await way?.cut();
  });

  it('an edit waits, the user is told, and it is stored when the database is back', async () => {
    const { page } = at;
    await at.open('/plan');
    await (await byText(page, 'a.open', 'First nymphs')).click();
    await page.waitForSelector('[data-block]');
    const before = await page.$$eval('[data-block]', (blocks) => blocks.length);
    await way.cut();
    await page.focus('[data-drill="hoops"]');
    await page.keyboard.press('Enter');
    await byText(page, '.unreachable', 'nothing you did is lost');
    const health = await fetch(`${at.server.url}/api/health`);
    expect(health.status).toBe(503);
    expect(await health.json()).toMatchObject({ ok: false, database: 'down' });
    await pause(OUTAGE_MS);
    await way.mend();
    await saved(page);
    await page.waitForFunction(() => !document.querySelector('.unreachable'));
    await page.reload();
    await page.waitForSelector('[data-block]');
    expect(await page.$$eval('[data-block]', (blocks) => blocks.length)).toBe(before + 1);
  });

  it('taps in the bank book are kept and sent once', async () => {
    const { page } = at;
    await at.open('/teach');
    await page.waitForSelector('[data-tap=good]');
    await way.cut();
    for (let i = 0; i < 3; i++) await page.click('[data-tap=good]');
    await byText(page, '.state', '3 kept');
    await way.mend();
    await byText(page, '.state', 'all stored');
    const stored = await page.evaluate(async () => {
      const [lesson] = (await (await fetch('/api/lessons')).json()).filter(
        ({ startsAt }: { startsAt: string }) => Date.parse(startsAt) > Date.now(),
      );
      const events = await (await fetch(`/api/events?lessonId=${lesson.id}`)).json();
      return events.filter(({ lessonId }: { lessonId: string }) => lessonId === lesson.id).length;
    });
    expect(stored).toBe(3);
  });

  it('the server lived through it', () => expect(at.server.process.exitCode).toBeNull());
});
