import { Component, computed, input } from '@angular/core';
import type { SaveState } from '../../data/documents/edited-document';

const WORDS: Record<SaveState, string> = {
  saved: 'saved',
  unsaved: 'not saved yet',
  saving: 'saving …',
  conflict: 'saved elsewhere too',
  refused: 'not saved',
};

/** Whether what is on the screen is stored. */
@Component({
  selector: 'doceo-save-state',
  template: `<span role="status" [class.bad]="bad()" [attr.data-save-state]="state()">{{ words() }}</span>`,
  styles: `
    span {
      font-size: 12.5px;
      color: var(--ink-soft);
    }
    .bad {
      color: var(--safety);
      font-weight: 700;
    }
  `,
})
export class SaveStateComponent {
  readonly state = input.required<SaveState>();
  protected readonly words = computed(() => WORDS[this.state()]);
  protected readonly bad = computed(() => this.state() === 'conflict' || this.state() === 'refused');
}
