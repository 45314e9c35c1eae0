import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readLayerFile, writeLayerFile } from '@doceo/contract';
import { type Drill, emptyLayer, type Skill } from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import type { ElementHandle, Page } from 'puppeteer-core';
import { axeFindings } from '../lib/axe';
import { byText, clickText, fill, go, openTab, saved, settled, signIn, textOf } from '../lib/browser';
import { type World, world } from '../lib/world';

/** A call of the interface's own, as the page makes it. */
function call<T>(page: Page, method: string, path: string, body?: unknown): Promise<T> {
  return page.evaluate(
    async (verb, to, sent) => {
      const reply = await fetch(to, {
        method: verb,
        ...(sent === null ? {} : { body: sent, headers: { 'Content-Type': 'application/json' } }),
      });
      return (await reply.json()) as never;
    },
    method,
    path,
    body === undefined ? null : JSON.stringify(body),
  );
}

const middle = async (page: Page, skillId: string): Promise<{ x: number; y: number }> =>
  page.$eval(`[data-skill="${skillId}"] .bed`, (bed) => {
    const box = bed.getBoundingClientRect();
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  });

/** Draws a line from one reach to another. */
async function draw(page: Page, from: string, to: string): Promise<void> {
  await page.$eval('doceo-teaching-streams', (streams) => streams.scrollIntoView({ block: 'start' }));
  const [a, b] = [await middle(page, from), await middle(page, to)];
  await page.mouse.move(a.x, a.y);
  await page.mouse.down();
  await page.mouse.move((a.x + b.x) / 2, (a.y + b.y) / 2, { steps: 3 });
  await page.mouse.move(b.x, b.y, { steps: 3 });
  await page.mouse.up();
}

