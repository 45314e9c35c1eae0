import { Router } from '@angular/router';
import { TestBed } from '@angular/core/testing';
import { api, type Incoming } from '@doceo/contract';
import { NOT_THERE } from '@doceo/texts';
import type { FakeServer } from '../../../testing/fake-server';
import { PLAN, uuid } from '../../../testing/fixtures';
import { lessonServer, setDate, type Shown, show } from '../../../testing/page';
import { MergePage } from './merge.page';
import { WordsChangedComponent } from './words-changed.component';

const [talk, drill] = PLAN.body.blocks as [
  (typeof PLAN.body.blocks)[number],
  (typeof PLAN.body.blocks)[number],
];
const HASH = 'b'.repeat(64);
/** Both changed how long the drill takes; he changed the cue of the talk, and brings a block. */
const INCOMING: Incoming = {
  plan: { ...PLAN, body: { ...PLAN.body, blocks: [talk, { ...drill, durationMin: 25 }] } },
  base: { title: PLAN.title, body: PLAN.body },
  theirs: {
    title: PLAN.title,
    body: {
      ...PLAN.body,
      blocks: [
        { ...talk, cue: 'Hats, and glasses on first.' },
        { ...drill, durationMin: 40 },
        { ...talk, id: uuid(43), title: 'Tea', startMin: 40, durationMin: 10 },
      ],
    },
  },
  ...{ theirsHash: HASH, byName: 'Tobias Lind', note: 'Tried it twice.', proposalId: uuid(90) },
  ...{ at: '2026-06-01T10:00:00.000Z', baseAt: null },
};

describe('what somebody changed, over a plan of mine', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    setDate();
    server = lessonServer().on(api.proposals.get, INCOMING).on(api.proposals.take, PLAN);
  });
  const open = (): Promise<Shown<MergePage>> => show(MergePage, server, { proposalId: uuid(90) });
  const pick = async (page: Shown<MergePage>, n: number): Promise<void> => {
    page.element.querySelectorAll<HTMLInputElement>('doceo-island input')[n]!.click();
    await page.settle();
  };
  const parts = (page: Shown<MergePage>): HTMLInputElement[] => [
    ...page.element.querySelectorAll<HTMLInputElement>('.parts input'),
  ];

  it('lists what comes, and asks only for what both changed, with what each way does to the end', async () => {
    const page = await open();
    expect(page.text()).toContain('“Tried it twice.”');
    expect(page.all('.parts b')).toEqual([`“${talk.title}”, cue`, '“Tea”']);
    expect(page.all('doceo-island legend')).toEqual([`“${drill.title}”, how long`]);
    expect(page.all('doceo-island label').map((text) => text.replace(/ ends .*/, ''))).toEqual([
      ...['Mine 25 min', 'Tobias 40 min', `As it was ${drill.durationMin} min`],
    ]);
    expect(new Set(page.all('doceo-island .end')).size).toBeGreaterThan(1);
  });

  it('waits until all is settled, and then sends what was chosen', async () => {
    const page = await open();
    expect(page.all('footer .waits')[0]).toMatch(/^Merge, after /);
    await page.press(/^Merge, after/);
    expect(server.of(api.proposals.take)).toEqual([]);
    await pick(page, 1);
    parts(page)[1]!.click();
    await page.settle();
    await page.press('Merge');
    expect(server.of(api.proposals.take)[0]?.body).toEqual({
      baseVersion: PLAN.version,
      theirsHash: HASH,
      choices: { [`blocks/${drill.id}/durationMin`]: 'theirs', [`blocks/${uuid(43)}`]: 'mine' },
      word: '',
    });
  });

  it('takes all of one side in one press', async () => {
    const page = await open();
    await page.press('All of Tobias');
    expect(page.text()).toContain('All is settled.');
    expect(parts(page).map(({ checked }) => checked)).toEqual([true, true]);
    await page.press('All mine');
    expect(parts(page).map(({ checked }) => checked)).toEqual([false, false]);
    await page.press('Merge');
    expect(server.of(api.proposals.take)[0]?.body).toMatchObject({
      choices: { [`blocks/${drill.id}/durationMin`]: 'mine', [`blocks/${talk.id}`]: 'mine' },
    });
  });

  it('shows mine where nothing is chosen yet', async () => {
    const page = await open();
    expect(page.all('.face .tag')).not.toContain('15 min longer');
    await pick(page, 1);
    expect(page.all('.face .tag')).toContain('15 min longer');
  });

  it('declines with a word', async () => {
    server.on(api.proposals.decline, { ok: true });
    const page = await open();
    await page.press('Decline, with a word');
    await page.enter('footer textarea', 'Not on our water');
    await page.press('Decline');
    expect(server.of(api.proposals.decline)[0]?.body).toEqual({ word: 'Not on our water' });
    expect(TestBed.inject(Router).url).toBe(`/plan/${PLAN.id}`);
  });

  it('looks anew where somebody was faster', async () => {
    server.refuse(api.proposals.take, 409, 'version-conflict');
    const page = await open();
    await pick(page, 0);
    await page.press('Merge');
    await page.quiet();
    expect(server.of(api.proposals.get)).toHaveLength(2);
    expect(page.text()).toContain('Nothing is written yet.');
  });

  it('takes nothing by itself where nobody knows what both come from', async () => {
    server.on(api.proposals.get, { ...INCOMING, base: null });
    const page = await open();
    expect(page.text()).toContain('not kept any more');
    expect(page.all('doceo-island')).toEqual([]);
    expect(parts(page).every(({ checked }) => !checked)).toBe(true);
    parts(page)[0]!.click();
    await page.settle();
    await page.press('Merge');
    const { choices } = server.of(api.proposals.take)[0]?.body as { choices: Record<string, string> };
    expect(choices[`blocks/${talk.id}`]).toBeUndefined();
    expect(choices[`blocks/${uuid(43)}`]).toBe('mine');
  });

  it('leaves a copy as it is until its origin moves on again', async () => {
    server.on(api.versions.incoming, { ...INCOMING, proposalId: null }).on(api.versions.pass, { ok: true });
    const page = await show(MergePage, server, { id: PLAN.id });
    expect(page.all('h1')).toEqual(['The origin moved on']);
    await page.press('Leave mine as it is');
    expect(server.of(api.versions.pass)[0]?.body).toEqual({ theirsHash: HASH });
  });

  it('says why there is nothing to see', async () => {
    server.refuse(api.proposals.get, 404, 'not-found');
    const page = await open();
    expect(page.text()).toContain('This is not here any more');
    expect(page.text()).toContain('To the circle');
  });
});

describe('a text that was changed', () => {
  const shown = async (before: string, after: string): Promise<string[]> => {
    const page = await show(WordsChangedComponent, lessonServer(), { before, after });
    return [...page.element.querySelectorAll('del, ins')].map(
      (one) => `${one.tagName.toLowerCase()} ${(one.textContent ?? '').trim()}`,
    );
  };

  it('is told word by word where most of it is the same', async () => {
    expect(await shown('Point with the rod first', 'Point with the thumb first')).toEqual([
      'del rod',
      'ins thumb',
    ]);
  });

  it('is told whole where it is short', async () => {
    expect(await shown('15 min', '20 min')).toEqual(['del 15 min', 'ins 20 min']);
  });

  it('only comes where nothing was there', async () => {
    expect(await shown(NOT_THERE, 'from minute 90, 10 min')).toEqual(['ins from minute 90, 10 min']);
  });

  it('only goes where nothing is left', async () => {
    expect(await shown('from minute 90, 10 min', NOT_THERE)).toEqual(['del from minute 90, 10 min']);
  });
});
