import { axeFindings } from '../lib/axe';
import { byText, clickText, fill, openTab, saved, settled, textOf } from '../lib/browser';
import { type World, world } from '../lib/world';

/** Somebody who has just heard of it: an account of his own, nothing in it, no demo data. */
describe('a stranger with no data', () => {
  let at: World;
  let page: World['page'];
  let complaints: string[];

  beforeAll(async () => {
    at = await world('stranger');
    ({ page, complaints } = await openTab(at.browser));
    await page.goto(at.server.url);
  }, 90_000);
  afterAll(() => at?.end());

  const open = async (path: string): Promise<void> => {
    await page.goto(`${at.server.url}${path}`);
    await page.waitForSelector('doceo-rail, .bank');
    await settled(page);
  };

  it('is told at the field what is wrong, and makes an account', async () => {
    await clickText(page, 'button', 'I am new here');
    await fill(page, 'input[name=name]', 'Ines Alder');
    await fill(page, 'input[name=email]', 'ines@example');
    await fill(page, 'input[name=password]', 'short');
    await clickText(page, 'button', 'Make the account');
    await page.waitForSelector('.field .wrong');
    expect(await page.$$eval('[aria-invalid=true]', (fields) => fields.length)).toBe(2);
    expect(await page.$eval('input[name=name]', (field) => (field as HTMLInputElement).value)).toBe(
      'Ines Alder',
    );
    await fill(page, 'input[name=email]', 'ines@example.org');
    await fill(page, 'input[name=password]', 'short but longer now');
    await clickText(page, 'button', 'Make the account');
    await byText(page, 'h1', 'No lesson ahead');
  });

  it.each([
    ['/today', 'Make a plan'],
    ['/rig', 'indicator'],
    ['/plan', 'Begin one'],
    ['/record', 'Add the first'],
    ['/circle', 'You are in no circle yet'],
    ['/bank', 'To the plans'],
    ['/cast', 'Ways of the tip'],
    ['/drift', 'What would drift longer?'],
    ['/strike', 'bottom is also a set'],
  ])('%s says what it is for and how to begin', async (path, words) => {
    await open(path);
    await byText(page, 'main', words);
    expect(await axeFindings(page)).toEqual([]);
  });

  it('sees nothing of the others', async () => {
    await open('/record');
    expect(await textOf(page, 'main')).not.toMatch(/Petra|Sam|Noor/);
    await open('/plan');
    expect(await textOf(page, 'main')).not.toContain('First nymphs');
  });

  it('loads an example plan, adds a student and a water, and puts the plan on a day', async () => {
    await open('/record');
    await clickText(page, 'button', 'Add the first');
    await fill(page, 'input[name=name]', 'Otto Linn');
    await clickText(page, 'button', 'Save the student');
    await byText(page, 'main', 'Otto Linn');
    await open('/plan');
    await clickText(page, 'button', 'Load an example');
    await page.waitForSelector('[data-block]');
    await clickText(page, 'button', 'Put on a day');
    await clickText(page, 'button', 'New water');
    await fill(page, 'input[name=name]', 'Mill Leat');
    await fill(page, 'input[name=latitude]', '95');
    await clickText(page, 'button', 'Add the water');
    await byText(page, '.p-dialog .wrong', /./);
    await fill(page, 'input[name=latitude]', '57.2');
    await fill(page, 'input[name=longitude]', '9.4');
    await clickText(page, 'button', 'Add the water');
    await clickText(page, '.student', 'Otto Linn');
    await clickText(page, 'button', 'Put it on this day');
    await byText(page, 'main', 'Mill Leat');
    await byText(page, '.snag.stop', 'rule card not read');
    await saved(page);
    await open('/today');
    await byText(page, 'h1', 'First casts');
  });

  it('is signed out when told so, and the screens are closed', async () => {
    await clickText(page, 'doceo-strip button', 'Ines Alder');
    await clickText(page, 'button', 'Sign out');
    await page.waitForSelector('input[name=email]');
    await page.goto(`${at.server.url}/plan`);
    await page.waitForSelector('input[name=email]');
  });

  it('no page complained', () => expect(complaints).toEqual([]));
});