describe('what we teach', () => {
  let at: World;
  let page: Page;
  beforeAll(async () => {
    at = await world('teaching');
    ({ page } = at);
  });
  afterAll(() => at?.end());

  /** With the keyboard. */
  const choosePause = async (): Promise<void> => {
    await page.$eval('[data-skill="casting.pause"]', (reach) => (reach as SVGElement).focus());
    await page.keyboard.press('Enter');
    await byText(page, 'aside h2', 'Skill');
    await byText(page, '.entries h2', 'For pause');
  };

  it('is drawn as streams, read without a mouse, and says nothing wrong', async () => {
    await at.open('/plan');
    await clickText(page, 'a', 'What we teach');
    await page.waitForSelector('[data-skill="casting.pause"]');
    await settled(page);
    expect(await page.$$eval('[data-skill]', (all) => all.length)).toBe(SHIPPED.skills.all.length);
    expect(await axeFindings(page)).toEqual([]);
    await choosePause();
  });

  it('refuses a line that would close a circle, and shows it; ties another', async () => {
    await draw(page, 'casting.overhead', 'casting.stop');
    expect(await textOf(page, '.tie.refused')).toContain('Refused: stop would need itself.');
    await page.waitForSelector('.thread.refused');
    await clickText(page, '.tie button', 'Drop it');
    await draw(page, 'water.find-seam', 'hook-setting.see-take');
    expect(await textOf(page, '.tie')).toContain('see the take rests on find the seam?');
    await clickText(page, '.tie button', 'Tie it');
    await saved(page);
    await clickText(page, 'button', 'Undo');
    await saved(page);
    const { own } = await call<{ own: { layer: { skills: Skill[] } } }>(page, 'GET', '/api/teaching');
    expect(own.layer.skills).toEqual([]);
  });

  it('takes a drill of one’s own with a rule for a need, and names what is wrong at its field', async () => {
    await choosePause();
    await clickText(page, '.entries button', 'New drill');
    await byText(page, 'aside h2', 'Drill');
    const field = async (label: string): Promise<ElementHandle<HTMLElement>> =>
      (await byText(page, 'doceo-drill-sheet label', new RegExp(`^\\s*${label}`))).$(
        'input, textarea',
      ) as never;
    const write = async (label: string, text: string): Promise<void> => {
      const one = await field(label);
      await one.click({ count: 3 });
      await one.type(text);
      await page.keyboard.press('Tab');
    };
    await write('Name', 'Hum the pause');
    await write('You say', 'Hum. Then go.');
    await write('Line out', '8');
    await write('Minutes, least', '30');
    await byText(page, '.wrong', 'is more than the likely minutes');
    await write('Minutes, least', '5');
    const steps = await field('How, a step a line');
    await steps.type('Hum while the line goes back.\nStart when the hum ends.');
    await page.keyboard.press('Tab');
    await page.select('[aria-label="A rule for one more need"]', 'shoulder');
    await byText(page, 'doceo-adaptation-fields b', 'Shoulder');
    const rule = (await (
      await byText(page, 'doceo-adaptation-fields label', 'Line, percent')
    ).$('input')) as ElementHandle<HTMLElement>;
    await rule.type('50');
    await page.keyboard.press('Tab');
    await byText(page, 'doceo-drill-card', '50 % of the line');
    await byText(page, 'doceo-drill-card', 'Hum the pause');
    await saved(page);
    expect(await textOf(page, 'doceo-drill-card ol')).toContain('Start when the hum ends.');
  });

  it('is planned with, taught by and seen to work', async () => {
    await go(page, '/plan');
    await clickText(page, 'button', 'New plan');
    await page.waitForSelector('doceo-drill-shelf');
    await clickText(page, '.drill', 'Hum the pause');
    await byText(page, 'doceo-block-inspector', '50 % of the line');
    await saved(page);
    const planId = new URL(page.url()).pathname.split('/').at(-1) as string;
    const { body } = await call<{ body: { carries: { drills: Drill[] } } }>(
      page,
      'GET',
      `/api/plans/${planId}`,
    );
    expect(body.carries.drills.map(({ name }) => name)).toEqual(['Hum the pause']);
    const students = await call<{ id: string; student: { name: string } }[]>(page, 'GET', '/api/students');
    const waters = await call<{ id: string }[]>(page, 'GET', '/api/waters');
    const petra = students.find(({ student }) => student.name.startsWith('Petra'))?.id;
    await call(page, 'POST', '/api/lessons', {
      id: '7b1f8a52-3c8e-4a6e-9c1b-2f8f3f1f0a01',
      lesson: {
        planId,
        waterId: waters[0]?.id,
        startsAt: new Date(Date.now() - 60_000).toISOString(),
        studentIds: [petra],
      },
    });
    await page.goto(`${at.server.url}/teach`);
    await byText(page, '.bank h1', 'Hum the pause');
    // The line under the name is how the drill bends to her.
    await byText(page, '.flag', /4(\.0)? m of line/);
    for (let i = 0; i < 4; i++) await page.click('button[data-tap=good]');
    await clickText(page, '.more button', 'More');
    await clickText(page, '.choices button', 'Ask a question');
    await clickText(page, 'doceo-question-sheet button', 'When do you start forward');
    await clickText(page, 'doceo-question-sheet button', 'When the line behind is nearly straight');
    await byText(page, 'doceo-question-sheet [role=status]', 'Right.');
    await clickText(page, 'doceo-question-sheet button', 'Keep it');
    await byText(page, '.log', 'pause, answered right');
    await byText(page, '[role=status]', 'all stored');
    await page.goto(`${at.server.url}/plan/teaching`);
    await page.waitForSelector('[data-skill="casting.pause"]');
    await fill(page, 'input[type=search]', 'hum the');
    await clickText(page, '.entries button', 'Hum the pause');
    await byText(page, 'aside', '1 bout of 1 student, 4 tries');
  });

  it('is shown to the circle, and a colleague takes the drill', async () => {
    await clickText(page, 'aside button', 'Close');
    const school = await byText(page, 'aside label', 'Mine is shown to');
    const select = (await school.$('select')) as ElementHandle<HTMLSelectElement>;
    const [value] = await select.$$eval('option', (all) =>
      all.filter((one) => one.textContent?.includes('Tern & Alder')).map((one) => one.value),
    );
    await select.select(value as string);
    await byText(page, 'aside [role=status]', 'Shown.');
    const { page: theirs } = await openTab(at.browser);
    await signIn(theirs, at.server.url, 'fellow@ternalder.example', '/plan/teaching');
    await byText(theirs, '.fellow h3', 'Maren Voss');
    await clickText(theirs, '.fellow button', 'to look at');
    await clickText(theirs, '.fellow li button', 'Take it');
    await saved(theirs);
    await fill(theirs, 'input[type=search]', 'hum the');
    await byText(theirs, '.entries .mark', 'mine, new');
    expect(await axeFindings(theirs)).toEqual([]);
    await theirs.close();
  });

  it('has no page complaining', () => expect(at.complaints).toEqual([]));
});

