import { Directive, input, output } from '@angular/core';

/** One of what may be chosen. */
export interface Choice<T> {
  value: T;
  text: string;
}

/** What every choice of one of many has. */
@Directive()
export abstract class Choosing<T> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly Choice<T>[]>();
  readonly value = input.required<T | undefined>();
  /** Whether the texts are figures. */
  readonly figures = input(false);
  readonly chosen = output<T>();

  protected choose(at: number): void {
    const option = this.options()[at];
    if (option) this.chosen.emit(option.value);
  }
}

/** Ids with what each is called, to be chosen from. */
export function choicesOf<T extends string>(
  ids: readonly T[],
  names: Readonly<Record<T, string>>,
): Choice<T>[] {
  return ids.map((id) => ({ value: id, text: names[id] }));
}
