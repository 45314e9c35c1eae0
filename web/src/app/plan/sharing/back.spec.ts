import { api, type PlanComment, type Proposal, type SavedPlan } from '@doceo/contract';
import type { FakeServer } from '../../../testing/fake-server';
import { PLAN, uuid } from '../../../testing/fixtures';
import { lessonServer, type Shown, show } from '../../../testing/page';
import { PlanTalkComponent } from './plan-talk.component';
import { ProposeDialogComponent } from './propose-dialog.component';

const [talk, drill] = PLAN.body.blocks as [
  (typeof PLAN.body.blocks)[number],
  (typeof PLAN.body.blocks)[number],
];
const COPY: SavedPlan = {
  ...PLAN,
  id: uuid(80),
  body: { ...PLAN.body, blocks: [{ ...talk, cue: 'Hats first' }, drill] },
  origin: { planId: PLAN.id, title: PLAN.title, ownerName: 'Tobias Lind', seen: true, newerAt: null },
};
const PROPOSAL: Proposal = {
  ...{ id: uuid(90), planId: PLAN.id, planTitle: PLAN.title, authorName: 'Maren Voss', mine: true },
  ...{ note: 'Tried it', state: 'open', word: '', at: '2026-06-01T10:00:00.000Z' },
};

describe('a proposal from a copy', () => {
  let server: FakeServer;
  beforeEach(() => {
    server = lessonServer().on(api.proposals.list, []).on(api.proposals.make, PROPOSAL);
  });
  const open = (plan = COPY): Promise<Shown<ProposeDialogComponent>> =>
    show(ProposeDialogComponent, server, { plan });

  it('says what differs before it goes, and goes with a word', async () => {
    const page = await open();
    expect(page.all('.lines b')).toEqual([`“${talk.title}”, cue`]);
    await page.enter('textarea', 'Tried it twice');
    server.on(api.proposals.list, [PROPOSAL]);
    await page.press('Propose');
    expect(server.of(api.proposals.make)[0]?.body).toMatchObject({
      ...{ baseVersion: COPY.version, note: 'Tried it twice' },
    });
    expect(page.text()).toContain('Take it back');
  });

  it('has nothing to propose where nothing differs', async () => {
    const page = await open({ ...COPY, body: PLAN.body });
    expect(page.text()).toContain('there is nothing to propose');
    expect(page.all('.btn.go')).toEqual([]);
  });

  it('tells what became of those before, with the word that was said', async () => {
    server.on(api.proposals.list, [{ ...PROPOSAL, state: 'declined', word: 'Not on our water' }]);
    const page = await open();
    expect(page.all('.before li')).toEqual(['declined Tried it Not on our water']);
  });

  it('says at the word what is wrong with it, and keeps it', async () => {
    server.refuse(api.proposals.make, 400, 'invalid', [
      { path: 'note', code: 'student-name', message: 'names a student: “Sam”' },
    ]);
    const page = await open();
    await page.enter('textarea', 'As Sam did');
    await page.press('Propose');
    expect(page.all('.field .wrong')).toEqual(['names a student: “Sam”']);
    expect(page.element.querySelector('textarea')?.value ?? document.querySelector('textarea')!.value).toBe(
      'As Sam did',
    );
  });

  it('says that the origin is gone', async () => {
    server.refuse(api.plans.get, 404, 'not-found');
    const page = await open();
    expect(page.text()).toContain('This is not here any more');
  });
});

