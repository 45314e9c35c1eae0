import { Component, computed, input, output } from '@angular/core';

/** Things named by id, to be taken off, and one more to be put on. */
@Component({
  selector: 'doceo-pick-list',
  template: `
    <span>{{ label() }}</span>
    <div class="row">
      @for (one of taken(); track one.id) {
        <button
          type="button"
          class="chip"
          [disabled]="!editable()"
          [attr.aria-label]="'Take off ' + one.name"
          (click)="changed.emit(without(one.id))"
        >
          {{ one.name }} ×
        </button>
      }
      @if (editable()) {
        <select [attr.aria-label]="label() + ': one more'" (change)="add($any($event.target))">
          <option value="">one more …</option>
          @for (one of left(); track one.id) {
            <option [value]="one.id">{{ one.name }}</option>
          }
        </select>
      }
    </div>
    @if (fault(); as text) {
      <span class="wrong" role="alert">{{ text }}</span>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 4px;
    }
    select {
      max-width: 150px;
    }
  `,
  host: { class: 'field', role: 'group', '[attr.aria-label]': 'label()' },
})
export class PickListComponent {
  readonly label = input.required<string>();
  readonly ids = input.required<readonly string[]>();
  readonly all = input.required<readonly { id: string; name: string }[]>();
  readonly editable = input(true);
  readonly fault = input<string | null>(null);
  readonly changed = output<string[]>();

  protected readonly taken = computed(() =>
    this.ids().map((id) => ({ id, name: this.all().find((one) => one.id === id)?.name ?? id })),
  );
  protected readonly left = computed(() => this.all().filter(({ id }) => !this.ids().includes(id)));

  protected without(id: string): string[] {
    return this.ids().filter((one) => one !== id);
  }

  protected add(select: HTMLSelectElement): void {
    if (select.value) this.changed.emit([...this.ids(), select.value]);
    select.value = '';
  }
}
