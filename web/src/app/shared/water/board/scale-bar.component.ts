import { Component, input } from '@angular/core';

/** A length to scale at the foot of a drawing, with its words. */
@Component({
  selector: '[doceoScaleBar]',
  host: { class: 'scale', '[attr.transform]': "'translate(' + x() + ' ' + y() + ')'" },
  template: `
    <svg:path
      [attr.d]="'M0 ' + -end() + 'v' + 2 * end() + 'M0 0h' + metres() + 'm0 ' + -end() + 'v' + 2 * end()"
    />
    <svg:text [attr.x]="metres() + letter() * 0.5" [attr.y]="letter() * 0.35">{{ doceoScaleBar() }}</svg:text>
  `,
  styles: `
    path {
      fill: none;
      stroke: var(--ink);
      stroke-width: calc(var(--letter) * 0.2);
    }
    text {
      font-family: var(--body);
      font-size: var(--letter);
      fill: var(--ink);
      paint-order: stroke;
      stroke: rgb(255 253 246 / 75%);
      stroke-width: 0.2em;
    }
  `,
})
export class ScaleBarComponent {
  /** The length in words. */
  readonly doceoScaleBar = input.required<string>();
  readonly metres = input.required<number>();
  /** Where its left end stands, metres in the drawing. */
  readonly x = input.required<number>();
  readonly y = input.required<number>();
  /** Height of a letter, metres in the drawing. */
  readonly letter = input.required<number>();

  protected end(): number {
    return this.letter() * 0.35;
  }
}
