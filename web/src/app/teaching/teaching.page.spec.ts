import { api, type Teaching } from '@doceo/contract';
import { emptyLayer, type Layer, withEntry } from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { Refusal, type FakeServer } from '../../testing/fake-server';
import { CIRCLE, uuid } from '../../testing/fixtures';
import { lessonServer, type Shown, show } from '../../testing/page';
import { TeachingPage } from './teaching.page';

const saved = (layer: Layer, version: number): Teaching['own'] => ({
  ...{ layer, version, savedBy: 'Maren Voss', savedAt: '2026-06-01T10:00:00Z' },
});

describe('what we teach', () => {
  let server: FakeServer;
  let own: Layer;
  let version: number;
  const stored = (): Layer => own;
  beforeEach(() => {
    localStorage.clear();
    // What is drawn nowhere cannot be scrolled.
    Element.prototype.scrollIntoView = jest.fn();
    [own, version] = [emptyLayer(), 0];
    const teaching = (): Teaching => ({ own: saved(own, version), shownTo: null, circle: null });
    server = lessonServer()
      .on(api.teaching.get, teaching)
      .on(api.teaching.shown, [])
      .on(api.teaching.update, ({ body }) => {
        const sent = body as { layer: Layer; baseVersion: number };
        if (sent.baseVersion !== version) throw new Refusal(409, 'version-conflict');
        [own, version] = [sent.layer, version + 1];
        return teaching();
      });
  });

  const open = async (): Promise<Shown<TeachingPage>> => {
    const page = await show(TeachingPage, server);
    await page.quiet();
    return page;
  };
  const choose = async (page: Shown<TeachingPage>, id: string): Promise<void> =>
    page.key(`[data-skill="${id}"]`, 'Enter');

  it('shows every skill, and of one its sheet and what is taught of it', async () => {
    const page = await open();
    expect(page.all('[data-skill]')).toHaveLength(SHIPPED.skills.all.length);
    await choose(page, 'casting.pause');
    expect(page.all('.entries .name')).toContain('Count the pause');
    expect(page.all('doceo-skill-sheet .chip')).toContain('Stop ×');
    expect(page.text()).toContain('as it ships');
  });

  it('changes a skill in a layer of one’s own, marks it, and puts it back', async () => {
    const page = await open();
    await choose(page, 'casting.pause');
    await page.enter('doceo-skill-sheet input', 'Wait');
    await page.saved();
    expect(stored().skills.map(({ name }) => name)).toEqual(['Wait']);
    expect(page.text()).toContain('mine, covers what ships');
    await page.press('As it was');
    await page.saved();
    expect(stored()).toEqual(emptyLayer());
    await page.press('Undo');
    await page.saved();
    expect(stored().skills.map(({ name }) => name)).toEqual(['Wait']);
  });

  const stop = SHIPPED.skills.get('casting.stop');
  /** Somebody else saves meanwhile. */
  const elsewhere = (change: (layer: Layer) => Layer): void => {
    [own, version] = [change(own), version + 1];
  };

  it('takes up what was saved elsewhere meanwhile, and keeps it through the next edit and through undo', async () => {
    const page = await open();
    await choose(page, 'casting.pause');
    elsewhere((layer) => withEntry(layer, 'skill', { ...stop, name: 'Hard stop' }));
    await page.enter('doceo-skill-sheet input', 'Wait');
    await page.saved();
    const names = (): string[] =>
      stored()
        .skills.map(({ name }) => name)
        .sort();
    expect(names()).toEqual(['Hard stop', 'Wait']);
    await choose(page, 'casting.pause');
    await page.enter('doceo-skill-sheet input', 'Wait for it');
    await page.saved();
    expect(names()).toEqual(['Hard stop', 'Wait for it']);
    for (const left of [['Hard stop', 'Wait'], ['Hard stop']]) {
      await page.press('Undo');
      await page.saved();
      expect(names()).toEqual(left);
    }
  });

  it('asks entry by entry where two changed the same, with both beside each other', async () => {
    const page = await open();
    await choose(page, 'casting.stop');
    elsewhere((layer) =>
      withEntry(withEntry(layer, 'skill', { ...stop, name: 'Hard stop' }), 'skill', {
        ...SHIPPED.skills.get('casting.pause'),
        name: 'Wait',
      }),
    );
    await page.enter('doceo-skill-sheet input', 'Halt');
    await page.saved();
    expect(stored().skills.map(({ name }) => name)).not.toContain('Halt');
    expect(page.all('doceo-layer-clash legend')).toEqual(['Skill Halt']);
    const inSight = (Element.prototype.scrollIntoView as jest.Mock).mock.contexts as HTMLElement[];
    expect(inSight.at(-1)?.localName).toBe('doceo-layer-clash');
    expect(page.all('doceo-layer-clash label')).toEqual([
      'As I have itname Halt',
      'As saved meanwhilename Hard stop',
    ]);
    document.querySelectorAll<HTMLElement>('doceo-layer-clash input')[1]?.click();
    await page.press('Save it so');
    await page.saved();
    expect(
      stored()
        .skills.map(({ name }) => name)
        .sort(),
    ).toEqual(['Hard stop', 'Wait']);
    expect(page.all('doceo-layer-clash')).toEqual([]);
    await page.press('Undo');
    await page.saved();
    expect(
      stored()
        .skills.map(({ name }) => name)
        .sort(),
    ).toEqual(['Halt', 'Wait']);
  });

  it('retires what ships and takes it up again; it is there struck through meanwhile', async () => {
    const page = await open();
    await choose(page, 'casting.tuck');
    await page.press('Retire');
    expect(page.all('[data-skill]')).toHaveLength(SHIPPED.skills.all.length - 1);
    expect(page.all('.name.retired')).toEqual(['Tuck cast']);
    await page.saved();
    expect(stored().retired).toEqual([{ kind: 'skill', id: 'casting.tuck' }]);
    await page.press('Take up again');
    await page.saved();
    expect(stored().retired).toEqual([]);
  });

  it('keeps what is wrong on the sheet, tells it at the field, and saves the rest only when it is mended', async () => {
    const page = await open();
    await choose(page, 'casting.pause');
    await page.press('New question');
    const radios = (): HTMLInputElement[] => [
      ...document.querySelectorAll<HTMLInputElement>('doceo-teaching-question input[type=radio]'),
    ];
    expect(radios().map(({ checked }) => checked)).toEqual([true, false]);
    await page.saved();
    await page.enter('doceo-teaching-question .choice input[type=text]', '');
    await page.quiet();
    expect(page.all('doceo-teaching-question .wrong')).not.toEqual([]);
    expect(stored().questions[0]?.choices[0]?.text).toBe('the right answer');
    await page.enter('doceo-teaching-question .choice input[type=text]', 'When it is straight');
    await page.saved();
    expect(stored().questions[0]?.choices[0]?.text).toBe('When it is straight');
  });

  it('takes two changes of different entries as one, without a question', async () => {
    const page = await open();
    await choose(page, 'casting.pause');
    // Meanwhile the same account has saved another entry elsewhere.
    own = withEntry(own, 'fault', { ...SHIPPED.faults.get('cast.crack'), cure: 'count' });
    version = 1;
    await page.enter('doceo-skill-sheet input', 'Wait');
    await page.saved();
    expect([stored().skills[0]?.name, stored().faults[0]?.cure]).toEqual(['Wait', 'count']);
  });

  it('takes an entry of a fellow, alone or with all the others', async () => {
    const layer = withEntry(
      withEntry(emptyLayer(), 'drill', { ...SHIPPED.drills.get('hoops'), id: 'theirs', name: 'Plates' }),
      'fault',
      { ...SHIPPED.faults.get('cast.crack'), id: 'cast.theirs', short: 'Hums wrong' },
    );
    server.on(api.teaching.shown, [
      {
        ...saved(layer, 3),
        ...{ userId: uuid(77), ownerName: 'Tobias Lind', circleId: CIRCLE.id, circleName: CIRCLE.name },
      },
    ]);
    const page = await open();
    await page.press('2 to look at');
    await page.press('Take it');
    await page.saved();
    expect([stored().drills, stored().faults.map(({ short }) => short)]).toEqual([[], ['Hums wrong']]);
    await page.press('Take all');
    await page.saved();
    expect(stored().drills.map(({ name }) => name)).toEqual(['Plates']);
  });

  it('names skills nobody can be seen in', async () => {
    own = withEntry(emptyLayer(), 'skill', {
      ...SHIPPED.skills.get('casting.stop'),
      ...{ id: 'casting.own', name: 'Own way', shownBy: ['drill' as const], needs: [] },
    });
    version = 1;
    const page = await open();
    expect(page.text()).toContain('1 skill nobody can be seen in: own way');
  });
});
