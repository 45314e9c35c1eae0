import { signal } from '@angular/core';
import { api } from '@doceo/contract';
import { PLAN } from '../../../testing/fixtures';
import { lessonServer, type Shown, show } from '../../../testing/page';
import type { PlanValue } from '../plan-document';
import { ConflictDialogComponent } from './conflict-dialog.component';

const BASE: PlanValue = { title: 'First nymphs', body: PLAN.body };
const [talk, drill] = PLAN.body.blocks as [
  (typeof PLAN.body.blocks)[number],
  (typeof PLAN.body.blocks)[number],
];
const MINE: PlanValue = {
  title: 'Nymphs',
  body: { ...PLAN.body, blocks: [talk, { ...drill, cue: 'Wait for it.' }] },
};
const THEIRS: PlanValue = {
  title: 'Two nymphs',
  body: { ...PLAN.body, aim: 'A fish each.', blocks: [talk, { ...drill, cue: 'Count.' }] },
};

describe('a plan that was saved elsewhere too', () => {
  const settled = jest.fn();
  const of = (base: PlanValue | null) => ({
    base: signal(base),
    value: signal(MINE),
    theirs: signal({ value: THEIRS, version: 7 }),
    keepMine: jest.fn(),
    takeTheirs: jest.fn(),
    settle: settled,
  });
  const open = (base: PlanValue | null, server = lessonServer()): Promise<Shown<ConflictDialogComponent>> =>
    show(ConflictDialogComponent, server, { of: of(base) });
  const choose = async (page: Shown<ConflictDialogComponent>, n: number): Promise<void> => {
    document.querySelectorAll<HTMLInputElement>('input[type=radio]')[n]!.click();
    await page.settle();
  };
  beforeEach(() => settled.mockReset());

  it('asks only for what both changed, each with what it was', async () => {
    const page = await open(BASE);
    expect(page.all('legend')).toEqual(['Title', '“Count the pause”, cue']);
    expect(page.all('fieldset label')).toEqual([
      'Here Nymphs',
      'Elsewhere Two nymphs',
      'As it was First nymphs',
      'Here Wait for it.',
      'Elsewhere Count.',
      `As it was ${drill.cue}`,
    ]);
  });

  it('puts both together once all is chosen, with what only one changed', async () => {
    const page = await open(BASE);
    expect(page.all('.actions .go')).toEqual(['2 are open']);
    await choose(page, 1);
    expect(page.all('.actions .go')).toEqual(['One is open']);
    await choose(page, 3);
    await page.press('Put both together');
    const [value, rebase] = settled.mock.calls[0] as [PlanValue, (step: PlanValue) => PlanValue];
    expect(value.title).toBe('Two nymphs');
    expect(value.body).toMatchObject({ aim: 'A fish each.', blocks: [{}, { cue: 'Wait for it.' }] });
    // A step of undo has what was done elsewhere, but for what was typed here.
    expect(rebase({ ...BASE, title: 'N' })).toMatchObject({ title: 'N', body: { aim: 'A fish each.' } });
  });

  it('shows all that differs where nobody knows what both began with', async () => {
    const page = await open(null);
    expect(page.all('tbody td')).toEqual([
      ...['Title', 'Nymphs', 'Two nymphs'],
      ...['Aim', PLAN.body.aim, 'A fish each.'],
      ...['“Count the pause”, cue', 'Wait for it.', 'Count.'],
    ]);
    expect(page.all('fieldset')).toEqual([]);
  });

  it('has three more ways out', async () => {
    const server = lessonServer().on(api.plans.create, PLAN);
    const document_ = of(BASE);
    const page = await show(ConflictDialogComponent, server, { of: document_ });
    await page.press('Keep what is here');
    expect(document_.keepMine).toHaveBeenCalledTimes(1);
    await page.press('Take the one saved elsewhere');
    expect(document_.takeTheirs).toHaveBeenCalledTimes(1);
    await page.press('Keep both: mine as a copy');
    expect(server.of(api.plans.create)[0]?.body).toMatchObject({ title: 'Nymphs (mine)', body: MINE.body });
    expect(document_.takeTheirs).toHaveBeenCalledTimes(2);
  });
});
