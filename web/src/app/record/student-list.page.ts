import { Component, computed, effect, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { ageOn, api, type SavedStudent } from '@doceo/contract';
import { attemptsOf, type BankEvent, READY, SKILLS, skillState, STRAND_NAMES, STRANDS } from '@doceo/core';
import { forkJoin } from 'rxjs';
import { ApiClient } from '../data/api-client';
import { DayStore } from '../data/day-store';
import { aboutStudent, initials } from '../data/lesson-texts';
import { StudentDialogComponent } from './student-dialog.component';

/** Students with the share of each strand they are ready in. */
@Component({
  selector: 'doceo-student-list',
  imports: [RouterLink, StudentDialogComponent],
  template: `
    <div class="bench-main page">
      <div class="row">
        <h1>Students</h1>
        <span class="spread"></span>
        <button type="button" class="btn go" (click)="adding.set(true)">New student</button>
      </div>
      @if (day.students().length === 0) {
        <div class="empty">
          <h3>No students yet</h3>
          <p>Add those you teach. Their record stays with you; it never travels with a plan.</p>
          <button type="button" class="btn go" (click)="adding.set(true)">Add the first</button>
        </div>
      }
      <ul>
        @for (card of cards(); track card.id) {
          <li>
            <a [routerLink]="['/record', card.id]">
              <b class="initials">{{ card.initials }}</b>
              <span class="who"
                ><b>{{ card.name }}</b
                ><span class="soft">{{ card.about }}</span></span
              >
              <span class="bars">
                @for (bar of card.bars; track bar.strand) {
                  <span class="bar" [class]="'strand-' + bar.strand"
                    ><i class="strand-fill" [style.width.%]="bar.share * 100"></i
                    ><small
                      >{{ bar.name }} <span class="figure">{{ bar.ready }}/{{ bar.of }}</span></small
                    ></span
                  >
                }
              </span>
              <span class="soft small"
                ><span class="figure">{{ card.attempts }}</span> attempts</span
              >
            </a>
          </li>
        }
      </ul>
      @if (cards().length > 0) {
        <p class="small soft">Bars count skills at {{ ready }} or more.</p>
      }
    </div>
    @if (adding()) {
      <doceo-student-dialog (closed)="added($event)" />
    }
  `,
  styleUrl: './student-list.page.css',
})
export class StudentListPage {
  private readonly client = inject(ApiClient);
  private readonly router = inject(Router);
  protected readonly day = inject(DayStore);
  protected readonly adding = signal(false);
  protected readonly ready = READY;
  private readonly events = signal<Record<string, BankEvent[]>>({});
  protected readonly cards = computed(() => this.day.students().map((student) => this.toCard(student)));

  constructor() {
    effect(() => {
      const students = this.day.students();
      if (students.length === 0) return;
      forkJoin(
        Object.fromEntries(
          students.map(({ id }) => [id, this.client.call(api.events.list, { query: { studentId: id } })]),
        ),
      ).subscribe((events) => this.events.set(events));
    });
  }

  protected added(id: string | null): void {
    this.adding.set(false);
    if (id) void this.router.navigate(['/record', id]);
  }

  private toCard({ id, student }: SavedStudent) {
    const now = Date.now();
    const attempts = attemptsOf(this.events()[id] ?? [], id);
    const state = skillState(SKILLS, attempts, now);
    const age = ageOn(student.bornOn, new Date(now).toISOString().slice(0, 10));
    return {
      id,
      name: student.name,
      initials: initials(student.name),
      attempts: attempts.length,
      about: [age === null ? '' : `${age}`, aboutStudent(student)].filter(Boolean).join(', '),
      bars: STRANDS.slice(0, 4).map((strand) => {
        const skills = SKILLS.skills.filter((skill) => skill.strand === strand);
        const ready = skills.filter((skill) => (state[skill.id]?.mastery ?? 0) >= READY).length;
        return {
          strand,
          name: STRAND_NAMES[strand].toLowerCase(),
          ready,
          of: skills.length,
          share: ready / skills.length,
        };
      }),
    };
  }
}
