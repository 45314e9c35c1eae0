import { Component, computed, input, output } from '@angular/core';
import type { ProblemLevel } from '@doceo/core';
import type { PlanProblemInWords } from '@doceo/texts';
import { EvidenceLinesComponent } from '../../parts/evidence-lines.component';
import { FixButtonsComponent } from '../../parts/fix-buttons.component';

/** The number of a block in the running order, and the look of its strand. */
export interface BlockMark {
  number: number;
  strandClass: string;
}

const LEVELS: readonly { level: ProblemLevel; word: string }[] = [
  { level: 'must-fix', word: 'must fix' },
  { level: 'check', word: 'check' },
  { level: 'tip', word: 'tip' },
];

/** The check of a plan, grouped by what must be done: a line and a button each, why when it is opened. */
@Component({
  selector: 'doceo-plan-check',
  imports: [EvidenceLinesComponent, FixButtonsComponent],
  template: `
    @for (group of groups(); track group.level) {
      <details class="group" [open]="!shut()">
        <summary>
          <h3 [class]="group.level">
            <b class="figure">{{ group.problems.length }}</b> {{ group.word }}
          </h3>
        </summary>
        @for (problem of group.problems; track problem.id) {
          <article class="problem" [class]="problem.level" [attr.data-problem]="problem.id">
            @if (problem.mark; as mark) {
              <button
                type="button"
                class="mark figure"
                [class]="mark.strandClass"
                [attr.aria-label]="'Show block ' + mark.number"
                (click)="shown.emit(problem.blockIds[0]!)"
              >
                {{ mark.number }}
              </button>
            } @else {
              <span class="mark whole" aria-hidden="true">§</span>
            }
            <details>
              <summary>
                <h4>{{ problem.title }}</h4>
              </summary>
              <p>{{ problem.reason }}</p>
              <doceo-evidence-lines [lines]="problem.evidence" />
            </details>
            @if (problem.fixes.length > 0) {
              <doceo-fix-buttons
                [fixes]="problem.fixes"
                (chosen)="fixed.emit({ problemId: problem.id, index: $event })"
              />
            }
          </article>
        }
      </details>
    } @empty {
      <p class="soft">Nothing found. That is no promise: look with your own eyes.</p>
    }
  `,
  styleUrl: './plan-check.component.css',
})
export class PlanCheckComponent {
  readonly problems = input.required<readonly PlanProblemInWords[]>();
  readonly marks = input.required<ReadonlyMap<string, BlockMark>>();
  /** Whether only the counts show until one is opened, since something else needs the room. */
  readonly shut = input(false);
  readonly fixed = output<{ problemId: string; index: number }>();
  /** The block of a problem is to be shown. */
  readonly shown = output<string>();

  protected readonly groups = computed(() =>
    LEVELS.map(({ level, word }) => ({
      level,
      word,
      problems: this.problems()
        .filter((problem) => problem.level === level)
        .map((problem) => ({ ...problem, mark: this.marks().get(problem.blockIds[0] ?? '') ?? null })),
    })).filter(({ problems }) => problems.length > 0),
  );
}
