import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { ageOn } from '@doceo/contract';
import {
  attemptsOf,
  type BankEvent,
  debrief,
  drilledAttempts,
  evidenceOf,
  flyFirst,
  faultRates,
  groundOf,
  MIN_TREND,
  type GroundKind,
  mainSkillOf,
  movedFaults,
  skillStage,
  type SkillState,
  skillState,
  activeEvents,
  weighFaults,
  whatNext,
} from '@doceo/core';
import { STAGES, whatNextText } from '@doceo/texts';
import { DateTime } from 'luxon';
import { DayStore } from '../../data/lesson/day-store';
import { FitStore } from '../../data/records/fit-store';
import { aboutStudent, firstName } from '../../data/lesson/lesson-texts';
import { CHART } from '../../theme/chart-theme';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { type NextDrill, NextDrillsComponent } from './next-drills.component';
import { ParetoComponent } from '../charts/pareto.component';
import { FaultCourseComponent } from '../charts/fault-course.component';
import { MovedFaultsComponent } from '../charts/moved-faults.component';
import { type Moment, SeasonSliderComponent } from '../charts/season-slider.component';
import { SkillPanelComponent } from './skill-panel.component';
import { EvidenceComponent } from './evidence.component';
import { CardSentenceComponent } from '../../shared/lesson/card-sentence.component';
import { SkillMapComponent } from '../charts/skill-map.component';
import { HomeWaitingComponent } from './home-waiting.component';
import { StudentAccessComponent } from './student-access.component';
import { StudentConsentComponent } from './student-consent.component';
import { StudentPrivacyComponent } from './student-privacy.component';
import { StudentDialogComponent } from '../list/student-dialog.component';
import { NoSuchComponent } from '../../shared/no-such.component';
import { recordOf } from '../../data/records/record-of';
import { TeachingStore } from '../../data/teaching/teaching-store';

/** What is known of a skill that nobody saw. */
const UNSEEN = { attempts: 0, mastery: 0 };
/** Changes named below the map. */
const MAX_CHANGES = 5;
/** Changes of fly before a habit is named. */
const MIN_CHANGES = 3;
const MAX_TRENDS = 3;

/** One student's record: what flows and what holds it back, what goes wrong, the evidence, what to teach next. */
@Component({
  selector: 'doceo-record-page',
  imports: [
    FetchingComponent,
    CardSentenceComponent,
    EvidenceComponent,
    FaultCourseComponent,
    HomeWaitingComponent,
    LoadFailedComponent,
    MovedFaultsComponent,
    NextDrillsComponent,
    NoSuchComponent,
    ParetoComponent,
    RouterLink,
    SeasonSliderComponent,
    SkillMapComponent,
    SkillPanelComponent,
    StudentDialogComponent,
    StudentAccessComponent,
    StudentConsentComponent,
    StudentPrivacyComponent,
  ],
  templateUrl: './record.page.html',
  styleUrl: './record.page.css',
})
export class RecordPage {
  private readonly teaching = inject(TeachingStore);
  private readonly router = inject(Router);
  private readonly fits = inject(FitStore);
  protected readonly day = inject(DayStore);
  readonly id = input.required<string>();

  private readonly record = recordOf(this.id);
  private readonly events = this.record.value;
  protected readonly failed = this.record.failed;
  protected readonly chosen = signal<string | null>(null);
  protected readonly minutes = signal(15);
  protected readonly ground = signal<'grass' | 'water'>('grass');
  protected readonly editing = signal(false);
  /** Where the slider stands among the moments; null for today. */
  protected readonly moment = signal<number | null>(null);
  protected readonly nowMs = Date.now();

