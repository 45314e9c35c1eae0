import { Component, input, output, Pipe, type PipeTransform } from '@angular/core';

/** One of what may be chosen. */
export interface Choice<T> {
  value: T;
  text: string;
}

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
export class ChoiceFieldComponent<T> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly Choice<T>[]>();
  readonly value = input.required<T | undefined>();
  readonly name = input<string | null>(null);
  /** Whether the texts are figures. */
  readonly figures = input(false);
  /** Whether what is beside it says its name already. */
  readonly quiet = input(false);
  /** Whether its name stands beside it, in a line of text. */
  readonly beside = input(false);
  /** What is wrong with what was chosen. */
  readonly fault = input<string | null | undefined>(null);
  readonly chosen = output<T>();

  protected choose(at: number): void {
    const option = this.options()[at];
    if (option) this.chosen.emit(option.value);
  }
}

/** Things that have an id and a name as what may be chosen. */
@Pipe({ name: 'named' })
export class NamedPipe implements PipeTransform {
  transform<T extends string>(things: readonly { id: T; name: string }[]): Choice<T>[] {
    return things.map(({ id, name }) => ({ value: id, text: name }));
  }
}
