import { Component, computed, inject, input, output, signal } from '@angular/core';
import { A11yModule } from '@angular/cdk/a11y';
import type { ReplanReason } from '@doceo/core';
import { listed, replanCostText, replanHeading, whyNotText } from '@doceo/texts';
import { callNames, timeText } from '../../data/lesson/lesson-texts';
import { BankSession } from '../bank-session';
import { DayReplan } from './day-replan';
import { COLUMN_PX, PLANNED_X, PROPOSED_X, replanPicture } from './replan-picture';

/** By so much is *late* set sooner or later, minutes. */
const LATE_STEP_MIN = 5;

/** The rest of the day as it was planned and as it is proposed, to be taken with one tap. */
@Component({
  selector: 'doceo-replan-sheet',
  imports: [A11yModule],
  templateUrl: './replan-sheet.component.html',
  styleUrl: './replan-sheet.component.css',
  host: {
    role: 'dialog',
    'aria-modal': 'true',
    '[attr.aria-label]': 'heading().title',
    '(keydown.escape)': 'left()',
  },
})
export class ReplanSheetComponent {
  protected readonly replan = inject(DayReplan);
  private readonly book = inject(BankSession);
  readonly startMs = input.required<number>();
  readonly zone = input.required<string>();
  readonly closed = output<void>();
  /** It was taken: told with how it is undone. */
  readonly taken = output<ReplanReason>();

  /** Whether another drill is being chosen to be dropped. */
  protected readonly dropping = signal(false);
  /** Whose day is shown, by his place in the group. */
  protected readonly lane = signal(0);
  protected readonly columns = { planned: PLANNED_X, proposed: PROPOSED_X, width: COLUMN_PX };

  private readonly called = computed(() => callNames(this.book.group.students()));
  protected readonly students = computed(() => [...this.called().values()]);
  private readonly missing = computed(() => {
    const ids = this.replan.asked()?.studentIds ?? [];
    return [...this.called()].flatMap(([id, name]) => (ids.includes(id) ? name : []));
  });
  protected readonly heading = computed(() => {
    const asked = this.replan.asked();
    const body = this.replan.before();
    if (!asked || !body) return { title: '', then: '', care: '' };
    return replanHeading(asked.why, {
      lateMin: asked.lateMin,
      end: this.clock(body.lengthMin),
      names: listed(this.missing()),
    });
  });
  protected readonly picture = computed(() => {
    const [before, after] = [this.replan.before(), this.replan.after()];
    return before && after
      ? replanPicture(this.book.curriculum(), before, after, {
          lane: this.lane(),
          fromMin: this.replan.fromMin(),
        })
      : null;
  });
  /** Whether not all do the same in the rest: then each day can be looked at. */
  protected readonly parted = computed(
    () =>
      this.replan
        .after()
        ?.blocks.some(({ lane, startMin }) => lane !== null && startMin >= this.replan.fromMin()) ?? false,
  );
  protected readonly costs = computed(() => {
    const names = this.students();
    const { drills } = this.book.curriculum();
    return this.replan.costs().map((cost) =>
      replanCostText(cost, {
        names: cost.lanes.flatMap((lane) => names[lane] ?? []),
        everybody: cost.lanes.length >= names.length,
        drill: drills.get(cost.drillId).name,
      }),
    );
  });
  protected readonly none = computed(() => {
    const why = this.replan.none();
    return why ? whyNotText(why) : null;
  });
  /** What could be dropped instead. */
  protected readonly droppable = computed(() => {
    const after = this.replan.after();
    if (!after) return [];
    const ids = new Set(
      after.blocks.flatMap(({ drillId, kind, startMin }) =>
        drillId !== null && kind !== 'safety' && startMin >= this.replan.fromMin() ? drillId : [],
      ),
    );
    return [...ids].map((id) => ({ id, name: this.book.curriculum().drills.get(id).name }));
  });
  protected readonly isLate = computed(() => this.replan.asked()?.why === 'late');

  protected later(by: 1 | -1): void {
    const late = this.replan.asked()?.lateMin ?? 0;
    this.replan.change({ lateMin: Math.max(LATE_STEP_MIN, Math.min(240, late + by * LATE_STEP_MIN)) });
  }

  protected drop(drillId: string): void {
    this.dropping.set(false);
    this.replan.change({ dropIds: [drillId] });
  }

  protected take(): void {
    const why = this.replan.asked()?.why;
    if (!why) return;
    void this.replan.take().then(() => {
      this.taken.emit(why);
      this.closed.emit();
    });
  }

  protected left(): void {
    this.replan.leave();
    this.closed.emit();
  }

  protected clock(minutes: number): string {
    return timeText(this.startMs() + minutes * 60_000, this.zone());
  }
}
