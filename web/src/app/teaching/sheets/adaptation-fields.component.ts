import { Component, computed, input, output } from '@angular/core';
import type { Adaptation, Curriculum, Drill } from '@doceo/core';
import { NEED_NAMES } from '@doceo/texts';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';

/** How a drill bends to one need: less line, less time, another stand, other words, or another drill. */
@Component({
  selector: 'doceo-adaptation-fields',
  imports: [ChoiceFieldComponent, TextFieldComponent],
  styleUrl: './sheet.css',
  host: { class: 'rule', role: 'group', '[attr.aria-label]': 'name()' },
  template: `
    <div class="row">
      <b>{{ name() }}</b>
      <span class="spread"></span>
      <button type="button" class="btn small" [attr.aria-label]="'Drop ' + name()" (click)="dropped.emit()">
        ×
      </button>
    </div>
    <div class="two">
      <doceo-text-field
        label="Line, percent"
        type="number"
        [figures]="true"
        [least]="1"
        [most]="100"
        [value]="percent(rule().line)"
        (changed)="set({ line: share($event, 1) })"
      />
      <doceo-text-field
        label="Time, percent"
        type="number"
        [figures]="true"
        [least]="1"
        [most]="200"
        [value]="percent(rule().minutes)"
        (changed)="set({ minutes: share($event, 2) })"
      />
    </div>
    <doceo-text-field
      label="Stands"
      [most]="80"
      [value]="rule().stand ?? ''"
      (changed)="set({ stand: $event.trim() || undefined })"
    />
    <doceo-text-field
      label="Otherwise"
      [most]="200"
      [value]="rule().words"
      (changed)="set({ words: $event })"
    />
    <doceo-choice-field
      label="Another drill in its place"
      [options]="drills()"
      [value]="rule().insteadId ?? ''"
      (chosen)="set({ insteadId: $event || undefined })"
    />
  `,
})
export class AdaptationFieldsComponent {
  readonly rule = input.required<Adaptation>();
  readonly drill = input.required<Drill>();
  readonly curriculum = input.required<Curriculum>();
  readonly changed = output<Adaptation>();
  readonly dropped = output<void>();

  protected readonly name = computed(() => NEED_NAMES[this.rule().need]);
  protected readonly drills = computed(() => [
    { value: '', text: 'none' },
    ...this.curriculum()
      .drills.all.filter(({ id }) => id !== this.drill().id)
      .map(({ id, name }) => ({ value: id, text: name })),
  ]);

  protected percent(share: number | undefined): number | null {
    return share === undefined ? null : Math.round(share * 100);
  }

  /** undefined for what is empty or none. */
  protected share(text: string, most: number): number | undefined {
    const value = Number(text) / 100;
    return value > 0 ? Math.min(most, value) : undefined;
  }

  protected set(change: Partial<Adaptation>): void {
    this.changed.emit({ ...this.rule(), ...change });
  }
}
