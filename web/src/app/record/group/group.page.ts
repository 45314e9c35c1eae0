import { Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { api } from '@doceo/contract';
import {
  drilledAttempts,
  type GroundKind,
  groundOf,
  groupReadiness,
  type Readiness,
  type ReadinessCell,
  STRANDS,
  weighFaults,
  whatNextForGroup,
} from '@doceo/core';
import { STAGES, STRAND_NAMES } from '@doceo/texts';
import { of } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { DayStore } from '../../data/lesson/day-store';
import { callNames, initials } from '../../data/lesson/lesson-texts';
import { groupRecords } from '../../data/records/group-records';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { type EffectLine, EffectListComponent } from '../student/effect-list.component';
import { type NextDrill, NextDrillsComponent } from '../student/next-drills.component';
import { TeachingStore } from '../../data/teaching/teaching-store';

const WORDS: Record<Readiness, string> = { has: 'has it', ready: 'ready to learn it', lacks: 'lacks' };
const DRILLS_SHOWN = 6;
/** Students that one table can be read of. */
const MAX_IN_TABLE = 30;
/** Of more than these it is said how many they are. */
const MAX_NAMED = 8;

/** The group together: who is ready for what, what to teach all of them next, and how well drills and plans worked. */
@Component({
  selector: 'doceo-group-page',
  imports: [
    FetchingComponent,
    EffectListComponent,
    FormsModule,
    LoadFailedComponent,
    NextDrillsComponent,
    RouterLink,
  ],
  templateUrl: './group.page.html',
  styleUrl: './group.page.css',
})
export class GroupPage {
  private readonly client = inject(ApiClient);
  private readonly teaching = inject(TeachingStore);
  protected readonly day = inject(DayStore);
  protected readonly whose = signal<'lesson' | 'all'>('lesson');
  protected readonly every = signal(false);
  protected readonly minutes = signal(15);
  protected readonly ground = signal<'grass' | 'water'>('grass');
  private readonly nowMs = Date.now();

  /** Too many for one table. */
  protected readonly isLarge = computed(() => this.day.students().length > MAX_IN_TABLE);
  private readonly progress = fetched(
    () => this.isLarge() && this.whose() === 'all',
    (large) => (large ? this.client.call(api.records.progress) : of([])),
  );
  /** While it is not known yet who was seen last. */
  protected readonly isSorting = computed(
    () => this.isLarge() && this.whose() === 'all' && this.progress.value() === null,
  );
  private readonly seenLast = computed(() => {
    const lastMs = new Map(this.progress.value()?.map(({ id, lastAtMs }) => [id, lastAtMs ?? 0]) ?? []);
    return [...this.day.students()]
      .sort((a, b) => (lastMs.get(b.id) ?? 0) - (lastMs.get(a.id) ?? 0))
      .slice(0, this.progress.value() ? MAX_IN_TABLE : 0);
  });
  protected readonly students = computed(() => {
    const inLesson = this.day.studentsOf(this.day.lesson());
    if (this.whose() === 'lesson' && inLesson.length > 0) return inLesson;
    return this.isLarge() ? this.seenLast() : this.day.students();
  });
  protected readonly records = groupRecords(() => this.students().map(({ id }) => id));
  /** How well drills and plans worked with everybody. */
  protected readonly worked = fetched(
    () => this.day.students(),
    () => this.client.call(api.records.effects),
  );
  private readonly names = computed(() => callNames(this.students()));
  protected readonly heads = computed(() =>
    this.students().map(({ id, student }) => ({
      id,
      name: student.name,
      first: this.names().get(id) ?? '',
      initials: initials(student.name),
    })),
  );
  private readonly states = computed(() =>
    this.students().map(({ id }) => this.records.stateOf(id, this.nowMs)),
  );
  private readonly rows = computed(() => groupReadiness(this.teaching.curriculum(), this.states()));
  /** By strand; unless all are asked for, only skills that somebody could learn now. */
  protected readonly strands = computed(() =>
    STRANDS.map((strand) => ({
      strand,
      name: STRAND_NAMES[strand],
      rows: this.rows().filter(({ skill, ready }) => skill.strand === strand && (this.every() || ready > 0)),
    })).filter(({ rows }) => rows.length > 0),
  );
  private readonly grounds = computed<GroundKind[]>(() =>
    this.ground() === 'grass'
      ? ['grass']
      : [
          'grass',
          ...(this.day.water()?.water.places.map(({ kind }) => groundOf(kind)) ?? ['river' as const]),
        ],
  );
  private readonly effects = computed(() => this.worked.value()?.drills ?? []);
  /** Faults of each of the group, and how well drills worked for anybody. */
  private readonly besides = computed(() =>
    this.students().map(({ id }) => ({
      faults: weighFaults(this.teaching.curriculum(), drilledAttempts(this.records.of(id), id)),
      effects: this.effects(),
    })),
  );
  protected readonly advice = computed<NextDrill[]>(() =>
    whatNextForGroup(
      this.teaching.curriculum(),
      this.states(),
      this.grounds(),
      this.minutes(),
      this.besides(),
    )
      .slice(0, DRILLS_SHOWN)
      .map(({ drill, gain, gainers }) => ({
        drill,
        gain,
        why: this.whom(gainers),
      })),
  );
  protected readonly drills = computed<EffectLine[]>(() =>
    this.effects().map(({ drillId, ...effect }) => {
      const { name, strand } = this.teaching.curriculum().drills.get(drillId);
      return { id: drillId, name, strand, ...effect };
    }),
  );
  protected readonly plans = computed<EffectLine[]>(
    () =>
      this.worked.value()?.plans.map(({ planId, title, ...effect }) => ({
        ...{ id: planId ?? title, name: title, strand: 'water' as const },
        ...(planId === null ? {} : { link: ['/plan', planId] }),
        ...effect,
      })) ?? [],
  );

  protected readonly failed = computed(
    () => this.records.failed() ?? this.worked.failed() ?? this.progress.failed(),
  );

  private whom(gainers: readonly number[]): string {
    if (gainers.length === this.students().length) return 'For every one of them.';
    if (gainers.length > MAX_NAMED) return `For ${gainers.length} of ${this.students().length}.`;
    return `For ${gainers.map((i) => this.heads()[i]?.first ?? '').join(', ')}.`;
  }

  protected again(): void {
    for (const one of [this.records, this.worked, this.progress]) if (one.failed()) one.again();
  }

  protected words(name: string, skill: string, cell: ReadinessCell): string {
    const lacks = cell.readiness === 'lacks' ? ` ${cell.lacks.map(({ name: of }) => of).join(', ')}` : '';
    return `${name}, ${skill}: ${WORDS[cell.readiness]}${lacks}, ${cell.attempts > 0 ? `seen ${cell.attempts} times` : STAGES['not-seen']}`;
  }
}
