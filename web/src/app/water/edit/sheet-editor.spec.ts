import type { Sheet } from '@doceo/core';
import { lessonServer, show } from '../../../testing/page';
import { FORD } from '../../../testing/waters';
import { KindMarkComponent } from './kind-mark.component';
import { BEAT_PALETTE, LAKE_PALETTE } from './palette';
import { SheetEditorComponent } from './sheet-editor.component';

const sheet = FORD as Sheet<string>;

describe('the sheet of a water', () => {
  const open = (palette: unknown, units: 'metric' | 'imperial' = 'metric') =>
    show(SheetEditorComponent, lessonServer(), {
      sheet,
      palette,
      units,
      steps: [1],
      faulty: new Set(),
    } as never);

  it('shows its scale and which way the water runs', async () => {
    const page = await open(BEAT_PALETTE);
    expect(page.all('.scale text')).toEqual(['10 m', 'flow']);
  });

  it('shows the scale in feet, and no flow on still water', async () => {
    const page = await open(LAKE_PALETTE, 'imperial');
    expect(page.all('.scale text')).toEqual(['20 ft']);
  });

  it('lays a picture under the pieces, as wide as it shows, and lets them be seen through', async () => {
    const freed = jest.fn();
    URL.revokeObjectURL = freed;
    const page = await open(BEAT_PALETTE);
    const editor = page.fixture.componentInstance as unknown as { under: { set: (value: unknown) => void } };
    editor.under.set({ url: 'blob:one', tall: 0.5, widthM: 40, x: 2, y: -3 });
    await page.settle();
    const image = document.querySelector('image')!;
    expect(['x', 'y', 'width', 'height'].map((name) => image.getAttribute(name))).toEqual([
      '2',
      '-3',
      '40',
      '20',
    ]);
    expect(document.querySelector('svg.tracing')).not.toBeNull();
    await page.press('Picture away');
    expect(document.querySelector('image')).toBeNull();
    expect(freed).toHaveBeenCalledWith('blob:one');
  });
});

describe('a kind of piece', () => {
  it.each(['boulder', 'hazard', 'entry', 'exit', 'inflow', 'landing'])(
    '%s has a mark of its own',
    async (kind) => {
      await show(KindMarkComponent, lessonServer(), { kind, look: '', point: true });
      expect(document.querySelector(`.mark.${kind}`)?.getAttribute('d')?.length).toBeGreaterThan(10);
    },
  );

  it('of water is told apart by its surface where the depth is the same', async () => {
    const strokes: (string | null | undefined)[] = [];
    const page = await show(KindMarkComponent, lessonServer(), {
      kind: 'run',
      look: 'shallow',
      point: false,
    });
    for (const kind of ['run', 'head', 'tail-out', 'pocket', 'pool']) {
      page.fixture.componentRef.setInput('kind', kind);
      await page.settle();
      strokes.push(document.querySelector('.surface')?.getAttribute('d'));
    }
    expect(new Set(strokes).size).toBe(5);
  });
});
