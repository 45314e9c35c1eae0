import { Component, computed, inject } from '@angular/core';
import type { ScorePart } from '@doceo/core';
import { SCORE_PART_NAMES } from '@doceo/texts';
import { type Slider, SlidersComponent } from '../../parts/fields/sliders.component';
import { PlanProposal } from './plan-proposal';

/** Wishes in the order in which an instructor asks for them. */
const ORDER: readonly ScorePart[] = [
  'gain',
  'keeping',
  'fairness',
  'idle',
  'water-after-grass',
  'telling',
  'order',
  'attention',
  'change',
  'breaks',
  'walking',
  'margin',
];

const WORDS = ['not at all', 'a little', 'as usual', 'more', 'much', 'most of all'];

/** What an instructor wants of a plan that the machine makes: each wish a slider, the preview follows. */
@Component({
  selector: 'doceo-plan-goals',
  imports: [SlidersComponent],
  template: `
    <details [open]="proposal.use() !== null">
      <summary><h2>Goals</h2></summary>
      <p class="small soft">What a plan that is made for you looks for. A preview follows at once.</p>
      <doceo-sliders [sliders]="sliders()" (slid)="set($event)" />
      <button type="button" class="btn small" (click)="proposal.usualGoals()">As usual</button>
    </details>
  `,
  styles: `
    summary {
      cursor: pointer;
    }
    h2 {
      display: inline;
    }
  `,
})
export class PlanGoalsComponent {
  protected readonly proposal = inject(PlanProposal);

  protected readonly sliders = computed<Slider<ScorePart | 'besides'>[]>(() => {
    const { weights, besides } = this.proposal.goals();
    return [
      ...ORDER.map((part) => ({
        ...{ name: part, text: SCORE_PART_NAMES[part], min: 0, max: 5, step: 0.5 },
        at: stepOf(weights[part] ?? 1),
        value: WORDS[Math.round(stepOf(weights[part] ?? 1))]!,
      })),
      {
        ...{ name: 'besides' as const, text: 'What the plan is not about', min: 0, max: 1, step: 0.1 },
        at: besides,
        value: `${Math.round(besides * 100)} %`,
      },
    ];
  });

  protected set({ name, value }: { name: ScorePart | 'besides'; value: number }): void {
    this.proposal.setGoals({ part: name, value: name === 'besides' ? value : value / STEPS });
  }
}

/** Steps of a slider for a weight of one, as it is usual. */
const STEPS = 2;

function stepOf(weight: number): number {
  return Math.min(5, weight * STEPS);
}
