import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { ageOn, api } from '@doceo/contract';
import {
  applyEdit,
  attemptsOf,
  type BankEvent,
  blockFromDrill,
  emptyPlan,
  faultAttemptsOf,
  faultRates,
  findDrill,
  findFault,
  formatProbability,
  groundOf,
  type GroundKind,
  nextStart,
  PARAMETER_GRID,
  type PlanBody,
  SKILLS,
  skillState,
  standing,
  STRAND_NAMES,
  sureness,
  whatNext,
} from '@doceo/core';
import { DateTime } from 'luxon';
import { ApiClient } from '../data/api-client';
import type { ApiError } from '../data/api-error';
import { DayStore } from '../data/day-store';
import { aboutStudent, firstName } from '../data/lesson-texts';
import { eventText } from '../bank/event-text';
import { CHART } from '../theme/chart-theme';
import { ParetoComponent } from './pareto.component';
import { drawStreams } from './streams';
import { StudentDialogComponent } from './student-dialog.component';

const WIDTH = 870;
const ROW = 112;
const PAGE = 12;

/** One student's record: what flows and what holds it back, what goes wrong, the evidence, what to teach next. */
@Component({
  selector: 'doceo-record-page',
  imports: [FormsModule, RouterLink, ParetoComponent, StudentDialogComponent],
  templateUrl: './record.page.html',
  styleUrl: './record.page.css',
})
export class RecordPage {
  private readonly client = inject(ApiClient);
  private readonly router = inject(Router);
  protected readonly day = inject(DayStore);
  readonly id = input.required<string>();

  private readonly events = signal<BankEvent[] | null>(null);
  protected readonly failed = signal<ApiError | null>(null);
  protected readonly chosen = signal<string | null>(null);
  protected readonly minutes = signal(15);
  protected readonly ground = signal<'grass' | 'water'>('grass');
  protected readonly listed = signal(PAGE);
  protected readonly editing = signal(false);
  protected readonly size = { width: WIDTH, height: 66 + 4 * ROW + 72 };
  protected readonly nowMs = Date.now();
  protected readonly settingsTried = PARAMETER_GRID.length;

  protected readonly loaded = computed(() => this.events() !== null);
  protected readonly student = computed(() => this.day.students().find(({ id }) => id === this.id()) ?? null);
  protected readonly about = computed(() => {
    const student = this.student()?.student;
    if (!student) return '';
    const age = ageOn(student.bornOn, new Date(this.nowMs).toISOString().slice(0, 10));
    return [age === null ? '' : `${age}`, aboutStudent(student)].filter(Boolean).join(', ');
  });
  protected readonly attempts = computed(() => attemptsOf(this.events() ?? [], this.id()));
  protected readonly state = computed(() => skillState(SKILLS, this.attempts(), this.nowMs));
  protected readonly streams = computed(() => drawStreams(this.state(), WIDTH, ROW));
  protected readonly lessonsSeen = computed(
    () => new Set((this.events() ?? []).map(({ lessonId }) => lessonId)).size,
  );
  protected readonly fish = computed(
    () =>
      standing(this.events() ?? []).filter(({ body }) => body.kind === 'fish' && body.outcome === 'to-hand')
        .length,
  );
  /** The skill looked at: the one chosen, else the one that holds back most. */
  protected readonly skill = computed(() => {
    const chosen = this.chosen();
    return SKILLS.get(chosen ?? this.advice()[0]?.drill.skills[0] ?? 'casting.grip-stance');
  });
  protected readonly estimate = computed(() => this.state()[this.skill().id]);
  protected readonly sure = computed(() =>
    this.estimate()
      ? sureness(this.estimate() as NonNullable<ReturnType<typeof this.estimate>>)
      : 'not seen yet',
  );
  protected readonly opens = computed(() =>
    SKILLS.opens(this.skill().id)
      .map(({ name }) => name)
      .join(', '),
  );
  protected readonly rests = computed(() =>
    this.skill()
      .needs.map((need) => SKILLS.get(need).name)
      .join(', '),
  );
  protected readonly strandName = computed(() => STRAND_NAMES[this.skill().strand]);
  protected readonly color = computed(() => CHART.strands[this.skill().strand]);
  protected readonly rates = computed(() => {
    const own = faultAttemptsOf(this.events() ?? [], this.id(), this.chosen() ?? undefined);
    return { attempts: own.length, rates: faultRates(own) };
  });
  protected readonly trends = computed(() =>
    this.rates()
      .rates.filter(({ trend }) => trend !== 'unclear')
      .map(({ faultId, trend }) => `${findFault(faultId)?.short ?? faultId} is ${trend}`)
      .join('; '),
  );
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
  protected readonly advice = computed(() =>
    this.loaded() ? whatNext(this.state(), this.grounds(), this.minutes()).slice(0, 4) : [],
  );
  protected readonly evidence = computed(() => {
    const chosen = this.chosen();
    return standing(this.events() ?? [])
      .filter(({ body }) => !chosen || (body.kind === 'attempt' && body.skillId === chosen))
      .reverse()
      .map((event) => ({
        id: event.id,
        when: DateTime.fromMillis(event.atMs).toFormat('d LLL HH:mm'),
        what:
          event.body.kind === 'attempt'
            ? (findDrill(event.body.drillId ?? '')?.name ?? SKILLS.get(event.body.skillId).name)
            : event.body.kind,
        text: eventText(event.body),
        good: event.body.kind === 'attempt' ? event.body.good : null,
      }));
  });

  constructor() {
    effect(() => {
      const studentId = this.id();
      untracked(() => this.load(studentId));
    });
  }

  protected choose(skillId: string): void {
    this.chosen.update((now) => (now === skillId ? null : skillId));
    this.listed.set(PAGE);
  }

  protected more(): void {
    this.listed.update((n) => n + 40);
  }

  protected makeLesson(): void {
    const drills = ['hats-and-glasses', ...this.advice().map(({ drill }) => drill.id)];
    const body = drills.reduce<PlanBody>(
      (plan, drill) =>
        applyEdit(plan, { kind: 'add', block: blockFromDrill(drill, crypto.randomUUID(), nextStart(plan)) }),
      { ...emptyPlan(), groupSize: 1, lengthMin: 90, aim: '' },
    );
    const packed = applyEdit(body, { kind: 'fit' });
    this.client
      .call(api.plans.create, { body: { id: crypto.randomUUID(), title: 'What comes next', body: packed } })
      .subscribe(({ id }) => void this.router.navigate(['/plan', id]));
  }

  protected percent(value: number | undefined): string {
    return formatProbability(value ?? 0);
  }

  protected first(name: string): string {
    return firstName(name);
  }

  private load(studentId: string): void {
    this.events.set(null);
    this.chosen.set(null);
    this.client.call(api.events.list, { query: { studentId } }).subscribe({
      next: (events) => this.events.set(events),
      error: (error: ApiError) => this.failed.set(error),
    });
  }
}
