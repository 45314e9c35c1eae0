import { Component, input } from '@angular/core';
import { isTypedIn } from '../../parts/dialogs/screen-key';
import type { Undoable } from '../../data/documents/history';

/** Takes steps back and does them again, by buttons and by keys: control with Z, with shift and Z or with Y. */
@Component({
  selector: 'doceo-undo-redo',
  host: { '(window:keydown)': 'key($event)' },
  template: `
    <button type="button" class="btn small" [disabled]="!of().canUndo()" (click)="of().undo()">Undo</button>
    <button type="button" class="btn small" [disabled]="!of().canRedo()" (click)="of().redo()">Redo</button>
  `,
  styles: `
    :host {
      display: inline-flex;
      gap: 8px;
    }
  `,
})
export class UndoRedoComponent {
  readonly of = input.required<Undoable>();

  protected key(event: KeyboardEvent): void {
    if (!(event.ctrlKey || event.metaKey)) return;
    const name = event.key.toLowerCase();
    // A field of text takes back what was typed in it; a dialog has what is behind it left alone.
    const target = event.target instanceof Element ? event.target : document.body;
    if (isTypedIn(target)) return;
    if (name !== 'z' && name !== 'y') return;
    event.preventDefault();
    if (name === 'y' || event.shiftKey) this.of().redo();
    else this.of().undo();
  }
}
