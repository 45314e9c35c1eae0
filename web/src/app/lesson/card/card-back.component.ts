import { Component, computed, inject, input } from '@angular/core';
import type { SavedLesson } from '@doceo/contract';
import { curriculumOf, gearList, type PlanBody, textInUnits } from '@doceo/core';
import { planBWhen } from '@doceo/texts';
import { DayStore } from '../../data/lesson/day-store';
import { callNames, spanText, timeText } from '../../data/lesson/lesson-texts';
import { SessionStore } from '../../data/session';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { DriftFigureComponent } from '../../shared/drift/drift-figure.component';
import { driftText } from '../../shared/drift/drift-texts';
import { planBRows } from '../../shared/plan/plan-b-rows';
import { WaterSketchComponent } from './water-sketch.component';

/** The other side of a lesson's card: what is done if something comes, who stands where, what to show, what to pack. */
@Component({
  selector: 'doceo-card-back',
  imports: [DriftFigureComponent, WaterSketchComponent],
  templateUrl: './card-back.component.html',
  styleUrl: './card-back.component.css',
})
export class CardBackComponent {
  private readonly day = inject(DayStore);
  private readonly session = inject(SessionStore);
  private readonly teaching = inject(TeachingStore);
  readonly lesson = input.required<SavedLesson>();
  readonly plan = input.required<PlanBody>();
  protected readonly water = computed(() => this.day.waterOf(this.lesson()));
  private readonly zone = computed(() => this.water()?.water.timeZone ?? 'UTC');
  private readonly curriculum = computed(() => curriculumOf(this.teaching.curriculum(), this.plan()));
  /** What is done instead, when something comes. */
  protected readonly planB = computed(() => {
    const { planB } = this.plan();
    const startMs = Date.parse(this.lesson().startsAt);
    if (!planB) return null;
    const names = [...callNames(this.day.studentsOf(this.lesson())).values()];
    return {
      when: `from ${timeText(startMs + planB.fromMin * 60_000, this.zone())}, ${planBWhen(planB.trigger)}`,
      rows: planBRows(this.curriculum(), planB).map((row) => ({
        ...row,
        time: spanText(startMs + row.startMin * 60_000, row.durationMin, this.zone()),
        who: row.lanes.map((lane) => names[lane] ?? `student ${lane + 1}`).join(', ') || 'all',
      })),
    };
  });
  protected readonly drifts = computed(() => {
    const shown = new Set<string>();
    return this.plan().blocks.flatMap(({ id, title, drift }) => {
      const text = drift && driftText(drift, this.session.units());
      if (!text || shown.has(title + text)) return [];
      shown.add(title + text);
      return [{ id, title, drift, text }];
    });
  });
  protected readonly gear = computed(() =>
    gearList(this.teaching.curriculum(), this.plan()).map((one) => ({
      ...one,
      item: textInUnits(one.item, this.session.units()),
    })),
  );
}
