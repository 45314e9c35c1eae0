import { Component, computed, inject, input, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { api } from '@doceo/contract';
import { applyEdit, blockFromDrill, type Drill, emptyPlan, nextStart, type PlanBody } from '@doceo/core';
import { ApiClient } from '../../data/api/api-client';
import { DayStore } from '../../data/lesson/day-store';
import { TeachingStore } from '../../data/teaching/teaching-store';

export interface NextDrill {
  drill: Drill;
  gain: number;
  why: string;
}

/** Every lesson begins with it. */

/** Drills to teach next for the time and place at hand, each with its reason; a lesson can be made of them. */
@Component({
  selector: 'doceo-next-drills',
  imports: [FormsModule],
  template: `
    <h2>{{ title() }}</h2>
    <div class="row when-where">
      <label class="small"
        >for
        <input
          type="number"
          min="5"
          max="60"
          step="5"
          [ngModel]="minutes()"
          (ngModelChange)="minutes.set($event || 15)"
        />
        min</label
      >
      <div class="segments" role="group" aria-label="Place">
        <button type="button" [attr.aria-pressed]="ground() === 'grass'" (click)="ground.set('grass')">
          grass</button
        ><button type="button" [attr.aria-pressed]="ground() === 'water'" (click)="ground.set('water')">
          {{ water() }}
        </button>
      </div>
    </div>
    @for (line of lines(); track line.drill.id) {
      <article [class]="'strand-' + line.drill.strand">
        <b>{{ line.drill.name }}</b>
        <p>
          <span class="figure">{{ line.drill.minutes.likely }} min</span>{{ $first ? ', quickest gain' : '' }}
        </p>
        <p class="soft">{{ line.why }}</p>
      </article>
    } @empty {
      <p class="soft">No drill fits this time and place. Give it more minutes, or another place.</p>
    }
    @if (lines().length > 0) {
      <button type="button" class="btn go" (click)="makeLesson()">Make a lesson of it</button>
    }
  `,
  styles: `
    h2:not(:first-child),
    :host(:not(:first-child)) h2 {
      margin-top: 16px;
    }

    .when-where {
      margin: 6px 0 8px;
    }

    .when-where input {
      width: 58px;
      display: inline-block;
    }

    article {
      border-left: 5px solid var(--strand);
      background: #fff;
      padding: 7px 10px;
      font-size: 13px;
      margin-bottom: 8px;
    }

    p {
      margin-top: 4px;
    }
  `,
})
export class NextDrillsComponent {
  private readonly teaching = inject(TeachingStore);
  private readonly client = inject(ApiClient);
  private readonly router = inject(Router);
  private readonly day = inject(DayStore);
  readonly title = input('Next');
  readonly lines = input.required<readonly NextDrill[]>();
  readonly minutes = model.required<number>();
  readonly ground = model.required<'grass' | 'water'>();
  /** Of the plan that is made. */
  readonly planTitle = input.required<string>();
  readonly groupSize = input(1);
  readonly lengthMin = input(90);

  protected readonly water = computed(() => this.day.water()?.water.name ?? 'water');

  protected makeLesson(): void {
    const curriculum = this.teaching.curriculum();
    const first = curriculum.drills.all.find(({ strand }) => strand === 'safety');
    const drills = [...(first ? [first] : []), ...this.lines().map(({ drill }) => drill)];
    const body = drills.reduce<PlanBody>(
      (plan, drill) =>
        applyEdit(curriculum, plan, {
          kind: 'add',
          block: blockFromDrill(drill, crypto.randomUUID(), nextStart(plan)),
        }),
      { ...emptyPlan(), groupSize: this.groupSize(), lengthMin: this.lengthMin(), aim: '' },
    );
    this.client
      .call(api.plans.create, {
        body: {
          id: crypto.randomUUID(),
          title: this.planTitle(),
          body: applyEdit(curriculum, body, { kind: 'fit' }),
        },
      })
      .subscribe(({ id }) => void this.router.navigate(['/plan', id]));
  }
}
