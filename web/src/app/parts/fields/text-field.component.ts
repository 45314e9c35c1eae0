import { Component, input, output } from '@angular/core';

let fields = 0;

/** A field to type in: its name above it, what is wrong with what was typed below it. What was typed stays. */
@Component({
  selector: 'doceo-text-field',
  template: `
    <label class="field" [htmlFor]="id">
      <span>{{ label() }}</span>
      @if (rows() > 1) {
        <textarea
          [id]="id"
          [attr.name]="name()"
          [attr.maxlength]="most()"
          [rows]="rows()"
          [value]="value() ?? ''"
          [attr.aria-invalid]="!!fault()"
          (input)="typed.emit($any($event.target).value)"
          (change)="changed.emit($any($event.target).value)"
        ></textarea>
      } @else {
        <input
          [id]="id"
          [type]="type()"
          [class.figure]="figures()"
          [attr.name]="name()"
          [attr.inputmode]="figures() ? 'decimal' : null"
          [attr.maxlength]="type() === 'number' ? null : most()"
          [attr.min]="least()"
          [attr.max]="type() === 'text' ? null : most()"
          [attr.step]="step()"
          [attr.autocomplete]="autocomplete()"
          [attr.placeholder]="example()"
          [value]="value() ?? ''"
          [attr.aria-invalid]="!!fault()"
          (input)="typed.emit($any($event.target).value)"
          (change)="changed.emit($any($event.target).value)"
        />
      }
      <ng-content />
      @if (fault(); as text) {
        <span class="wrong" role="alert">{{ text }}</span>
      }
    </label>
  `,
  styles: `
    :host {
      display: block;
      min-width: 0;
    }
  `,
})
export class TextFieldComponent {
  protected readonly id = `field-${(fields += 1)}`;
  readonly label = input.required<string>();
  readonly value = input.required<string | number | null>();
  readonly type = input<'text' | 'number' | 'date' | 'time' | 'email' | 'password'>('text');
  readonly name = input<string | null>(null);
  /** Most characters of a text; the largest number, the last day. */
  readonly most = input<number | string | null>(null);
  readonly least = input<number | string | null>(null);
  readonly step = input<number | string | null>(null);
  /** Lines of text there is room for. */
  readonly rows = input(1);
  readonly autocomplete = input<string | null>(null);
  /** What may stand in it, shown while it is empty. */
  readonly example = input<string | null>(null);
  /** Whether figures and units are typed. */
  readonly figures = input(false);
  /** What is wrong with what was typed. */
  readonly fault = input<string | null | undefined>(null);
  /** With every letter. */
  readonly typed = output<string>();
  /** When the field is left. */
  readonly changed = output<string>();
}
