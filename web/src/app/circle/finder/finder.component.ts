import { Component, computed, DestroyRef, effect, inject, input, signal, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { api, type LibraryQuery, type SavedPlan, type WorkedDrill } from '@doceo/contract';
import {
  depthsDrawn,
  type LibraryFit,
  libraryFit,
  type Strand,
  STRANDS,
  WATER_KINDS,
  type WaterKind,
} from '@doceo/core';
import { STRAND_NAMES } from '@doceo/texts';
import { map, type Observable, of, switchMap } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { Failures } from '../../data/api/failures';
import { fetched } from '../../data/api/fetched';
import { DayStore } from '../../data/lesson/day-store';
import { DrawnWaters } from '../../data/lesson/drawn-waters';
import { callNames, dayText, firstName, spanText } from '../../data/lesson/lesson-texts';
import { SessionStore } from '../../data/session';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { Undoable } from '../../data/undoable';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { DEPTH_PX, type Disc, finderRow, planWorked, TIME_PX, workedText } from './finder-rows';

/** How many plans are shown before one asks for more. */
const FIRST = 4;
/** The lines reach so far at the least: metres of depth, minutes of lesson. */
const LEAST_M = 1.2;
const SPARE = 1.15;
/** Half the width of a text over a stretch, pixels. */
const TEXT_PX = 44;

/** Fits are worked out for so long at a stretch, and shown so often, milliseconds: each showing puts all rows in order. */
const TURN_MS = 12;
const SHOW_EVERY_MS = 200;

/** Which of the plans that one may use suits the next lesson: by its students, its water and its time. */
@Component({
  selector: 'doceo-finder',
  imports: [ChoiceFieldComponent, FormsModule, LoadFailedComponent, RouterLink],
  templateUrl: './finder.component.html',
  styleUrl: './finder.component.css',
})
export class FinderComponent {
  private readonly client = inject(ApiClient);
  private readonly failures = inject(Failures);
  private readonly router = inject(Router);
  private readonly teaching = inject(TeachingStore);
  private readonly drawn = inject(DrawnWaters);
  private readonly undoable = inject(Undoable);
  protected readonly session = inject(SessionStore);
  protected readonly day = inject(DayStore);
  /** What schools told of drills, as far as it is here. */
  readonly worked = input<readonly WorkedDrill[]>([]);

  protected readonly orders = [
    { value: 'fit' as const, text: 'by fit' },
    { value: 'worked' as const, text: 'by what worked' },
  ];
  protected readonly order = signal<'fit' | 'worked'>('fit');
  protected readonly depthPx = DEPTH_PX;
  protected readonly timePx = TIME_PX;
  protected readonly strands = [
    { value: null, text: 'any strand' },
    ...STRANDS.map((value) => ({ value, text: STRAND_NAMES[value].toLowerCase() })),
  ];
  protected readonly waters = [
    { value: null, text: 'any water' },
    ...WATER_KINDS.map((value) => ({ value, text: value })),
  ];
  protected readonly all = signal(false);
  /** The lesson of the strip, when it is one's own to plan. */
  protected readonly lesson = computed(() => (this.day.lesson()?.mine ? this.day.lesson() : null));
  protected readonly when = computed(() => {
    const lesson = this.lesson();
    return lesson ? dayText(lesson.startsAt, this.zone()) : '';
  });
  protected readonly span = computed(() => {
    const lesson = this.lesson();
    return lesson ? spanText(Date.parse(lesson.startsAt), lesson.lengthMin, this.zone()) : '';
  });
  private readonly zone = computed(() => this.day.waterOf(this.lesson())?.water.timeZone ?? 'UTC');
  protected readonly names = computed(() =>
    [...callNames(this.day.studentsOf(this.lesson()))].map(([id, name]) => ({ id, name })),
  );
  /** What is typed, and what was asked for. */
  protected readonly words = signal('');
  protected readonly strand = signal<Strand | null>(null);
  protected readonly water = signal<WaterKind | null>(null);
  private readonly asked = signal('');
  private readonly query = computed(() => ({
    ...(this.asked() ? { words: this.asked() } : {}),
    ...(this.strand() ? { strand: this.strand() as Strand } : {}),
    ...(this.water() ? { water: this.water() as WaterKind } : {}),
  }));
  protected readonly narrowed = computed(() => Object.keys(this.query()).length > 0);
  protected readonly bodies = fetched(
    () => (this.lesson() ? this.query() : null),
    (query) => this.pageOf(query),
  );
  private readonly loaded = computed(() => this.bodies.value()?.plans ?? []);
  private readonly depths = computed(() => {
    const at = this.day.waterOf(this.lesson());
    return at ? depthsDrawn(this.drawn.of(at.id, at.water)) : null;
  });
  /** Fits by plan; they come a few after the other, so that the screen answers meanwhile. */
  private readonly fits = signal<ReadonlyMap<string, LibraryFit>>(new Map());
  private readonly working = signal(false);
  protected readonly done = computed(() => this.bodies.value() !== null && !this.working());
  protected readonly rows = computed(() => {
    const found = this.loaded().flatMap((plan) => {
      const fit = this.fits().get(plan.id);
      return fit ? [{ plan, fit, worked: planWorked(plan.body, this.worked()) }] : [];
    });
    const deepest = found.flatMap(({ fit: { water } }) => [water.wants?.highM ?? 0, water.has?.highM ?? 0]);
    const longest = found.flatMap(({ fit: { time } }) => [time.takesMin, time.hasMin]);
    const byWorked = this.order() === 'worked';
    return found
      .sort(
        (a, b) =>
          (byWorked ? (b.worked?.mean ?? -1) - (a.worked?.mean ?? -1) : 0) || a.fit.strain - b.fit.strain,
      )
      .map(({ plan, fit, worked }) => ({
        ...finderRow(
          fit,
          Math.max(LEAST_M, ...deepest) * SPARE,
          Math.max(60, ...longest) * SPARE,
          this.session.units(),
        ),
        plan,
        worked: worked ? workedText(worked) : '',
        by: plan.mine ? 'yours' : firstName(plan.ownerName),
        planned: plan.id === this.lesson()?.planId,
      }));
  });
  protected readonly shown = computed(() => (this.all() ? this.rows() : this.rows().slice(0, FIRST)));

  constructor() {
    this.day.loadHistory().subscribe({ error: this.failures.tell });
    let turn: ReturnType<typeof setTimeout> | undefined;
    effect(() => {
      const [plans, lesson, saved] = [this.loaded(), this.day.planLesson(), this.lesson()];
      const [curriculum, depths] = [this.teaching.curriculum(), this.depths()];
      clearTimeout(turn);
      untracked(() => this.working.set(lesson !== null && saved !== null && plans.length > 0));
      if (!lesson || !saved) return;
      // What was found before stays until there is something new: nothing flickers when more of the day is known.
      const fits = new Map<string, LibraryFit>();
      let shownAt = 0;
      const next = (from: number): void => {
        const until = performance.now() + TURN_MS;
        let at = from;
        do {
          const plan = plans[at++];
          if (plan) fits.set(plan.id, libraryFit(curriculum, plan.body, lesson, saved.lengthMin, depths));
        } while (at < plans.length && performance.now() < until);
        const isLast = at >= plans.length;
        if (isLast || until - shownAt > SHOW_EVERY_MS) {
          this.fits.set(new Map(fits));
          shownAt = until;
        }
        if (isLast) this.working.set(false);
        else turn = setTimeout(() => next(at));
      };
      turn = setTimeout(() => next(0));
    });
    inject(DestroyRef).onDestroy(() => clearTimeout(turn));
  }

  protected readonly max = Math.max;

  /** Where a text over a stretch stands so that all of it is seen, pixels. */
  protected anchored(from: number, to: number): number {
    return Math.min(DEPTH_PX - TEXT_PX, Math.max(TEXT_PX, (from + to) / 2));
  }

  protected discsTold(discs: readonly Disc[]): string {
    return discs.map(({ spoken }) => spoken).join('; ');
  }

  protected find(): void {
    this.all.set(false);
    this.asked.set(this.words().trim());
  }

  /** The next page of the library, behind those that are here. */
  protected more(): void {
    const before = this.bodies.value()?.next;
    if (!before) return;
    this.pageOf({ ...this.query(), before }).subscribe({
      next: ({ plans, next }) => this.bodies.update((page) => ({ plans: [...page.plans, ...plans], next })),
      error: this.failures.tell,
    });
  }

  private pageOf(query: LibraryQuery): Observable<{ plans: SavedPlan[]; next: string | null }> {
    return this.client
      .call(api.plans.libraryWhole, { query })
      .pipe(map(({ items, next }) => ({ plans: items, next })));
  }

  /** The lesson is taught by this plan; somebody else's comes as a copy of mine first. */
  protected use(plan: SavedPlan): void {
    const lesson = this.lesson();
    if (!lesson) return;
    const { id, waterId, startsAt, studentIds, planId: before } = lesson;
    const set = (planId: string | null) =>
      this.client.call(api.lessons.update, {
        params: { id },
        body: { planId, waterId, startsAt, studentIds: [...studentIds] },
      });
    const own = plan.mine
      ? of({ id: plan.id })
      : this.client.call(api.plans.copy, { params: { id: plan.id }, body: { id: crypto.randomUUID() } });
    own.pipe(switchMap(({ id: planId }) => set(planId))).subscribe({
      next: (changed) => {
        this.day.load().subscribe({ error: this.failures.tell });
        this.undoable.told(`${this.when()} is taught by “${plan.title}” now.`, () =>
          set(before)
            .pipe(switchMap(() => this.day.load()))
            .subscribe({ error: this.failures.tell }),
        );
        void this.router.navigate(['/plan', changed.planId]);
      },
      error: this.failures.tell,
    });
  }
}
