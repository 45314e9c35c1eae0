import { Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { ENOUGH, type GoalForecast, groundSuits, quickestDrill, type Skill } from '@doceo/core';
import { callNames } from '../../data/lesson/lesson-texts';
import { SessionStore } from '../../data/session';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { InUnitsPipe } from '../../parts/in-units.pipe';
import { CourseView } from './course-view';

/** A goal of a course for each of its students: where he is, where he will be, and from which lesson on it is enough. */
@Component({
  selector: 'doceo-goal-chances',
  imports: [InUnitsPipe, RouterLink],
  template: `
    <p>{{ goal().good | inUnits: units() }}</p>
    @for (row of rows(); track row.id) {
      <a class="who" [class]="'strand-' + goal().strand" [routerLink]="['/record', row.id]">
        <b>{{ row.name }}</b>
        <svg viewBox="0 0 100 22" preserveAspectRatio="none" aria-hidden="true">
          <rect class="ground" width="100" height="22" />
          <rect class="band" [attr.x]="row.low" [attr.width]="row.high - row.low" height="22" />
          <rect class="now" y="6" height="10" [attr.width]="row.now" />
          <line class="then" [attr.x1]="row.then" [attr.x2]="row.then" y2="22" />
          <line class="enough" [attr.x1]="enough" [attr.x2]="enough" y2="22" />
        </svg>
        <span class="figure">{{ row.chance }} %</span>
        <span class="small soft note">
          {{ row.note }}
          @if (row.wanting; as wanting) {
            <b>{{ wanting }}</b>
          }
        </span>
      </a>
    }
    <p class="small soft">
      Bar: now. Line: by {{ until() }}, with the reach of four courses of five behind it. Dark line: enough,
      80 %. Foretold by the record and what the plans give; it promises nothing.
    </p>
  `,
  styles: `
    .who {
      display: grid;
      grid-template-columns: 76px 1fr 48px;
      gap: 2px 8px;
      align-items: center;
      padding: 6px 0;
      min-height: 44px;
      border-bottom: 1px solid var(--line);
      color: inherit;
      text-decoration: none;
    }
    .who:hover b {
      text-decoration: underline;
    }
    .who b {
      overflow: hidden;
      text-overflow: ellipsis;
    }
    .note {
      grid-column: 2 / -1;
    }
    svg {
      width: 100%;
      height: 20px;
    }
    .note b {
      display: block;
      font-weight: 400;
      color: var(--ink);
    }
    .figure {
      text-align: right;
    }
    .ground {
      fill: var(--line);
      opacity: 0.5;
    }
    .band {
      fill: var(--strand);
      opacity: 0.25;
    }
    .now {
      fill: var(--strand);
    }
    .then {
      stroke: var(--strand);
      stroke-width: 3;
      vector-effect: non-scaling-stroke;
    }
    .enough {
      stroke: var(--ink);
      stroke-width: 2;
      vector-effect: non-scaling-stroke;
    }
  `,
})
export class GoalChancesComponent {
  private readonly view = inject(CourseView);
  private readonly teaching = inject(TeachingStore);
  protected readonly units = inject(SessionStore).units;
  readonly goal = input.required<Skill>();
  readonly goals = input.required<readonly GoalForecast[]>();
  readonly until = input.required<string>();
  protected readonly enough = ENOUGH * 100;
  protected readonly rows = computed(() => {
    const names = callNames(this.view.students());
    return this.view.forecastsOf(this.goals(), this.goal().id).map((one) => {
      const last = one.course.at(-1);
      return {
        ...{ id: one.studentId, name: names.get(one.studentId) ?? '', note: this.noteOf(one) },
        wanting: this.wantingOf(one),
        ...{ now: one.now * 100, then: one.chance * 100, chance: Math.round(one.chance * 100) },
        ...{ low: (last?.low ?? 0) * 100, high: (last?.high ?? 0) * 100 },
      };
    });
  });

  private noteOf({ now, chance, enoughAt }: GoalForecast): string {
    const lesson = enoughAt === null ? null : this.view.coming()[enoughAt];
    if (chance < ENOUGH)
      return lesson ? `enough after ${lesson.day}, and forgotten again` : 'not likely enough by then';
    if (now >= ENOUGH) return 'there already, and kept';
    return lesson ? `likely enough from ${lesson.day} on` : '';
  }

  /** What would make it likely enough, in attempts and in minutes of the drill that takes least of them. */
  private wantingOf({ wanting, studentId, skillId, chance }: GoalForecast): string | null {
    if (chance >= ENOUGH || this.view.coming().length === 0) return null;
    const lesson = wanting && this.view.coming()[wanting.lesson];
    if (!lesson)
      return this.view.coming().some(({ saved }) => saved.studentIds.includes(studentId))
        ? 'No number of tries in one lesson would do.'
        : 'In none of the lessons to come.';
    const { places } = lesson.water;
    const suits = this.teaching
      .curriculum()
      .drills.all.filter(({ ground }) => places.some(({ kind }) => groundSuits(ground, kind)));
    const found = quickestDrill(suits, skillId, wanting.attempts);
    const would = `${wanting.attempts} more tries on ${lesson.day} would do`;
    if (!found) return `${would}.`;
    const long = found.minutes > found.drill.minutes.max ? ', longer than it is good for in one piece' : '';
    return `${would}: ${found.drill.name}, ${found.minutes}\u00a0min more${long}.`;
  }
}
