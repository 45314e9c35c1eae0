import { Component, input, output } from '@angular/core';
import type { Spot } from '../../../drawing/untangle';

/** Least distance of two marks, letters. */
export const MARKS_APART = 2.6;

/** A stand on a water seen from above: its number, whose it is beside it; chosen by a click, Enter or Space. */
@Component({
  selector: '[doceoStand]',
  host: {
    class: 'stand',
    role: 'button',
    tabindex: '0',
    '[class.chosen]': 'chosen()',
    '[attr.aria-pressed]': 'chosen()',
    '[attr.aria-label]': 'doceoStand()',
    '[attr.transform]': "'translate(' + shown().x + ' ' + shown().y + ')'",
    '(click)': 'choose.emit()',
    '(keydown.enter)': 'choose.emit()',
    '(keydown.space)': '$event.preventDefault(); choose.emit()',
  },
  template: `
    <svg:line [attr.x2]="at().x - shown().x" [attr.y2]="at().y - shown().y" />
    <svg:circle
      class="place"
      [attr.cx]="at().x - shown().x"
      [attr.cy]="at().y - shown().y"
      [attr.r]="letter() * 0.3"
    />
    <svg:circle class="touch" [attr.r]="letter() * 1.9" />
    <svg:circle class="dot" [attr.r]="letter() * 1.15" />
    <svg:text text-anchor="middle" dominant-baseline="central">{{ number() }}</svg:text>
    @if (who(); as name) {
      <svg:text
        class="who"
        [attr.x]="letter() * (toLeft() ? -1.5 : 1.5)"
        [attr.y]="letter() * down()"
        [attr.text-anchor]="toLeft() ? 'end' : 'start'"
      >
        {{ name }}
      </svg:text>
    }
  `,
  styles: `
    :host {
      cursor: pointer;
      outline: none;
    }
    line {
      stroke: var(--ink);
      stroke-width: calc(var(--letter) * 0.16);
    }
    .place {
      fill: var(--ink);
    }
    .touch {
      fill: transparent;
    }
    :host(:focus-visible) .touch {
      stroke: var(--ink);
      stroke-width: calc(var(--letter) * 0.25);
    }
    .dot {
      fill: #fff;
      stroke: var(--ink);
      stroke-width: calc(var(--letter) * 0.2);
    }
    :host(.chosen) .dot {
      fill: var(--sighter);
    }
    text {
      font: 700 var(--letter) var(--body);
      fill: var(--ink);
    }
    .who {
      font-weight: 400;
      paint-order: stroke;
      stroke: rgb(255 253 246 / 78%);
      stroke-width: 0.2em;
    }
  `,
})
export class StandMarkComponent {
  /** The stand in words. */
  readonly doceoStand = input.required<string>();
  /** The place itself, and where its mark is shown: beside it, tied to it, where two marks would cover each other. */
  readonly at = input.required<Spot>();
  readonly shown = input.required<Spot>();
  readonly number = input.required<number>();
  readonly chosen = input.required<boolean>();
  /** Height of a letter in the drawing's metres. */
  readonly letter = input.required<number>();
  /** Whose it is; null where there is no room to say so. */
  readonly who = input.required<string | null>();
  readonly toLeft = input(false);
  /** How far below the stand's middle its name stands, letters. */
  readonly down = input(0.35);
  readonly choose = output<void>();
}
