import { Component, computed, DestroyRef, effect, inject, type OnInit, signal } from '@angular/core';
import { A11yModule } from '@angular/cdk/a11y';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { SavedStudent } from '@doceo/contract';
import type { BankEventBody, Block } from '@doceo/core';
import { warmReadingText } from '@doceo/texts';
import { MessageService } from 'primeng/api';
import { filter, fromEvent, merge, timer } from 'rxjs';
import { BankStore } from '../data/lesson/bank-store';
import { DayStore } from '../data/lesson/day-store';
import { UserStorage } from '../data/device/user-storage';
import { SessionStore } from '../data/session';
import { clockText, timeText } from '../data/lesson/lesson-texts';
import { SetAsideComponent } from '../shared/lesson/set-aside.component';
import { BankSession } from './bank-session';
import { BankSheetComponent } from './bank-sheet.component';
import { Group } from './group/group';
import { DayReplan } from './replan/day-replan';
import { ReplanSheetComponent } from './replan/replan-sheet.component';
import { keepAwake } from './keep-awake';
import { LogListComponent } from './log-list.component';
import { LongPress } from './long-press';
import { LastOverlayComponent } from './overlays/last-overlay.component';
import { MoreOverlayComponent } from './overlays/more-overlay.component';
import { NoteOverlayComponent } from './overlays/note-overlay.component';
import { PeopleOverlayComponent } from './overlays/people-overlay.component';
import { TimeLeftComponent, WARN_MIN } from './time-left.component';
import { WhoBarComponent } from './who-bar.component';
import { WhoWords } from './who-words';
import { LOG_SHEETS, logSheet, type LogSheetId } from './sheets/kinds';
import { FetchingComponent } from '../shared/fetching.component';

const TICK_MS = 1000;
/** How often it is asked what others have logged. */
const LISTEN_EVERY_MS = 60_000;

interface Tangle {
  startedMs: number;
}

/** The bank book: one tap a cast, standing in the water. */
@Component({
  selector: 'doceo-bank-page',
  imports: [
    FetchingComponent,
    A11yModule,
    BankSheetComponent,
    LastOverlayComponent,
    LogListComponent,
    MoreOverlayComponent,
    NoteOverlayComponent,
    PeopleOverlayComponent,
    ReplanSheetComponent,
    RouterLink,
    SetAsideComponent,
    TimeLeftComponent,
    WhoBarComponent,
  ],
  providers: [BankSession, DayReplan, Group, WhoWords],
  templateUrl: './bank.page.html',
  styleUrls: ['./bank.page.css', './bank-taps.css', './bank-looks.css', './bank-told.css'],
})
export class BankPage implements OnInit {
  protected readonly book = inject(BankSession);
  protected readonly replan = inject(DayReplan);
  protected readonly who = inject(WhoWords);
  protected readonly store = inject(BankStore);
  protected readonly day = inject(DayStore);
  protected readonly session = inject(SessionStore);
  private readonly messages = inject(MessageService);
  protected readonly sheet = signal<'note' | 'more' | 'last' | 'person' | LogSheetId | null>(null);
  /** The sheet of the log that is open, if one is. */
  protected readonly logSheet = computed<LogSheetId | null>(() => {
    const sheet = this.sheet();
    return sheet && sheet in LOG_SHEETS ? (sheet as LogSheetId) : null;
  });
  /** What a warm reading says, until it was read. */
  protected readonly warm = signal<string | null>(null);
  protected readonly note = signal('');
  protected readonly pressed = new LongPress();
  /** The attempt a note is about, after a long press. */
  private noteAbout: string | null = null;
  private readonly storage = inject(UserStorage);
  protected readonly sun = this.storage.value('bank.sun', false);
  protected readonly large = this.storage.value('bank.large', false);
  protected readonly now = signal(Date.now());
  /** A tangle being cleared, kept through a restart. */
  protected readonly tangle = this.storage.value<Tangle | null>('bank.tangle', null);
  protected readonly tangleSeconds = computed(() => {
    const tangle = this.tangle();
    return tangle ? Math.max(0, Math.round((this.now() - tangle.startedMs) / 1000)) : null;
  });
  protected readonly startMs = computed(() => Date.parse(this.book.lesson()?.startsAt ?? ''));

  protected readonly title = computed(
    () =>
      (this.book.split() ? 'Two things at a time' : this.book.block()?.title) ??
      (this.book.failed()
        ? 'The plan could not be fetched'
        : this.book.plan()
          ? 'Between two blocks'
          : 'Fetching the plan …'),
  );
  /** Told while this device's clock is off: what is logged is put right when it is sent. */
  protected readonly clock = computed(() => clockText(this.store.clockAheadMs()));

  /** Why a device that was lent is not given back yet. */
  protected readonly unsentHere = signal<string | null>(null);

  /** A device that was lent goes back when all that was logged on it is sent: nobody could send it later. */
  protected giveBack(): void {
    const waiting = this.store.waiting();
    if (waiting > 0)
      return this.unsentHere.set(
        `${waiting} ${waiting === 1 ? 'entry is' : 'entries are'} kept here and not sent. Wait for a connection, then give it back.`,
      );
    this.session.signOut().subscribe({ next: () => location.assign('/'), error: () => location.assign('/') });
  }

