import { Component, signal } from '@angular/core';
import { lessonServer, show } from '../../testing/page';
import type { Drag } from './drag.directive';
import { HandleComponent } from './handle.component';

@Component({
  selector: 'doceo-handled',
  imports: [HandleComponent],
  template: `<svg>
    <g
      doceoHandle="Where the fly lands"
      [at]="at()"
      [reach]="30"
      [least]="0"
      [most]="9"
      [value]="value()"
      [told]="told()"
      (dragged)="drags.push($event)"
      (keydown)="keys.push($event.key)"
    >
      <path d="M0 0h9" />
    </g>
  </svg>`,
})
class HandledComponent {
  readonly at = signal({ x: 40, y: 50 });
  readonly value = signal(1.23456);
  readonly told = signal<string | null>(null);
  readonly drags: Drag[] = [];
  readonly keys: string[] = [];
}

const pointer = (type: string, x: number, y: number): MouseEvent =>
  new MouseEvent(type, { bubbles: true, button: 0, clientX: x, clientY: y });

describe('a handle of a drawing', () => {
  it('is a slider that says what it moves and how far, with room for a thumb around it', async () => {
    const page = await show(HandledComponent, lessonServer());
    const handle = page.element.querySelector('g')!;
    const said = (): (string | null)[] =>
      ['role', 'tabindex', 'aria-label', 'aria-valuemin', 'aria-valuemax', 'aria-valuenow'].map((name) =>
        handle.getAttribute(name),
      );
    expect(said()).toEqual(['slider', '0', 'Where the fly lands', '0', '9', '1.23']);
    expect(handle.hasAttribute('aria-valuetext')).toBe(false);
    page.fixture.componentInstance.told.set('1.23 m out');
    page.fixture.componentInstance.at.set({ x: 41, y: 50 });
    await page.settle();
    expect(handle.getAttribute('aria-valuetext')).toBe('1.23 m out');
    const touch = handle.querySelector('circle')!;
    expect(['cx', 'cy', 'r'].map((name) => touch.getAttribute(name))).toEqual(['41', '50', '30']);
    expect(handle.querySelector('path')).not.toBeNull();
  });

  it('tells of a drag from where it began, and of keys', async () => {
    const page = await show(HandledComponent, lessonServer());
    const handle = page.element.querySelector('g')!;
    handle.dispatchEvent(pointer('pointerdown', 10, 10));
    window.dispatchEvent(pointer('pointermove', 12, 11));
    window.dispatchEvent(pointer('pointermove', 30, 15));
    await new Promise((resolve) => requestAnimationFrame(resolve));
    window.dispatchEvent(pointer('pointerup', 31, 15));
    handle.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp' }));
    const { drags, keys } = page.fixture.componentInstance;
    expect(drags.map(({ phase, dx, dy }) => [phase, dx, dy])).toEqual([
      ['start', 0, 0],
      ['move', 20, 5],
      ['end', 21, 5],
    ]);
    expect(keys).toEqual(['ArrowUp']);
  });

  it('lets go where it was when Escape is pressed', async () => {
    const page = await show(HandledComponent, lessonServer());
    page.element.querySelector('g')!.dispatchEvent(pointer('pointerdown', 10, 10));
    window.dispatchEvent(pointer('pointermove', 60, 10));
    window.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    window.dispatchEvent(pointer('pointermove', 90, 10));
    expect(
      page.fixture.componentInstance.drags.map(({ phase, dx }) => [phase, dx]).filter(([p]) => p !== 'move'),
    ).toEqual([
      ['start', 0],
      ['cancel', 0],
    ]);
  });
});
