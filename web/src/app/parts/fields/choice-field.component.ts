import { Component, input, Pipe, type PipeTransform } from '@angular/core';
import { type Choice, Choosing } from './choosing';

/** One of many, out of sight until one looks: a rig, a student, a water. */
@Component({
  selector: 'doceo-choice-field',
  template: `
    <label class="field" [class.beside]="beside()">
      <span [class.visually-hidden]="quiet()">{{ label() }}</span>
      <select
        [class.figure]="figures()"
        [attr.name]="name()"
        [attr.aria-invalid]="!!fault()"
        (change)="choose($any($event.target).selectedIndex)"
      >
        @for (option of options(); track option.value) {
          <option [value]="option.value ?? ''" [selected]="option.value === value()">
            {{ option.text }}
          </option>
        }
      </select>
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
    .beside {
      grid-auto-flow: column;
      align-items: center;
      gap: 6px;
    }
  `,
})
export class ChoiceFieldComponent<T> extends Choosing<T> {
  readonly name = input<string | null>(null);
  /** Whether what is beside it says its name already. */
  readonly quiet = input(false);
  /** Whether its name stands beside it, in a line of text. */
  readonly beside = input(false);
  /** What is wrong with what was chosen. */
  readonly fault = input<string | null | undefined>(null);
}

/** Things that have an id and a name as what may be chosen. */
@Pipe({ name: 'named' })
export class NamedPipe implements PipeTransform {
  transform<T extends string>(things: readonly { id: T; name: string }[]): Choice<T>[] {
    return things.map(({ id, name }) => ({ value: id, text: name }));
  }
}
