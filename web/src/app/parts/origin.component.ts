import { Component, computed, input } from '@angular/core';
import type { Origin, Saying } from '@doceo/core';
import { readOnText } from './dates';

const TOLD: Record<Origin, string> = {
  measured: 'measured here, by somebody',
  entered: 'as somebody said it',
  typical: 'what is usual; nobody has said it of this one',
  simulated: 'made up by a stand-in; it foretells nothing',
  computed: 'computed from other figures',
};

/** Where a figure is from: a mark and a word, with the day and the person where they are known. */
@Component({
  selector: 'doceo-origin',
  template: `
    <span class="origin" [class]="of()" [title]="reason()">
      <span class="mark">
        <svg viewBox="0 0 14 14" aria-hidden="true">
          @switch (of()) {
            @case ('measured') {
              <path d="M1 4h12v6H1z M4 4v3 M7 4v4 M10 4v3" />
            }
            @case ('entered') {
              <path d="M2 12l1-3 7-7 2 2-7 7z" />
            }
            @case ('typical') {
              <circle cx="7" cy="7" r="5" stroke-dasharray="2.6 2" />
            }
            @case ('simulated') {
              <path d="M1 7q1.5-5 3 0t3 0t3 0t3 0" />
            }
            @case ('computed') {
              <path d="M2 5h10 M2 9h10" />
            }
          }</svg
        ><span [class.visually-hidden]="short()">{{ of() }}</span></span
      >
      @if (from()) {
        &ngsp;
        <span class="who">from {{ from() }}</span>
      }
      @if (who(); as text) {
        &ngsp;
        <span class="who">{{ text }}</span>
      }
    </span>
  `,
  styles: `
    .origin {
      display: inline-flex;
      vertical-align: middle;
      flex-wrap: wrap;
      align-items: center;
      gap: 2px 5px;
      font-size: 12.5px;
      color: var(--ink-soft);
    }
    .mark {
      display: inline-flex;
      align-items: center;
      gap: 5px;
    }
    svg {
      width: 14px;
      height: 14px;
      flex: none;
      fill: none;
      stroke: currentColor;
      stroke-width: 1.6;
    }
    .measured {
      color: var(--river);
    }
    .entered {
      color: var(--ink);
    }
    .typical {
      color: var(--rigging);
    }
    .simulated {
      color: var(--safety);
    }
    .who {
      color: var(--ink-soft);
    }
  `,
})
export class OriginComponent {
  readonly of = input.required<Origin>();
  readonly said = input<Saying | null | undefined>(null);
  /** The mark alone, where the words are told beside it. */
  readonly short = input(false);
  /** What it was computed or made from, where that is worth a word. */
  readonly from = input('');
  protected readonly reason = computed(() => TOLD[this.of()]);
  protected readonly who = computed(() => {
    const said = this.said();
    return said ? `${said.by}, ${readOnText(said.on)}${said.source ? `, from ${said.source}` : ''}` : '';
  });
}
