import { Component, input, output } from '@angular/core';
import type { ProblemLevel } from '@doceo/core';
import type { Evidence } from '@doceo/texts';

/** What the list needs of a snag; a fix is told by its place. */
export interface ShownSnag {
  id: string;
  level: ProblemLevel;
  title: string;
  reason: string;
  evidence: Evidence[];
  fixes: { label: string }[];
}

const WORDS: Record<ProblemLevel, string> = { stop: 'Stop', mind: 'Mind', note: 'Note' };

/** Snags with their reason, their evidence when opened, and the fixes as buttons. */
@Component({
  selector: 'doceo-snag-list',
  template: `
    @for (snag of snags(); track snag.id) {
      <article class="snag" [class]="snag.level" [attr.data-snag]="snag.id">
        <h3>{{ words[snag.level] }}: {{ lowered(snag.title) }}</h3>
        <p>{{ snag.reason }}</p>
        @if (snag.evidence.length > 0) {
          <details>
            <summary>Evidence</summary>
            <dl>
              @for (line of snag.evidence; track line.label) {
                <div>
                  <dt>{{ line.label }}</dt>
                  <dd class="figure">{{ line.text }}</dd>
                </div>
              }
            </dl>
          </details>
        }
        @if (snag.fixes.length > 0) {
          <div class="fixes">
            @for (fix of snag.fixes; track fix.label; let index = $index) {
              <button type="button" class="btn small" (click)="fixed.emit({ snagId: snag.id, index })">
                {{ fix.label }}
              </button>
            }
          </div>
        }
      </article>
    } @empty {
      <p class="soft">{{ nothing() }}</p>
    }
  `,
  styleUrls: ['./told-rows.css', './snag-list.component.css'],
})
export class SnagListComponent {
  readonly snags = input.required<readonly ShownSnag[]>();
  readonly nothing = input('Nothing found. That is no promise: look with your own eyes.');
  readonly fixed = output<{ snagId: string; index: number }>();
  protected readonly words = WORDS;

  /** Sentence case after the level word, names and abbreviations kept. */
  protected lowered(title: string): string {
    return /^\p{Lu}\p{L}+(’s| is| are| and \p{Lu}|, \p{Lu})/u.test(title)
      ? title
      : title.charAt(0).toLowerCase() + title.slice(1);
  }
}
