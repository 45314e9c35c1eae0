import { Component, input, output } from '@angular/core';
import type { ProblemLevel } from '@doceo/core';
import type { Evidence } from '@doceo/texts';
import { EvidenceLinesComponent } from './evidence-lines.component';
import { FixButtonsComponent } from './fix-buttons.component';

/** What the list needs of a problem; a fix is told by its place. */
export interface ShownProblem {
  id: string;
  level: ProblemLevel;
  title: string;
  reason: string;
  evidence: Evidence[];
  fixes: { label: string }[];
}

const WORDS: Record<ProblemLevel, string> = { 'must-fix': 'Must fix', check: 'Check', tip: 'Tip' };

/** Problems with their reason, their evidence when opened, and the fixes as buttons. */
@Component({
  selector: 'doceo-problem-list',
  imports: [EvidenceLinesComponent, FixButtonsComponent],
  template: `
    @for (problem of problems(); track problem.id) {
      <article class="problem" [class]="problem.level" [attr.data-problem]="problem.id">
        <h3>{{ words[problem.level] }}: {{ lowered(problem.title) }}</h3>
        <p>{{ problem.reason }}</p>
        @if (problem.evidence.length > 0) {
          <details>
            <summary>Evidence</summary>
            <doceo-evidence-lines [lines]="problem.evidence" />
          </details>
        }
        @if (problem.fixes.length > 0) {
          <doceo-fix-buttons
            [fixes]="problem.fixes"
            (chosen)="fixed.emit({ problemId: problem.id, index: $event })"
          />
        }
      </article>
    } @empty {
      <p class="soft">{{ nothing() }}</p>
    }
  `,
  styleUrl: './problem-list.component.css',
})
export class ProblemListComponent {
  readonly problems = input.required<readonly ShownProblem[]>();
  readonly nothing = input('Nothing found. That is no promise: look with your own eyes.');
  readonly fixed = output<{ problemId: string; index: number }>();
  protected readonly words = WORDS;

  /** Sentence case after the level word, names and abbreviations kept. */
  protected lowered(title: string): string {
    return /^\p{Lu}\p{L}+(’s| is| are| needs| and \p{Lu}|, \p{Lu})/u.test(title)
      ? title
      : title.charAt(0).toLowerCase() + title.slice(1);
  }
}
