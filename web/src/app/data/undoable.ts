import { inject, Injectable } from '@angular/core';
import { MessageService } from 'primeng/api';

/** How long something that was taken away can be taken back from its message, milliseconds. */
const STAYS_MS = 12_000;

/** What a message carries that can be taken back. */
export interface UndoData {
  undo: () => void;
}

/** Tells that something was taken away, with the way back in the message. */
@Injectable({ providedIn: 'root' })
export class Undoable {
  private readonly messages = inject(MessageService);

  told(summary: string, undo: () => void): void {
    const data: UndoData = { undo };
    this.messages.add({ severity: 'info', summary, life: STAYS_MS, data });
  }
}
