import {
  Component,
  computed,
  ElementRef,
  inject,
  input,
  linkedSignal,
  type OnDestroy,
  output,
  signal,
} from '@angular/core';
import {
  conditionAlerts,
  curriculumOf,
  gearList,
  placesOf,
  PLAN_B_ALERTS,
  PLAN_B_TRIGGERS,
  type PlanB,
  planBOf,
  type PlanBody,
  planBTask,
  type PlanBTrigger,
  type PlanDay,
  textInUnits,
} from '@doceo/core';
import { alertText, listed, PLAN_B_NAMES, planBWhen, whyNotText } from '@doceo/texts';
import type { Subscription } from 'rxjs';
import { timeText } from '../../data/lesson/lesson-texts';
import { SessionStore } from '../../data/session';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { SegmentsComponent } from '../../parts/fields/segments.component';
import { planBRows } from '../../shared/plan/plan-b-rows';
import { sentCurriculum } from '../../workers/plans/make-plans';
import { PlanRunner } from '../../workers/plans/plan-runner';
import type { Lane } from '../timeline/lanes';

/** So many changes are tried: a plan B is there within a second. */
const TRIES = 3000;
const MINUTE_MS = 60_000;

/** What is done instead when thunder, wind, a rising river or cold comes: a branch that leaves the plan at an hour. */
@Component({
  selector: 'doceo-plan-b',
  imports: [ChoiceFieldComponent, SegmentsComponent],
  templateUrl: './plan-b.component.html',
  styleUrl: './plan-b.component.css',
})
export class PlanBComponent implements OnDestroy {
  private readonly host: HTMLElement = inject(ElementRef<HTMLElement>).nativeElement;
  private readonly runner = inject(PlanRunner);
  private readonly units = inject(SessionStore).units;
  readonly body = input.required<PlanBody>();
  readonly day = input.required<Omit<PlanDay, 'weights' | 'besides'>>();
  readonly lanes = input.required<readonly Lane[]>();
  readonly startMs = input.required<number | null>();
  readonly zone = input.required<string>();
  readonly editable = input.required<boolean>();
  readonly changed = output<PlanB | undefined>();

  protected readonly planB = computed(() => this.body().planB ?? null);
  /** Whether another one is being asked for. */
  protected readonly asking = signal(false);
  protected readonly running = signal(false);
  protected readonly told = signal<string | null>(null);
  private work: Subscription | null = null;

  private readonly curriculum = computed(() => curriculumOf(this.day().curriculum, this.body()));
  /** What the weather of the lesson may bring, by what brings a plan B in. */
  private readonly alerts = computed(() => {
    const { lesson } = this.day();
    const startMs = this.startMs();
    if (!lesson?.hours?.length || startMs === null) return [];
    const within = { fromMs: startMs, toMs: startMs + this.body().lengthMin * MINUTE_MS };
    const from = { simulated: lesson.hoursSimulated ?? false, readings: lesson.readings ?? [] };
    return conditionAlerts(lesson.hours, lesson.water, within, from).flatMap((alert) => {
      const trigger = PLAN_B_TRIGGERS.find((one) => PLAN_B_ALERTS[one].includes(alert.kind));
      return trigger && alert.level !== 'tip' ? [{ ...alert, trigger }] : [];
    });
  });
  /** The one that this plan B is for, or the first that none is made for. */
  protected readonly alert = computed(() => {
    const planB = this.planB();
    const found = this.alerts().find(({ trigger }) => !planB || trigger === planB.trigger);
    if (!found) return null;
    const at = Math.max(found.fromMs, this.startMs() ?? 0);
    return `${alertText(found).title}, from ${timeText(at, this.zone())}${found.from === 'simulated' ? ' (simulated)' : ''}`;
  });
  protected readonly triggers = PLAN_B_TRIGGERS.map((value) => ({ value, text: PLAN_B_NAMES[value] }));
  protected readonly trigger = linkedSignal<PlanBTrigger>(
    () => this.planB()?.trigger ?? this.alerts()[0]?.trigger ?? 'thunder',
  );
  protected readonly sameKit = signal(true);
  protected readonly minutes = computed(() =>
    placesOf(this.body())
      .filter((min) => min > 0)
      .map((min) => ({ value: min, text: this.clock(min) })),
  );
  /** The middle of the lesson where nobody said when. */
  protected readonly fromMin = linkedSignal(() => {
    const places = this.minutes().map(({ value }) => value);
    const wanted = this.planB()?.fromMin ?? this.body().lengthMin / 3;
    return places.find((min) => min >= wanted) ?? places.at(-1) ?? 0;
  });

