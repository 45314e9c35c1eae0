import { Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import {
  drilledAttempts,
  drillEffects,
  type GroundKind,
  groundOf,
  groupReadiness,
  planEffects,
  type Readiness,
  type ReadinessCell,
  STRAND_NAMES,
  STRANDS,
  weighFaults,
  whatNextForGroup,
} from '@doceo/core';
import { STAGES } from '@doceo/texts';
import { DayStore } from '../../data/lesson/day-store';
import { FitStore } from '../../data/records/fit-store';
import { firstName, initials } from '../../data/lesson/lesson-texts';
import { RecordsStore } from '../../data/records/records-store';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { type EffectLine, EffectListComponent } from '../student/effect-list.component';
import { type NextDrill, NextDrillsComponent } from '../student/next-drills.component';
import { TeachingStore } from '../../data/teaching/teaching-store';

const WORDS: Record<Readiness, string> = { has: 'has it', ready: 'ready to learn it', lacks: 'lacks' };
const DRILLS_SHOWN = 6;

/** The group together: who is ready for what, what to teach all of them next, and how well drills and plans worked. */
@Component({
  selector: 'doceo-group-page',
  imports: [EffectListComponent, FormsModule, LoadFailedComponent, NextDrillsComponent, RouterLink],
  templateUrl: './group.page.html',
  styleUrl: './group.page.css',
})
export class GroupPage {
  private readonly teaching = inject(TeachingStore);
  private readonly fits = inject(FitStore);
  protected readonly day = inject(DayStore);
  protected readonly records = inject(RecordsStore);
  protected readonly whose = signal<'lesson' | 'all'>('lesson');
  protected readonly every = signal(false);
  protected readonly minutes = signal(15);
  protected readonly ground = signal<'grass' | 'water'>('grass');
  private readonly nowMs = Date.now();

  protected readonly students = computed(() => {
    const inLesson = this.day.studentsOf(this.day.lesson());
    return this.whose() === 'lesson' && inLesson.length > 0 ? inLesson : this.day.students();
  });
  protected readonly heads = computed(() =>
    this.students().map(({ id, student }) => ({
      id,
      name: student.name,
      first: firstName(student.name),
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
  private readonly effects = computed(() =>
    drillEffects(this.teaching.curriculum(), this.records.events(), this.everyId(), this.fits.fitted()),
  );
  /** Faults of each of the group, and how well drills worked for anybody. */
  private readonly besides = computed(() =>
    this.students().map(({ id }) => ({
      faults: weighFaults(this.teaching.curriculum(), drilledAttempts(this.records.events(), id)),
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
        why:
          gainers.length === this.students().length
            ? 'For every one of them.'
            : `For ${gainers.map((i) => this.heads()[i]?.first ?? '').join(', ')}.`,
      })),
  );
  private readonly everyId = computed(() => this.day.students().map(({ id }) => id));
  protected readonly drills = computed<EffectLine[]>(() =>
    this.effects().map(({ drillId, ...effect }) => {
      const { name, strand } = this.teaching.curriculum().drills.get(drillId);
      return { id: drillId, name, strand, ...effect };
    }),
  );
  protected readonly plans = computed<EffectLine[]>(() => {
    const lessons = this.day.lessons();
    // Lessons whose plan is gone are told under its title.
    const planOf = new Map(lessons.map(({ id, planId, planTitle }) => [id, planId ?? planTitle]));
    const titles = new Map(lessons.map(({ planId, planTitle }) => [planId ?? planTitle, planTitle]));
    const there = new Set(lessons.map(({ planId }) => planId));
    return planEffects(this.records.events(), this.everyId(), planOf, this.fits.fitted()).map(
      ({ planId, ...effect }) => ({
        id: planId,
        name: titles.get(planId) ?? '',
        strand: 'water' as const,
        ...(there.has(planId) ? { link: ['/plan', planId] } : {}),
        ...effect,
      }),
    );
  });

  constructor() {
    this.records.keepFresh();
  }

  protected words(name: string, skill: string, cell: ReadinessCell): string {
    const lacks = cell.readiness === 'lacks' ? ` ${cell.lacks.map(({ name: of }) => of).join(', ')}` : '';
    return `${name}, ${skill}: ${WORDS[cell.readiness]}${lacks}, ${cell.attempts > 0 ? `seen ${cell.attempts} times` : STAGES['not-seen']}`;
  }
}
