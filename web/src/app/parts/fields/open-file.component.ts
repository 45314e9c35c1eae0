import { Component, input, output, signal } from '@angular/core';
import type { Issue, ReadFile } from '@doceo/contract';

/** Faults of a file that are listed; the rest are counted. */
const MAX = 12;

/** Takes a document in from a file. One with a fault is refused whole, and each fault is named with its path. */
@Component({
  selector: 'doceo-open-file',
  template: `
    <label class="btn" [class.small]="small()"
      >{{ label()
      }}<input class="visually-hidden" type="file" [accept]="accept()" (change)="take($any($event.target))"
    /></label>
    @if (refused(); as file) {
      <div class="refused" role="alert">
        <b>{{ file.name }} was not taken; nothing was changed.</b>
        <ul>
          @for (issue of file.issues.slice(0, listed); track $index) {
            <li>
              <span class="figure">{{ issue.path }}</span> {{ issue.message }}
            </li>
          }
        </ul>
        @if (file.issues.length > listed) {
          <p>And {{ file.issues.length - listed }} more.</p>
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: contents;
    }

    label:focus-within {
      outline: 3px solid var(--sighter);
      outline-offset: 2px;
    }

    .refused {
      flex-basis: 100%;
      order: 1;
      background: var(--sighter-pale);
      border-left: 5px solid var(--must-fix);
      padding: 10px 14px;
      margin-top: 8px;
    }

    ul {
      margin: 6px 0 0;
      padding-left: 18px;
    }
  `,
})
export class OpenFileComponent<T> {
  readonly label = input.required<string>();
  readonly read = input.required<(text: string) => ReadFile<T>>();
  readonly small = input(false);
  readonly accept = input('.json,application/json');
  /** Larger files are refused before they are read, bytes. */
  readonly most = input(Number.POSITIVE_INFINITY);
  readonly opened = output<{ file: T; name: string }>();

  protected readonly listed = MAX;
  protected readonly refused = signal<{ name: string; issues: Issue[] } | null>(null);
  private name = '';

  /** For what only the server can find wrong with the file that was opened last. */
  refuse(issues: Issue[]): void {
    this.refused.set({ name: this.name, issues });
  }

  protected async take(field: HTMLInputElement): Promise<void> {
    const chosen = field.files?.[0];
    if (!chosen) return;
    this.name = chosen.name;
    if (chosen.size > this.most()) {
      field.value = '';
      return this.refuse([
        {
          path: 'file',
          code: 'too-large',
          message: `is too large: ${(chosen.size / 1e6).toFixed(1)} MB of at most ${(this.most() / 1e6).toFixed(1)} MB`,
        },
      ]);
    }
    const { file, issues } = this.read()(await chosen.text());
    field.value = '';
    this.refused.set(issues && { name: chosen.name, issues });
    if (file) this.opened.emit({ file, name: chosen.name });
  }
}
