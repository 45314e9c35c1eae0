import { signal } from '@angular/core';
import { lessonServer, show } from '../../../testing/page';
import { UndoRedoComponent } from './undo-redo.component';

const done: string[] = [];
const of = {
  canUndo: signal(true),
  canRedo: signal(false),
  undo: () => void done.push('undo'),
  redo: () => void done.push('redo'),
};
/** Presses a key on an element; whether the page keeps it from doing anything else. */
const press = (on: Element, key: string, rest: KeyboardEventInit = { ctrlKey: true }): boolean =>
  !on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...rest }));

beforeEach(() => done.splice(0));

describe('undo and redo', () => {
  it('offers only what there is to take back or do again', async () => {
    const page = await show(UndoRedoComponent, lessonServer(), { of });
    const [undo, redo] = [...page.element.querySelectorAll('button')];
    expect([undo!.disabled, redo!.disabled]).toEqual([false, true]);
    await page.press('Undo');
    expect(done).toEqual(['undo']);
  });

  it('goes by keys, and leaves others alone', async () => {
    await show(UndoRedoComponent, lessonServer(), { of });
    expect(press(document.body, 'z')).toBe(true);
    press(document.body, 'Z', { metaKey: true, shiftKey: true });
    press(document.body, 'y');
    expect(done).toEqual(['undo', 'redo', 'redo']);
    expect(press(document.body, 'z', {})).toBe(false);
    expect(press(document.body, 's')).toBe(false);
    expect(done).toHaveLength(3);
  });

  it.each(['<input type="text">', '<textarea></textarea>', '<div class="p-dialog"><b></b></div>'])(
    'leaves what is typed in %s to itself',
    async (html) => {
      const page = await show(UndoRedoComponent, lessonServer(), { of });
      page.element.insertAdjacentHTML('beforeend', html);
      const last = page.element.lastElementChild!;
      expect(press(last.firstElementChild ?? last, 'z')).toBe(false);
      expect(done).toEqual([]);
    },
  );

  it('takes a slider’s move back while the slider has the focus', async () => {
    const page = await show(UndoRedoComponent, lessonServer(), { of });
    page.element.insertAdjacentHTML('beforeend', '<input type="range">');
    press(page.element.lastElementChild!, 'z');
    expect(done).toEqual(['undo']);
  });
});
