import { Component, computed, inject, input } from '@angular/core';
import { READY, type Skill } from '@doceo/core';
import { callNames } from '../../data/lesson/lesson-texts';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { CourseView } from './course-view';

/** The height of a student's column, px. */
const HIGH = 26;

/** What a goal of a course rests on, and how far each of its students has it by now: what holds somebody back. */
@Component({
  selector: 'doceo-goal-needs',
  template: `
    @if (needs().length > 0) {
      <h3>It rests on</h3>
      <div class="row head small soft" aria-hidden="true">
        <span></span>
        @for (one of names(); track one.id) {
          <span class="student">{{ one.short }}</span>
        }
      </div>
      @for (need of needs(); track need.id) {
        <div class="row" role="img" [attr.aria-label]="need.told" [class]="'strand-' + need.strand">
          <span class="skill">{{ need.name }}</span>
          @for (one of need.students; track one.id) {
            <svg class="student" [class.lacks]="!one.ready" viewBox="0 0 18 26" [attr.height]="high">
              <title>{{ one.told }}</title>
              <rect class="ground" width="18" height="26" />
              <rect class="has" width="18" [attr.y]="high - one.high" [attr.height]="one.high" />
              <line x2="18" [attr.y1]="ready" [attr.y2]="ready" />
            </svg>
          }
        </div>
      }
      <p class="small soft">Column: now. Line: ready to build on. Pale: not ready yet.</p>
    }
  `,
  styles: `
    h3 {
      margin: 14px 0 4px;
    }
    .row {
      display: flex;
      flex-wrap: nowrap;
      align-items: center;
      gap: 6px;
      padding: 3px 0;
      border-bottom: 1px solid var(--line);
    }
    .head {
      border: 0;
      padding: 0;
    }
    .row > :first-child {
      flex: 1;
      min-width: 0;
    }
    .student {
      flex: none;
      width: 22px;
      text-align: center;
    }
    .ground {
      fill: var(--line);
      opacity: 0.6;
    }
    .has {
      fill: var(--strand);
    }
    .lacks .has {
      opacity: 0.45;
    }
    line {
      stroke: var(--ink);
      stroke-width: 1.5;
    }
  `,
})
export class GoalNeedsComponent {
  private readonly view = inject(CourseView);
  private readonly teaching = inject(TeachingStore);
  readonly goal = input.required<Skill>();
  protected readonly high = HIGH;
  protected readonly ready = HIGH * (1 - READY);

  protected readonly names = computed(() => {
    const names = callNames(this.view.students());
    return this.view.students().map(({ id }) => {
      const name = names.get(id) ?? '';
      return { id, name, short: name.slice(0, 2) };
    });
  });
  protected readonly needs = computed(() => {
    const { skills } = this.teaching.curriculum();
    const states = this.names().map((one) => ({
      ...one,
      state: this.view.records.stateOf(one.id, this.view.nowMs()),
    }));
    return this.goal().needs.flatMap((id) => {
      const skill = skills.find(id);
      if (!skill) return [];
      const students = states.map(({ id: studentId, name, state }) => {
        const mastery = state[id]?.mastery ?? 0;
        return {
          ...{ id: studentId, told: `${name} ${Math.round(mastery * 100)} %` },
          ...{ high: mastery * HIGH, ready: mastery >= READY },
        };
      });
      const told = `${skill.name}: ${students.map((one) => one.told).join(', ')}`;
      return [{ id, name: skill.name, strand: skill.strand, students, told }];
    });
  });
}
