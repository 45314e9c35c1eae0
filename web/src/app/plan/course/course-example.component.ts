import { Component, computed, inject } from '@angular/core';
import { forecastSkill, type Skill, type Strand } from '@doceo/core';
import { DateTime } from 'luxon';
import { DayStore } from '../../data/lesson/day-store';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { OriginComponent } from '../../parts/origin.component';
import { CourseStreamsComponent, type GoalStream, type LessonMark } from './course-streams.component';

/** Goals of the example: of each strand a skill that is taught early, and how often it is tried in each lesson. */
const TRIED: readonly { strand: Strand; attempts: number }[] = [
  { strand: 'casting', attempts: 24 },
  { strand: 'hook-setting', attempts: 12 },
  { strand: 'water', attempts: 6 },
];
const LESSON_DAYS = [7, 21, 35];
const UNTIL_DAYS = 45;

/** What a course shows before there is one: what a typical beginner may be able to do after three lessons. */
@Component({
  selector: 'doceo-course-example',
  imports: [CourseStreamsComponent, OriginComponent],
  template: `
    <h2>What it shows</h2>
    <doceo-course-streams
      [streams]="streams()"
      [marks]="marks()"
      [fromMs]="fromMs()"
      [nowMs]="fromMs()"
      [untilMs]="untilMs()"
      [still]="true"
    />
    <p class="small soft">
      <doceo-origin of="typical" /> A beginner of whom nobody has seen anything, three lessons,
      {{ tried }} tries at each goal in every one. As wide as what is mastered. Pale: it may go so. Between
      the marks at the end it is enough. Yours is foretold by the record.
    </p>
  `,
  styles: `
    h2 {
      margin: 12px 0 0;
    }
  `,
})
export class CourseExampleComponent {
  private readonly teaching = inject(TeachingStore);
  private readonly day = inject(DayStore);
  protected readonly tried = TRIED.map(({ attempts }) => attempts).join(', ');
  protected readonly fromMs = computed(() => this.day.now());
  protected readonly untilMs = computed(() => this.after(UNTIL_DAYS));
  protected readonly marks = computed<LessonMark[]>(() =>
    LESSON_DAYS.map((days) => {
      const atMs = this.after(days);
      return {
        ...{ id: String(days), atMs, over: false },
        day: DateTime.fromMillis(atMs).toFormat('ccc d LLL'),
      };
    }),
  );
  protected readonly streams = computed<GoalStream[]>(() =>
    TRIED.flatMap(({ strand, attempts }) => {
      const skill = this.teaching.curriculum().skills.all.find((one) => one.strand === strand);
      return skill ? [this.streamOf(skill, attempts)] : [];
    }),
  );

  private streamOf({ id, name, strand, forgetDays }: Skill, attempts: number): GoalStream {
    const lessons = LESSON_DAYS.map((days) => ({
      atMs: this.after(days),
      bouts: [{ attempts, main: true }],
    }));
    const { now, chance, course } = forecastSkill([], this.fromMs(), lessons, this.untilMs(), {
      forgetDays,
      seed: id,
    });
    const end = `${Math.round(chance * 100)} %`;
    return {
      ...{ skillId: id, name, strand, end, before: null },
      told: `${name}: ${end} for a typical beginner`,
      points: [{ atMs: this.fromMs(), mean: now, low: now, high: now }, ...course],
    };
  }

  private after(days: number): number {
    return DateTime.fromMillis(this.fromMs()).plus({ days }).toMillis();
  }
}
