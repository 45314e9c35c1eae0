import { Component, computed, input } from '@angular/core';
import { narrowWindow } from '../parts/narrow';
import { DragDirective } from './drag.directive';

/** Least width of what a finger presses, px; a little more where a drawing is made smaller. */
const FINGER_PX = 50;

/**
 * Something of a drawing that is dragged by mouse or finger and moved by keys: a slider, with room for a thumb around
 * it and a ring while it has the focus. What it looks like is put inside.
 */
@Component({
  selector: '[doceoHandle]',
  hostDirectives: [{ directive: DragDirective, outputs: ['doceoDrag: dragged'] }],
  host: {
    tabindex: '0',
    role: 'slider',
    '[attr.aria-label]': 'doceoHandle()',
    '[attr.aria-valuemin]': 'least()',
    '[attr.aria-valuemax]': 'most()',
    '[attr.aria-valuenow]': '+value().toFixed(2)',
    '[attr.aria-valuetext]': 'told()',
  },
  template: `
    <svg:circle class="touch" [attr.cx]="at().x" [attr.cy]="at().y" [attr.r]="touchPx()" />
    <ng-content />
  `,
  styles: `
    :host {
      cursor: grab;
      outline: none;
    }
    .touch {
      fill: transparent;
    }
    :host(:focus-visible) .touch {
      stroke: var(--sighter);
      stroke-width: 3;
    }
  `,
})
export class HandleComponent {
  /** What is moved, in words. */
  readonly doceoHandle = input.required<string>();
  readonly at = input.required<{ x: number; y: number }>();
  readonly reach = input(22);
  private readonly narrow = narrowWindow();
  protected readonly touchPx = computed(() =>
    this.narrow() ? Math.max(FINGER_PX / 2, this.reach()) : this.reach(),
  );
  readonly least = input.required<number>();
  readonly most = input.required<number>();
  readonly value = input.required<number>();
  /** The value in words; without, the number says it. */
  readonly told = input<string | null>(null);
}
