import { Injectable } from '@angular/core';
import type { BankEvent } from '@doceo/core';
import Dexie, { type Table } from 'dexie';

/** An event on this device: not sent yet, with the server, or one that the server can never take. */
export interface KeptEvent extends BankEvent {
  userId: string;
  state: 'waiting' | 'sent' | 'refused';
  reason?: string;
}

/** Where the device keeps what is logged, each event under its user. */
@Injectable({ providedIn: 'root' })
export class BankDatabase extends Dexie {
  readonly events!: Table<KeptEvent, string>;

  constructor() {
    // A tap is acknowledged when it is on the disk, not in its cache.
    super('doceo-bank', { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ events: 'id, [userId+state], [userId+lessonId]' });
  }

  of(userId: string): Promise<KeptEvent[]> {
    return this.events.filter((event) => event.userId === userId).toArray();
  }
}