  protected readonly loaded = computed(() => this.events() !== null);
  protected readonly student = computed(() => this.day.students().find(({ id }) => id === this.id()) ?? null);
  protected readonly about = computed(() => {
    const student = this.student()?.student;
    if (!student) return '';
    const age = ageOn(student.bornOn, new Date(this.nowMs).toISOString().slice(0, 10));
    return [age === null ? '' : `${age}`, aboutStudent(student)].filter(Boolean).join(', ');
  });
  protected readonly ownEvents = computed(() => this.events() ?? []);
  protected readonly attempts = computed(() => attemptsOf(this.events() ?? [], this.id()));
  /** Attempts, and what other entries say of skills. */
  private readonly evidence = computed(() => evidenceOf(this.events() ?? [], this.id()));
  /** The end of every lesson with something on the record, and today. */
  protected readonly moments = computed<Moment[]>(() => {
    const ends = new Map<string, number>();
    for (const { lessonId, atMs } of activeEvents(this.events() ?? []))
      ends.set(lessonId, Math.max(atMs, ends.get(lessonId) ?? 0));
    const lessons = [...ends.values()].sort((a, b) => a - b);
    return [
      ...lessons.map((atMs) => ({ atMs, name: DateTime.fromMillis(atMs).toFormat('d LLL yyyy') })),
      { atMs: this.nowMs, name: 'Today' },
    ];
  });
  protected readonly at = computed(() => this.moment() ?? this.moments().length - 1);
  /** The moment compared with: the lesson before the one looked at, or before the last one. */
  private readonly earlier = computed<Moment | null>(() => {
    const moments = this.moments();
    const lesson = Math.min(this.at(), moments.length - 2);
    return moments[lesson - 1] ?? null;
  });
  protected readonly state = computed(() => this.stateAt(this.moments()[this.at()]?.atMs ?? this.nowMs));
  protected readonly then = computed(() => {
    const earlier = this.earlier();
    return earlier ? this.stateAt(earlier.atMs) : null;
  });
  protected readonly comparedWith = computed(() => `Since ${this.earlier()?.name ?? ''}:`);
  /** Skills of which another word is true now. */
  protected readonly changes = computed(() => {
    const [now, then] = [this.state(), this.then()];
    if (!then) return [];
    return this.teaching
      .curriculum()
      .skills.all.flatMap(({ id, name }) => {
        const [stage, was] = [skillStage(now[id] ?? UNSEEN), skillStage(then[id] ?? UNSEEN)];
        return stage === was ? [] : [{ name, word: STAGES[stage], lost: was === 'has-it' }];
      })
      .slice(0, MAX_CHANGES);
  });
  protected readonly stages = computed(() =>
    (['has-it', 'learning', 'not-seen'] as const).map((stage) => ({
      stage,
      word: STAGES[stage],
      count: this.teaching
        .curriculum()
        .skills.all.filter(({ id }) => skillStage(this.state()[id] ?? UNSEEN) === stage).length,
    })),
  );
  protected readonly moved = computed(() =>
    movedFaults(this.teaching.curriculum(), this.events() ?? [], this.id()),
  );
  protected readonly lessonsSeen = computed(
    () => new Set((this.events() ?? []).map(({ lessonId }) => lessonId)).size,
  );
  protected readonly seenText = computed(() => {
    const fish = activeEvents(this.events() ?? []).filter(
      ({ body }) => body.kind === 'fish' && body.outcome === 'to-hand',
    ).length;
    const [lessons, attempts] = [this.lessonsSeen(), this.attempts().length];
    return [
      `${lessons} ${lessons === 1 ? 'lesson' : 'lessons'}`,
      `${attempts} ${attempts === 1 ? 'attempt' : 'attempts'}`,
      ...(fish > 0 ? [`${fish} fish to hand`] : []),
    ].join(', ');
  });
  /** The latest lesson with something on the record: its card is the one to write on. */
  protected readonly lastLesson = computed(() => activeEvents(this.events() ?? []).at(-1)?.lessonId ?? null);
  protected readonly sentence = computed(() => {
    const lesson = this.lastLesson();
    return lesson
      ? debrief(this.teaching.curriculum(), this.events() ?? [], this.id(), lesson).sentence
      : null;
  });
  /** The skill looked at: the one chosen, else the one that holds back most. */
  protected readonly skill = computed(() => {
    const chosen = this.chosen();
    const { skills } = this.teaching.curriculum();
    const advised = this.advice()[0]?.drill;
    const wanted = chosen ?? (advised ? mainSkillOf(advised) : '');
    return skills.has(wanted) || !skills.all[0] ? skills.get(wanted) : skills.all[0];
  });
  protected readonly estimate = computed(() => this.state()[this.skill().id]);
  protected readonly ofSkill = computed(() =>
    this.evidence().filter(({ skillId }) => skillId === this.skill().id),
  );
  protected readonly color = computed(() => CHART.strands[this.skill().strand]);
  protected readonly rates = computed(() => {
    const chosen = this.chosen();
    const own = drilledAttempts(this.events() ?? [], this.id()).filter(
      ({ skillId }) => chosen === null || skillId === chosen,
    );
    return { own, attempts: own.length, rates: faultRates(own) };
  });
  protected readonly trends = computed(() => {
    const { attempts, rates } = this.rates();
    if (attempts < MIN_TREND) return `A trend is told from ${MIN_TREND} attempts on.`;
    const clear = rates
      .filter(({ trend }) => trend !== 'unclear')
      .slice(0, MAX_TRENDS)
      .map(({ faultId, trend }) => `${this.teaching.curriculum().faults.get(faultId).short} is ${trend}`);
    return clear.length > 0 ? `${clear.join('; ')}, later half against earlier.` : 'No trend is clear yet.';
  });
  /** A habit that the order of changes tells. */
  protected readonly habit = computed(() => {
    const { first, of } = flyFirst(this.events() ?? [], this.id());
    return of >= MIN_CHANGES && first / of >= 0.5
      ? `Changes the fly first: ${first} of ${of} times, before depth and drift were tried.`
      : '';
  });
  protected readonly grounds = computed<GroundKind[]>(() => {
    if (this.ground() === 'grass') return ['grass'];
    const water = this.day.water()?.water;
    return [
      ...new Set([
        'grass' as GroundKind,
        ...(water?.places.map(({ kind }) => groundOf(kind)) ?? ['river' as GroundKind]),
      ]),
    ];
  });
  private readonly weighed = computed(() =>
    weighFaults(this.teaching.curriculum(), drilledAttempts(this.events() ?? [], this.id())),
  );
  protected readonly advice = computed(() =>
    this.loaded()
      ? whatNext(this.teaching.curriculum(), this.state(), this.grounds(), this.minutes(), {
          faults: this.weighed(),
        }).slice(0, 4)
      : [],
  );
  protected readonly next = computed<NextDrill[]>(() =>
    this.advice().map((advice) => ({ drill: advice.drill, gain: advice.gain, why: whatNextText(advice) })),
  );
  constructor() {
    effect(() => {
      this.id();
      untracked(() => {
        this.chosen.set(null);
        this.moment.set(null);
      });
    });
  }

  protected choose(skillId: string): void {
    this.chosen.update((now) => (now === skillId ? null : skillId));
  }

  /** What was corrected or said here just now. */
  protected add(events: BankEvent[]): void {
    this.record.update((list) => [...list, ...events]);
  }

  protected first(name: string): string {
    return firstName(name);
  }

  protected again(): void {
    this.record.again();
  }

  /** What may be recorded is another now, here and under Teach. */
  protected consentChanged(): void {
    this.day.load().subscribe();
  }

  protected gone(): void {
    void this.router.navigate(['/record']);
  }

  private stateAt(atMs: number): SkillState {
    return skillState(
      this.teaching.curriculum().skills.all,
      this.evidence().filter((one) => one.atMs <= atMs),
      atMs,
      this.fits.fitted(),
    );
  }
}