  protected readonly left = computed(() => this.session.settings().bankHand === 'left');
  protected readonly cells = computed(() => {
    const count = this.book.count();
    return count && !this.book.group.several()
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
  protected readonly zone = computed(() => this.day.waterOf(this.book.lesson())?.water.timeZone ?? 'UTC');
  protected readonly start = computed(() =>
    timeText(Date.parse(this.book.lesson()?.startsAt ?? ''), this.zone()),
  );
  constructor() {
    const clock = setInterval(() => this.now.set(Date.now()), TICK_MS);
    inject(DestroyRef).onDestroy(() => clearInterval(clock));
    keepAwake(inject(DestroyRef));
    // The others are heard while one looks, and at once when the phone comes out of the pocket.
    merge(timer(LISTEN_EVERY_MS, LISTEN_EVERY_MS), fromEvent(document, 'visibilitychange'))
      .pipe(
        filter(() => document.visibilityState === 'visible'),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.book.listen());
    // Told once, gently, when a block is nearly over.
    let warned: string | null = null;
    effect(() => {
      const block = this.book.block();
      if (!block || warned === block.id) return;
      const left = block.startMin + block.durationMin - (this.now() - this.startMs()) / 60_000;
      if (left <= 0 || left > WARN_MIN) return;
      warned = block.id;
      navigator.vibrate?.([40, 60, 40]);
    });
  }

  ngOnInit(): void {
    this.book.open();
  }

  protected chooseThose(students: readonly SavedStudent[]): void {
    this.book.group.choose(students.map(({ id }) => id));
  }

  /** What to do in a block in which nothing is counted. */
  protected restWords(): string {
    const kind = this.book.block()?.kind;
    if (kind === 'break') return 'Rest. Drink, warm your hands, and look who is cold.';
    if (kind === 'debrief') return 'Each says one thing that went well.';
    return this.book.block() ? 'Nothing is counted in this block.' : 'Waiting for the next block.';
  }

  protected timeOf(block: Block): string {
    return timeText(this.startMs() + block.startMin * 60_000, this.zone());
  }

  protected gearOf({ drillId }: Block): string {
    return (
      this.book
        .curriculum()
        .drills.find(drillId ?? '')
        ?.gear.map(({ item }) => item)
        .join(', ') ?? ''
    );
  }

  protected stand(entries: number): string {
    return entries === 1 ? '1 entry stands.' : `${entries} entries stand.`;
  }

  protected tap(faultId: string | null): void {
    if (this.pressed.wasLong()) return;
    this.kept(this.book.attempt(faultId));
    if (this.book.count()?.done) navigator.vibrate?.(60);
  }

  /** A long press logs the attempt and opens a note about it. */
  protected press(faultId: string | null): void {
    this.pressed.begin(() => {
      const work = this.book.attempt(faultId);
      this.kept(work);
      void work.then(([id]) => {
        this.noteAbout = id ?? null;
        this.sheet.set('note');
      });
    });
  }

  /** Starts the watch of a tangle, or stops it and logs how long it took. */
  protected tangled(): void {
    const tangle = this.tangle();
    if (!tangle) return this.setTangle({ startedMs: Date.now() });
    const seconds = Math.min(7200, Math.round((Date.now() - tangle.startedMs) / 1000));
    this.setTangle(null);
    this.kept(this.book.log({ kind: 'tangle', seconds }));
  }

  private setTangle(tangle: Tangle | null): void {
    this.tangle.set(tangle);
    this.now.set(Date.now());
  }

  /** A skill that the drill shows besides. */
  protected tapSide(skillId: string, good: boolean): void {
    this.kept(this.book.attemptSide(skillId, good));
  }

  protected keepSheet(id: LogSheetId, body: BankEventBody): void {
    this.kept(this.book.log(body));
    if (body.kind === 'temperature') {
      const species = this.day.waterOf(this.book.lesson())?.water.species ?? [];
      this.warm.set(warmReadingText(body.celsius, species, this.session.units()));
    }
    if (!logSheet(id).stays) this.sheet.set(null);
  }

  /** Told where it is undone: the last entry is the new plan. */
  protected replanned(): void {
    this.messages.add({
      severity: 'success',
      summary: 'The rest goes on otherwise. Undo brings back what was.',
      life: 5000,
    });
  }

  protected logNote(): void {
    const text = this.note().trim();
    if (!text) return;
    this.kept(this.book.log({ kind: 'note', text: text.slice(0, 1000), aboutId: this.noteAbout }));
    this.note.set('');
    this.noteAbout = null;
    this.sheet.set(null);
  }

  protected undo(): void {
    this.kept(this.book.undo());
  }

  /** A tap that the device could not keep is told at once. */
  private kept(work: Promise<unknown>): void {
    work.catch((error: unknown) =>
      this.messages.add({
        severity: 'error',
        summary: 'Not kept on this device',
        detail: /quota/i.test(String(error))
          ? 'There is no room left on it. Free some, then tap again; what was kept before is still here.'
          : `The device refused it (${String(error)}). Tap again; what was kept before is still here.`,
        sticky: true,
      }),
    );
  }
}
