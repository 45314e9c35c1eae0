import { Component, computed, inject, signal } from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { Router, RouterLink } from '@angular/router';
import { narrowWindow } from '../parts/narrow';
import { curriculumOf, type PlanChange, planProblems, strandOf } from '@doceo/core';
import { planProblemInWords } from '@doceo/texts';
import { BankStore } from '../data/lesson/bank-store';
import { DayStore } from '../data/lesson/day-store';
import { SessionStore } from '../data/session';
import {
  aboutStudent,
  clockText,
  dayText,
  callNames,
  firstName,
  initials,
  spanText,
  timeText,
  untilText,
  withText,
} from '../data/lesson/lesson-texts';
import { readOnText } from '../parts/dates';
import { LoadFailedComponent } from '../shared/load-failed.component';
import { SetAsideComponent } from '../shared/lesson/set-aside.component';
import { RuleCardDialogComponent } from '../shared/lesson/rule-card-dialog.component';
import { StrandTexturesComponent } from '../drawing/strand-textures.component';
import { ProblemListComponent } from '../parts/problem-list.component';
import { UserStorage } from '../data/device/user-storage';
import { BankReadyComponent } from './bank-ready.component';
import { FirstLessonComponent } from './first-lesson.component';
import { isOnTheWay } from './is-on-the-way';
import { PartFailedComponent } from '../shared/part-failed.component';
import { taughtIn } from '../data/lesson/taught';
import { TeachingStore } from '../data/teaching/teaching-store';

const MS_PER_MIN = 60_000;
/** Half the width of a label below the day, in its 1000: letters are larger there on a phone. */
const HALF_LABEL = 62;
const HALF_LABEL_PHONE = 140;
/** What can be tried by somebody who has entered nothing. */
const BENCHES = [
  { path: '/rig', name: 'Rig', what: 'Tie a leader to scale: what it holds, carries and turns over.' },
  { path: '/cast', name: 'Cast', what: 'See what a stroke does to the loop, and tap the pause.' },
  { path: '/drift', name: 'Drift', what: 'See when a fly begins to drag, and what would drift longer.' },
  { path: '/strike', name: 'Strike', what: 'Practise seeing the take, timed.' },
  { path: '/rig/knots', name: 'Knots', what: 'Each step drawn, and what the knot holds.' },
] as const;
/** What is mended in the plan itself. */
interface Fix {
  label: string;
  change: PlanChange | null;
}
const IN_THE_PLAN: Fix = { label: 'Open the plan', change: null };

/** The next lesson at a glance: light, blocks, students, what must be cleared first. */
@Component({
  selector: 'doceo-today-page',
  imports: [
    NgTemplateOutlet,
    LoadFailedComponent,
    RouterLink,
    SetAsideComponent,
    StrandTexturesComponent,
    ProblemListComponent,
    RuleCardDialogComponent,
    BankReadyComponent,
    FirstLessonComponent,
    PartFailedComponent,
  ],
  templateUrl: './today.page.html',
  styleUrl: './today.page.css',
})
export class TodayPage {
  private readonly teaching = inject(TeachingStore);
  /** Where all stands in one column, what is to clear stands before the rest of the day. */
  protected readonly narrow = narrowWindow(900);
  private readonly router = inject(Router);
  private readonly session = inject(SessionStore);
  protected readonly day = inject(DayStore);
  protected readonly bank = inject(BankStore);
  protected readonly hidden = inject(UserStorage).value('guide.hidden', false);
  protected readonly guided = computed(() => !this.hidden() && isOnTheWay(this.day, this.bank));
  private readonly taught = taughtIn(() => this.lesson());
  protected readonly plan = computed(() => this.taught.value()?.plan ?? null);
  protected readonly failed = this.taught.failed;
  protected readonly card = signal(false);
  private readonly events = computed(() => this.taught.value()?.events ?? []);

  protected readonly withText = withText;
  protected readonly benches = BENCHES;
  protected readonly lesson = this.day.nextLesson;
  protected readonly water = computed(() => this.day.waterOf(this.lesson()));
  protected readonly readOn = computed(() => readOnText(this.water()?.water.rules.checkedOn));
  protected readonly zone = computed(() => this.water()?.water.timeZone ?? 'UTC');
  protected readonly students = computed(() => {
    const group = this.day.studentsOf(this.lesson());
    const names = callNames(group);
    return group.map(({ id, student }) => ({
      id,
      name: student.name,
      first: names.get(id) ?? '',
      initials: initials(student.name),
      note: [aboutStudent(student), this.withWhom(id)].filter(Boolean).join(', '),
    }));
  });
  protected readonly problems = computed(() => {
    const lesson = this.lesson();
    const plan = this.plan();
    if (!lesson || plan?.lessonId !== lesson.id) return [];
    return planProblems(
      this.teaching.curriculum(),
      plan.body,
      this.day.planLessonOf(lesson, this.events()),
    ).map((problem) => planProblemInWords(problem, this.session.units()));
  });
  /** Whether what stands above the rest is there: in one column nothing below it is shown before, and nothing moves. */
  protected readonly standing = computed(() => {
    if (!this.narrow()) return true;
    return this.lesson() ? this.plan() !== null || this.failed() !== null : this.day.loaded();
  });
  protected readonly stops = computed(() =>
    this.problems()
      .filter(({ level }) => level === 'must-fix')
      .map((problem) => ({
        ...problem,
        fixes: this.fixesHere(problem.fixes),
      })),
  );
  protected readonly hasUnmended = computed(() => this.stops().some(({ fixes }) => fixes.length === 0));
  protected readonly others = computed(() => this.problems().length - this.stops().length);
  protected readonly later = computed(() =>
    this.day
      .lessons()
      .filter((lesson) => Date.parse(lesson.startsAt) > Date.parse(this.lesson()?.startsAt ?? '9999'))
      .slice(0, 4),
  );
  protected readonly past = computed(() =>
    this.day
      .lessons()
      .filter((lesson) => Date.parse(lesson.startsAt) + lesson.lengthMin * MS_PER_MIN <= this.day.now())
      .slice(-3)
      .reverse(),
  );
  protected readonly clock = computed(() => clockText(this.bank.clockAheadMs()));
  protected readonly countdown = computed(() => {
    const lesson = this.lesson();
    return lesson ? untilText(Date.parse(lesson.startsAt), this.day.now(), this.zone()) : '';
  });

