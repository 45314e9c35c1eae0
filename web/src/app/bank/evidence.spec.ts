import { api } from '@doceo/contract';
import type { BankEvent } from '@doceo/core';
import Dexie from 'dexie';
import { IDBFactory } from 'fake-indexeddb';
import type { FakeServer } from '../../testing/fake-server';
import { JONAS, NOW, SAM } from '../../testing/fixtures';
import { lessonServer, setDate, type Shown, show } from '../../testing/page';
import { BankPage } from './bank.page';

describe('what else is seen at the water', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    Dexie.dependencies.indexedDB = new IDBFactory();
    setDate(NOW + 110 * 60_000);
    server = lessonServer();
  });
  afterEach(() => jest.useRealTimers());

  const open = async (): Promise<Shown<BankPage>> => {
    const page = await show(BankPage, server);
    await page.quiet();
    return page;
  };
  const sent = (): BankEvent['body'][] =>
    server
      .of(api.events.add)
      .flatMap(({ body }) => (body as { events: BankEvent[] }).events)
      .map(({ body }) => body);
  const press = async (page: Shown<BankPage>, text: string | RegExp): Promise<void> => {
    await page.press(text);
    await page.quiet();
  };

  it('is a skill the drill shows besides, good or not yet, which does not end the drill', async () => {
    const page = await open();
    expect(page.all('.sides span').slice(0, 1)).toEqual(['Stop']);
    document.querySelector<HTMLElement>('[data-side="casting.stop"]')?.click();
    await page.quiet();
    document.querySelector<HTMLElement>('.sides .not')?.click();
    await page.quiet();
    const side = { kind: 'attempt', skillId: 'casting.stop', drillId: 'count-the-pause', faultId: null };
    expect(sent()).toEqual([
      { ...side, good: true, evidence: 'side' },
      { ...side, good: false, evidence: 'side' },
    ]);
    expect(page.all('.count b')).toEqual(['0 of 8']);
    expect(page.text()).toContain('Sam: stop: not good, as well');
    await press(page, 'Undo');
    expect(sent().at(-1)?.kind).toBe('undo');
  });

  it('is any skill seen in passing: those near the drill first, the others by strand', async () => {
    const page = await open();
    await press(page, 'More');
    await press(page, 'Seen in passing');
    expect(page.all('doceo-passing-sheet .choices button')).toEqual([
      'Pause',
      'Stop',
      'Straight path',
      'Grip and stance',
    ]);
    await press(page, 'Fish care');
    await press(page, 'Wet hands');
    await press(page, 'Not yet');
    expect(sent()).toEqual([
      {
        ...{ kind: 'attempt', skillId: 'fish-care.wet-hands', drillId: 'count-the-pause' },
        ...{ good: false, faultId: null, evidence: 'passing' },
      },
    ]);
    expect(page.text()).toContain('wet hands: not good, in passing');
  });

  it('is an answer: what was chosen of how many, with its reason and the right one', async () => {
    const page = await open();
    await press(page, 'More');
    await press(page, 'Ask a question');
    await page.enter('doceo-question-sheet input', 'two metres more');
    await press(page, /^Two metres more line/);
    await press(page, 'Shorter');
    expect(page.all('doceo-question-sheet [role=status]')).toEqual(['Not quite. It would crack.']);
    expect(page.text()).toContain('It takes longer to unroll.');
    await press(page, 'He said something else');
    await press(page, 'Longer');
    await press(page, 'Keep it');
    const [answer] = sent();
    expect(answer).toMatchObject({
      ...{ skillId: 'casting.pause', good: true, evidence: 'answer', drillId: null },
      asked: { questionId: 'pause-longer', choices: 3 },
    });
    expect(page.text()).toContain('pause, answered right');
  });

  it('is an answer about this water, whose question is computed from its card', async () => {
    const page = await open();
    await press(page, 'More');
    await press(page, 'Ask a question');
    expect(page.all('doceo-question-sheet h3')).toEqual(['Of this water and rig', 'Of what is taught']);
    await page.enter('doceo-question-sheet input', 'how many hooks');
    await press(page, /^How many hooks may your leader carry here/);
    await press(page, '2 at most');
    expect(page.text()).toContain('So says the card; signs on the spot come first.');
    await press(page, 'Keep it');
    expect(sent()).toEqual([
      expect.objectContaining({
        ...{ skillId: 'water.rules-check', good: true, evidence: 'answer' },
        asked: { questionId: 'here.hooks', choice: expect.any(Number), choices: 3 },
      }),
    ]);
  });

  it('bends to needs: the line under the name says how this drill is done by him', async () => {
    const bent = { ...SAM, student: { ...SAM.student, needs: ['shoulder' as const] } };
    server.on(api.students.list, [bent, JONAS]);
    const page = await open();
    expect(page.all('.flag span')).toEqual(['5.6 m of line, 8 min at a stretch. Hand below the shoulder.']);
    await press(page, /^For Sam/);
    expect(page.text()).toContain('shoulder, hurries the pause');
  });
});