  protected readonly rows = computed(() => {
    const planB = this.planB();
    const names = this.lanes().map(({ name }) => name);
    if (!planB) return [];
    const spanMin = Math.max(5, this.body().lengthMin - planB.fromMin);
    return planBRows(this.curriculum(), planB).map((row) => ({
      ...row,
      time: this.clock(row.startMin),
      who:
        row.lanes.length === 0
          ? 'all'
          : listed(row.lanes.map((lane) => names[lane] ?? `student ${lane + 1}`)),
      left: (row.startMin - planB.fromMin) / spanMin,
      width: row.durationMin / spanMin,
      bars: (row.lanes.length === 0 ? names.map((_, lane) => lane) : row.lanes).map((lane) => ({
        top: lane / names.length,
        height: 1 / names.length,
      })),
    }));
  });
  protected readonly heading = computed(() => {
    const planB = this.planB();
    return planB ? `leaves at ${this.clock(planB.fromMin)}, ${planBWhen(planB.trigger)}` : '';
  });
  /** What is packed for it besides. */
  protected readonly extra = computed(() => {
    const body = this.body();
    const counted = (plan: PlanBody): Map<string, number> =>
      new Map(gearList(this.day().curriculum, plan).map(({ item, count }) => [item, count]));
    const [both, own] = [counted(body), counted({ ...body, planB: undefined })];
    const more = [...both].flatMap(([item, count]) => {
      const missing = count - (own.get(item) ?? 0);
      return missing > 0 ? [`${missing} × ${textInUnits(item, this.units())}`] : [];
    });
    return more.length > 0 ? `Packed besides: ${listed(more)}.` : 'The same kit does for both.';
  });

  ngOnDestroy(): void {
    this.work?.unsubscribe();
  }

  /** Makes one for what is foretold, and comes into sight. */
  makeFor(trigger: PlanBTrigger, fromMin: number): void {
    this.trigger.set(trigger);
    this.fromMin.set(this.minutes().findLast(({ value }) => value <= fromMin)?.value ?? this.fromMin());
    this.asking.set(true);
    this.host.scrollIntoView({ block: 'center' });
    this.make();
  }

  protected make(): void {
    const wish = { trigger: this.trigger(), fromMin: this.fromMin(), sameKit: this.sameKit() };
    const { curriculum, ...task } = planBTask(this.body(), wish, this.day());
    this.work?.unsubscribe();
    this.running.set(true);
    this.told.set(null);
    let found: PlanBody | null = null;
    this.work = this.runner
      .run({
        curriculum: sentCurriculum(curriculum),
        task,
        before: [],
        seed: 'plan-b',
        tries: TRIES,
      })
      .subscribe({
        next: (news) => {
          if (news.kind === 'plan') found = news.plan;
          if (news.kind === 'none') {
            const why = news.whyNot && whyNotText(news.whyNot);
            this.told.set(
              why ? `${why.title} ${why.reason}` : 'Nothing was found that could be done instead.',
            );
          }
        },
        error: () => {
          this.running.set(false);
          this.told.set('It could not be made. Ask once more.');
        },
        complete: () => {
          this.running.set(false);
          if (!found) return;
          this.asking.set(false);
          this.changed.emit(planBOf(wish, found));
        },
      });
  }

  private clock(min: number): string {
    const startMs = this.startMs();
    if (startMs !== null) return timeText(startMs + min * MINUTE_MS, this.zone());
    return `${Math.floor(min / 60)}:${String(min % 60).padStart(2, '0')}`;
  }
}
