import { Component, computed, input } from '@angular/core';
import { NOT_THERE } from '@doceo/texts';
import { type Change, diffWords } from 'diff';

/** Fewer words than this are not compared one by one. */
const LEAST_WORDS = 4;

/** A text that was changed, word by word: what goes is struck through, what comes is marked. */
@Component({
  selector: 'doceo-words-changed',
  template: `@for (part of parts(); track $index) {
    @if (part.removed) {
      <del>{{ part.value }}</del>
    } @else if (part.added) {
      <ins>{{ part.value }}</ins>
    } @else {
      <span class="same">{{ part.value }}</span>
    }
  }`,
  styles: `
    del {
      color: var(--ink-soft);
    }
    .same {
      white-space: pre-wrap;
    }
    ins {
      text-decoration: none;
      background: var(--lime);
      color: var(--ink);
      box-decoration-break: clone;
      padding: 0 2px;
    }
  `,
})
export class WordsChangedComponent {
  readonly before = input.required<string>();
  readonly after = input.required<string>();
  protected readonly parts = computed<Pick<Change, 'value' | 'added' | 'removed'>[]>(() => {
    const [before, after] = [this.before(), this.after()];
    if (before === NOT_THERE) return [{ value: after, removed: false, added: true }];
    if (after === NOT_THERE) return [{ value: before, removed: true, added: false }];
    const words = Math.min(...[before, after].map((text) => text.split(/\s+/).length));
    const parts = words >= LEAST_WORDS ? diffWords(before, after) : [];
    // Short texts, and those with hardly a word in common, read better one after the other.
    if (parts.some(({ added, removed, value }) => !added && !removed && /\p{L}/u.test(value))) return parts;
    return [
      { value: before, removed: true, added: false },
      { value: ' ', removed: false, added: false },
      { value: after, removed: false, added: true },
    ];
  });
}
