import { Component, computed, inject, type OnInit, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { MessageService } from 'primeng/api';
import { BankStore } from '../data/bank-store';
import { DayStore } from '../data/day-store';
import { firstName, initials, timeText } from '../data/lesson-texts';
import { SessionStore } from '../data/session';
import { BankSession } from './bank-session';
import { eventText } from './event-text';

const SPECIES = ['brown trout', 'grayling', 'rainbow trout', 'other'];

/** The bank book: one tap a cast, standing in the water. */
@Component({
  selector: 'doceo-bank-page',
  imports: [FormsModule, RouterLink],
  providers: [BankSession],
  templateUrl: './bank.page.html',
  styleUrl: './bank.page.css',
})
export class BankPage implements OnInit {
  protected readonly book = inject(BankSession);
  protected readonly store = inject(BankStore);
  protected readonly day = inject(DayStore);
  protected readonly session = inject(SessionStore);
  private readonly messages = inject(MessageService);
  protected readonly sheet = signal<'fish' | 'note' | null>(null);
  protected readonly species = SPECIES;
  protected readonly fish = { species: signal(SPECIES[0] as string), lengthCm: signal(28) };
  protected note = '';

  protected readonly left = computed(() => this.session.settings().bankHand === 'left');
  protected readonly students = computed(() =>
    this.book
      .students()
      .map(({ id, student }) => ({ id, initials: initials(student.name), first: firstName(student.name) })),
  );
  protected readonly cells = computed(() => {
    const count = this.book.count();
    return count
      ? [...count.window, ...Array.from({ length: Math.max(0, count.of - count.window.length) }, () => null)]
      : [];
  });
  protected readonly goodWord = computed(
    () =>
      ({
        casting: 'Good cast',
        rigging: 'Good',
        'hook-setting': 'Good set',
        water: 'Good',
        safety: 'Done',
        'fish-care': 'Good',
      })[this.book.drill()?.strand ?? 'casting'],
  );
  protected readonly start = computed(() =>
    timeText(Date.parse(this.book.lesson()?.startsAt ?? ''), this.day.water()?.water.timeZone ?? 'UTC'),
  );
  protected readonly recent = computed(() =>
    this.book
      .today()
      .slice(-40)
      .reverse()
      .map((event) => ({
        id: event.id,
        who: firstName(this.book.students().find(({ id }) => id === event.studentId)?.student.name ?? 'All'),
        text: eventText(event.body),
        at: timeText(event.atMs, this.day.water()?.water.timeZone ?? 'UTC'),
      })),
  );

  ngOnInit(): void {
    this.book.open();
  }

  protected tap(faultId: string | null): void {
    this.kept(this.book.attempt(faultId));
    if (this.book.count()?.done) navigator.vibrate?.(60);
  }

  protected tangle(): void {
    this.kept(this.book.log({ kind: 'tangle', seconds: null }));
  }

  protected logFish(outcome: 'to-hand' | 'lost'): void {
    this.kept(
      this.book.log({
        kind: 'fish',
        species: this.fish.species(),
        lengthCm: outcome === 'lost' ? null : this.fish.lengthCm(),
        outcome,
      }),
    );
    this.sheet.set(null);
  }

  protected logNote(): void {
    const text = this.note.trim();
    if (!text) return;
    this.kept(this.book.log({ kind: 'note', text: text.slice(0, 1000) }));
    this.note = '';
    this.sheet.set(null);
  }

  protected undo(): void {
    this.kept(this.book.undo());
  }

  protected longer(by: number): void {
    this.fish.lengthCm.update((cm) => Math.min(120, Math.max(5, cm + by)));
  }

  protected swapHand(): void {
    this.session.keep({ bankHand: this.left() ? 'right' : 'left' });
  }

  /** A tap that the device could not keep is told at once. */
  private kept(work: Promise<void>): void {
    work.catch((error: unknown) =>
      this.messages.add({
        severity: 'error',
        summary: 'Not kept on this device',
        detail: String(error),
        sticky: true,
      }),
    );
  }
}
