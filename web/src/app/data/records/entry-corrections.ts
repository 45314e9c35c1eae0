import { inject, Injectable } from '@angular/core';
import { type BankEvent, correctedEntry, type EntryChange } from '@doceo/core';
import { BankStore } from '../lesson/bank-store';
import { LessonHistory } from './lesson-history';

/** Corrects entries of the log, and writes what belongs to one; both are events, kept here first and then sent. */
@Injectable({ providedIn: 'root' })
export class EntryCorrections {
  private readonly bank = inject(BankStore);
  private readonly history = inject(LessonHistory);

  /** @returns the events that correct it, once this device has them */
  correct(entry: BankEvent, change: EntryChange): Promise<BankEvent[]> {
    return this.keep(
      correctedEntry(entry, change, {
        newId: () => crypto.randomUUID(),
        deviceId: this.bank.deviceId,
        nowMs: Date.now(),
        aheadMs: this.bank.clockAheadMs(),
      }),
    );
  }

  /** What an instructor says to a student on the card of a lesson; an empty text takes it off. */
  say(lessonId: string, studentId: string, text: string): Promise<BankEvent[]> {
    return this.keep([
      {
        id: crypto.randomUUID(),
        lessonId,
        studentId,
        blockId: null,
        deviceId: this.bank.deviceId,
        atMs: Date.now(),
        body: { kind: 'sentence', text },
      },
    ]);
  }

  private async keep(events: BankEvent[]): Promise<BankEvent[]> {
    await this.bank.addAll(events);
    this.history.heard(events);
    return events;
  }
}