describe('another school', () => {
  let at: World;
  let page: Page;
  const skill = (name: string, needs: string[] = []): Skill => ({
    ...SHIPPED.skills.get('casting.stop'),
    id: `casting.kite-${name}`,
    name: `${name} of the kite`,
    sentence: 'Said so.',
    good: 'Seen so.',
    needs: needs.map((one) => `casting.kite-${one}`),
    faults: ['kite.sags'],
  });
  const names = [
    'hold',
    'wind',
    'launch',
    'loop',
    'dive',
    'stall',
    'turn',
    'land',
    'splice',
    'fold',
    'signal',
    'wait',
  ];
  const drill = (name: string, i: number): Drill => ({
    ...SHIPPED.drills.get('hoops'),
    id: `kite-${name}`,
    name: `Practise the ${name}`,
    cue: 'Feel it.',
    strand: i === 0 ? 'safety' : 'casting',
    trains: [{ skillId: `casting.kite-${name}`, share: 1 }],
    watchFor: ['kite.sags'],
    adaptations: [],
  });
  const layer = {
    ...emptyLayer(),
    alone: true,
    skills: names.map((name, i) => skill(name, i === 0 ? [] : [names[i - 1] as string])),
    drills: names.map(drill),
    faults: [{ ...SHIPPED.faults.get('cast.pile'), id: 'kite.sags', short: 'Kite sags' }],
  };

  beforeAll(async () => {
    at = await world('another_school');
    ({ page } = await openTab(at.browser));
    await page.goto(at.server.url);
  });
  afterAll(() => at?.end());

  it('teaches its own twelve skills from plan to card', async () => {
    await clickText(page, 'button', 'I am new here');
    await fill(page, 'input[name=name]', 'Ada Kite');
    await fill(page, 'input[name=email]', 'ada@example.org');
    await fill(page, 'input[name=password]', 'a school of its own');
    await clickText(page, 'button', 'Make the account');
    await byText(page, 'h1', 'To your first lesson');

    await go(page, '/plan/teaching');
    await page.waitForSelector('[data-skill]');
    await settled(page);
    const file = join(mkdtempSync(join(tmpdir(), 'doceo-e2e-')), 'kites.json');
    writeFileSync(file, writeLayerFile('Kite school', layer));
    const open = (await page.$('input[type=file]')) as ElementHandle<HTMLInputElement>;
    await open.uploadFile(file);
    await page.waitForSelector('[data-skill="casting.kite-hold"]');
    await saved(page);
    expect(await page.$$eval('[data-skill]', (all) => all.length)).toBe(12);

    await page.goto(`${at.server.url}/today`);
    await fill(page, 'input[name=water-name]', 'Kite Meadow');
    await clickText(page, '.segments button', 'brook');
    await fill(page, 'input[name=place]', '57.2, 9.4');
    await clickText(page, 'button', 'Add the water');
    await fill(page, 'input[name=student-name]', 'Otto Linn');
    await clickText(page, 'label', '18 or older');
    await clickText(page, 'doceo-student-adder button', 'Add');
    await byText(page, 'li.here h3', 'Otto');
    await clickText(page, 'button', 'That is all of them');
    await clickText(page, 'button', 'Start from this example');
    await clickText(page, 'button', 'Schedule it');
    await clickText(page, 'a', 'Teach it now');
    await byText(page, '.bank h1', 'Practise the hold');
    for (let i = 0; i < 5; i++) await page.click('button[data-tap="kite.sags"]');
    await byText(page, '.log', 'kite sags');
    await byText(page, '[role=status]', 'all stored');

    await page.goto(`${at.server.url}/record`);
    await clickText(page, 'a', 'Otto Linn');
    await byText(page, '.reach', 'hold of the kite');
    expect(await page.$$eval('.reach', (all) => all.length)).toBe(12);
    await clickText(page, 'a', 'Card for Otto');
    await byText(page, 'main', 'Kite sags');
    const card = await textOf(page, 'main');
    expect(card).toContain('Practise the');
    expect(card).not.toMatch(/casting\.kite|Three hoops/);
  });

  it('gives its layer out as it came', async () => {
    const { own } = await call<{ own: { layer: typeof layer } }>(page, 'GET', '/api/teaching');
    expect(readLayerFile(writeLayerFile('Kite school', own.layer)).file?.layer).toEqual(layer);
  });
});