  /** The day from two hours before first light to two hours after last, as shares of the drawing. */
  protected readonly picture = computed(() => {
    const lesson = this.lesson();
    const sun = this.day.sunOf(lesson);
    const plan = this.plan();
    if (!lesson || !sun || plan?.lessonId !== lesson.id) return null;
    const startMs = Date.parse(lesson.startsAt);
    const endMs = startMs + lesson.lengthMin * MS_PER_MIN;
    const rise = sun.sunriseMs ?? startMs - 6 * 3_600_000;
    const set = sun.sunsetMs ?? startMs + 12 * 3_600_000;
    const from = Math.min(sun.dawnMs ?? rise, startMs) - 1800_000;
    const to = Math.max(sun.duskMs ?? set, endMs) + 1800_000;
    const x = (ms: number): number => ((ms - from) / (to - from)) * 1000;
    const lanes = Math.max(1, plan.body.groupSize);
    return {
      rise: { x: x(rise), text: timeText(sun.sunriseMs, this.zone()) },
      set: { x: x(set), text: timeText(sun.sunsetMs, this.zone()) },
      dawn: x(sun.dawnMs ?? rise),
      dusk: x(sun.duskMs ?? set),
      lanes,
      start: { text: timeText(startMs, this.zone()) },
      end: { text: timeText(endMs, this.zone()) },
      hours: hourLabels(
        { x: x(startMs), text: timeText(startMs, this.zone()) },
        { x: x(endMs), text: timeText(endMs, this.zone()) },
        this.narrow() ? HALF_LABEL_PHONE : HALF_LABEL,
      ),
      blocks: plan.body.blocks.map((block) => ({
        id: block.id,
        title: block.title,
        x: x(startMs + block.startMin * MS_PER_MIN),
        width:
          x(startMs + (block.startMin + block.durationMin) * MS_PER_MIN) -
          x(startMs + block.startMin * MS_PER_MIN),
        y: ((block.lane ?? 0) / lanes) * 96,
        height: (block.lane === null ? 96 : 96 / lanes) - 1,
        strand: strandOf(curriculumOf(this.teaching.curriculum(), plan.body), block) ?? 'rest',
      })),
      arc: arcPath(x(rise), x(set)),
    };
  });

  /** Goes to where a problem is mended; what is mended by another plan is mended there. */
  protected mend({ problemId, index }: { problemId: string; index: number }): void {
    const change = this.stops().find(({ id }) => id === problemId)?.fixes[index]?.change;
    if (change?.kind === 'open' && change.what === 'rule-card') return this.card.set(true);
    const lesson = this.lesson();
    if (lesson) this.day.choose(lesson.id);
    void this.router.navigate(
      change?.kind === 'open' && change.what === 'student'
        ? ['/record', change.id]
        : ['/plan', lesson?.planId ?? ''],
    );
  }

  /** Who else has a student in a lesson that several teach. */
  private withWhom(studentId: string): string {
    const by = this.lesson()?.instructors.find(({ studentIds }) => studentIds.includes(studentId));
    return by && by.userId !== this.session.user()?.id ? `with ${firstName(by.name)}` : '';
  }

  /** What is mended from here: what opens, else in the plan; of a fellow's lesson the rule card, where one may read it. */
  private fixesHere(fixes: readonly Fix[]): Fix[] {
    const opening = fixes.filter(({ change }) => change?.kind === 'open');
    if (this.lesson()?.mine) return opening.length > 0 ? opening : [IN_THE_PLAN];
    return opening.filter(
      ({ change }) => change?.kind === 'open' && change.what === 'rule-card' && this.water()?.editable,
    );
  }

  protected again(): void {
    this.taught.again();
  }

  protected whenOf(lesson: { startsAt: string; lengthMin: number; waterId: string }): string {
    const zone = this.day.waters().find(({ id }) => id === lesson.waterId)?.water.timeZone ?? 'UTC';
    return `${dayText(lesson.startsAt, zone)}, ${spanText(Date.parse(lesson.startsAt), lesson.lengthMin, zone)}`;
  }
}

/** The sun's way over the day, drawn as a low arc. */
function arcPath(rise: number, set: number): string {
  const height = 74;
  return `M${rise} 104 Q ${(rise + set) / 2} ${104 - 2 * height} ${set} 104`;
}

/** When a lesson begins and ends, below the day: within the drawing, and as one where two would lie on each other. */
function hourLabels(
  start: { x: number; text: string },
  end: { x: number; text: string },
  half: number,
): { x: number; text: string }[] {
  const within = (x: number): number => Math.min(1000 - half, Math.max(half, x));
  if (within(end.x) - within(start.x) < 2 * half)
    return [{ x: within((start.x + end.x) / 2), text: `${start.text}–${end.text}` }];
  return [
    { x: within(start.x), text: `starts ${start.text}` },
    { x: within(end.x), text: `ends ${end.text}` },
  ];
}
