import { Component, computed, input, inject } from '@angular/core';
import {
  formatProbability,
  type Skill,
  type SkillAttempt,
  type SkillEstimate,
  skillStage,
  sureness,
} from '@doceo/core';
import { STAGES, STRAND_NAMES, SURENESS_TEXTS } from '@doceo/texts';
import { SkillFitComponent } from './skill-fit.component';
import { TeachingStore } from '../../data/teaching/teaching-store';

/** How many of the last attempts are told. */
const LAST = 10;

/** A skill of a student: one word, what was seen of late, what it holds back; the model's figures only when asked for. */
@Component({
  selector: 'doceo-skill-panel',
  imports: [SkillFitComponent],
  template: `
    <p class="small soft">{{ strand() }}</p>
    <div class="head">
      <h2>{{ skill().name }}</h2>
      <b class="stage" [class]="'strand-' + skill().strand + ' ' + stage()">{{ word() }}</b>
    </div>
    <p>{{ lately() }}</p>
    <p class="small">“{{ skill().sentence }}” Good is: {{ skill().good }}</p>
    @if (rests()) {
      <p class="small soft">Rests on {{ rests() }}.</p>
    }
    @if (opens()) {
      <p class="small soft">{{ stage() === 'has-it' ? 'Opens' : 'Holds back' }} {{ opens() }}.</p>
    }
    <details>
      <summary>Details <span class="soft">the model’s figures and its reasons</span></summary>
      @if (estimate(); as e) {
        @if (e.attempts > 0) {
          <p class="small">
            The record makes it <b class="figure">{{ figure(e.mastery) }}</b> likely that the skill is there;
            what fits the record lies between <b class="figure">{{ figure(e.low) }}</b> and
            <b class="figure">{{ figure(e.high) }}</b> in 80 of 100 cases: {{ sure() }}. From
            <b class="figure">{{ e.attempts }}</b> attempts, <b class="figure">{{ e.goods }}</b> good.
          </p>
        } @else {
          <p class="small">Nobody has seen it yet, so there is no figure of this student.</p>
        }
      }
      <doceo-skill-fit [skillId]="skill().id" />
    </details>
  `,
  styles: `
    p {
      margin: 4px 0 0;
    }
    .head {
      display: flex;
      align-items: center;
      justify-content: space-between;
      gap: 10px;
    }
    h2 {
      margin: 0;
    }
    .stage {
      border: 2px solid var(--strand);
      color: var(--strand);
      padding: 1px 8px;
      white-space: nowrap;
    }
    .stage.has-it {
      background: var(--strand);
      color: #fff;
    }
    .stage.not-seen {
      border-style: dashed;
      color: var(--ink-soft);
    }
    details {
      border: 1px solid var(--line);
      background: var(--paper);
      margin-top: 10px;
      padding: 4px 10px 6px;
    }
    summary {
      font-weight: 700;
      min-height: 28px;
      cursor: pointer;
    }
    summary .soft {
      font-weight: 400;
      margin-left: 8px;
    }
  `,
})
export class SkillPanelComponent {
  private readonly teaching = inject(TeachingStore);
  readonly skill = input.required<Skill>();
  readonly estimate = input.required<SkillEstimate | undefined>();
  /** Of this skill, in the order of time. */
  readonly attempts = input.required<readonly SkillAttempt[]>();

  protected readonly strand = computed(() => STRAND_NAMES[this.skill().strand]);
  protected readonly stage = computed(() => {
    const estimate = this.estimate();
    return estimate ? skillStage(estimate) : 'not-seen';
  });
  protected readonly word = computed(() => STAGES[this.stage()]);
  protected readonly lately = computed(() => {
    const last = this.attempts().slice(-LAST);
    if (last.length === 0) return 'Nobody has seen it yet. A few casts with your eyes on it will tell.';
    const goods = last.filter(({ good }) => good).length;
    return last.length < this.attempts().length
      ? `Good in ${goods} of the last ${last.length}.`
      : `Good in ${goods} of ${last.length}.`;
  });
  protected readonly sure = computed(() => {
    const estimate = this.estimate();
    return estimate ? SURENESS_TEXTS[sureness(estimate)] : '';
  });
  protected readonly opens = computed(() => names(this.teaching.curriculum().skills.opens(this.skill().id)));
  protected readonly rests = computed(() =>
    names(this.skill().needs.map(this.teaching.curriculum().skills.get)),
  );

  protected figure(value: number): string {
    return formatProbability(value);
  }
}

function names(skills: readonly Skill[]): string {
  return skills
    .map(({ name }) => name)
    .join(', ')
    .toLowerCase();
}