describe('talk about a plan', () => {
  const comment = (n: number, rest: Partial<PlanComment> = {}): PlanComment => ({
    ...{ id: uuid(n), blockId: null, answers: null, authorName: 'Tobias Lind', mine: false },
    ...{ text: `No. ${n}`, at: '2026-06-01T10:00:00.000Z', settled: false, ...rest },
  });
  let server: FakeServer;
  beforeEach(() => {
    server = lessonServer()
      .on(api.comments.add, ({ body }) => comment(99, { ...(body as object), mine: true }))
      .on(api.comments.settle, { ok: true })
      .on(api.comments.remove, { ok: true });
  });
  const open = (items: PlanComment[], rest: object = {}): Promise<Shown<PlanTalkComponent>> => {
    server.on(api.comments.list, { items, next: null });
    return show(PlanTalkComponent, server, { planId: PLAN.id, marks: new Map(), owned: true, ...rest });
  };

  it('hangs answers on what they answer, in their order, and folds what is settled', async () => {
    const page = await open([
      comment(4, { answers: uuid(1) }),
      comment(3, { answers: uuid(1) }),
      comment(2, { settled: true }),
      comment(1),
    ]);
    expect(page.all('.thread').map((text) => text.match(/No\. \d/g))).toEqual([
      ['No. 1', 'No. 3', 'No. 4'],
      ['No. 2'],
    ]);
    expect([...document.querySelectorAll<HTMLDetailsElement>('.thread')].map((one) => one.open)).toEqual([
      true,
      false,
    ]);
  });

  it('asks about the block that is open', async () => {
    const page = await open([], { blockId: drill.id, blockTitle: drill.title });
    await page.press('Ask about this block');
    await page.press('Send');
    expect(page.text()).toContain('Write a word or two');
    await page.enter('textarea', 'On every stop?');
    await page.press('Send');
    expect(server.of(api.comments.add)[0]?.body).toMatchObject({ blockId: drill.id, text: 'On every stop?' });
    expect(page.text()).toContain('On every stop?');
  });

  it('answers, settles, opens again and takes away', async () => {
    const page = await open([comment(1)]);
    await page.press('Answer');
    await page.enter('textarea', 'The first six');
    await page.press('Send');
    expect(page.all('.answer')[0]).toContain('The first six');
    await page.press('Settled');
    expect(server.of(api.comments.settle)[0]?.body).toEqual({ settled: true });
    await page.press('Open again');
    expect(server.of(api.comments.settle)[1]?.body).toEqual({ settled: false });
    await page.press('Take away: No. 1');
    expect(page.text()).toContain('Nobody said anything of it yet.');
  });

  it('goes back to what was said before, and hangs late answers on it', async () => {
    server.on(api.comments.list, ({ query }) =>
      query['before']
        ? { items: [comment(1)], next: null }
        : { items: [comment(9), comment(8, { answers: uuid(1) })], next: uuid(8) },
    );
    const page = await show(PlanTalkComponent, server, { planId: PLAN.id, marks: new Map(), owned: true });
    expect(page.text()).not.toContain('No. 1');
    await page.press('Older talk');
    expect(server.of(api.comments.list)[1]?.query).toEqual({ before: uuid(8) });
    expect(page.all('.thread').map((text) => text.match(/No\. \d/g))).toEqual([
      ['No. 9'],
      ['No. 1', 'No. 8'],
    ]);
    expect(page.text()).not.toContain('Older talk');
  });

  it('keeps what was refused, to be mended', async () => {
    server.refuse(api.comments.add, 400, 'invalid', [
      { path: 'text', code: 'student-name', message: 'names a student: “Sam”' },
    ]);
    const page = await open([comment(1)]);
    await page.press('Answer');
    await page.enter('textarea', 'As Sam did');
    await page.press('Send');
    expect(page.text()).toContain('names a student: “Sam”');
    expect(document.querySelector('textarea')?.value).toBe('As Sam did');
    await page.press('Not now');
    expect(document.querySelector('textarea')).toBeNull();
  });

  it('lets me take away only what I said of the plan of somebody else', async () => {
    const page = await open([comment(1), comment(2, { mine: true })], { owned: false });
    const names = [...page.element.querySelectorAll('[aria-label^="Take away"]')].map((one) =>
      one.getAttribute('aria-label'),
    );
    expect(names).toEqual(['Take away: No. 2']);
  });
});
