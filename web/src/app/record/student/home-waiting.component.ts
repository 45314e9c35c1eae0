import { Component, computed, inject, input, output } from '@angular/core';
import { api, type HomeWaiting, type SavedStudent } from '@doceo/contract';
import { DateTime } from 'luxon';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { Sending } from '../../data/api/sending';
import { TeachingStore } from '../../data/teaching/teaching-store';

/** How each kind of evidence comes about at home. */
const WAYS: Record<string, string> = {
  drill: 'counted by the student',
  bench: 'seen on the page’s water',
  answer: 'questions',
  measured: 'tapped along',
};

/** What a student did at home and sent: looked at first, then it counts for less than a lesson, or it goes. */
@Component({
  selector: 'doceo-home-waiting',
  template: `
    @if (lines().length > 0) {
      <h2>At home: look first</h2>
      <ul>
        @for (one of lines(); track one.key) {
          <li>
            <span>
              <b>{{ one.name }}</b><br />
              <span class="small soft">{{ one.day }}, {{ one.way }}</span>
            </span>
            <span class="tries" role="img" [attr.aria-label]="one.good + ' good of ' + one.of">
              @for (dot of one.dots; track $index) {
                <i [class.good]="dot"></i>
              }
              <span class="figure small">{{ one.good }}/{{ one.of }}</span>
            </span>
            <span class="row">
              <button
                type="button"
                class="btn small"
                [disabled]="sending.busy()"
                [attr.aria-label]="'Count it: ' + one.name + ', ' + one.day"
                (click)="judge(one.ids, true)"
              >
                Count it
              </button>
              <button
                type="button"
                class="btn small plain"
                [disabled]="sending.busy()"
                [attr.aria-label]="'Let it go: ' + one.name + ', ' + one.day"
                (click)="judge(one.ids, false)"
              >
                Let it go
              </button>
            </span>
          </li>
        }
      </ul>
      <p class="small soft">
        It moves the estimate less than the same in a lesson, and no fault is read from it.
      </p>
      @if (sending.wrong(); as problem) {
        <p class="wrong small" role="alert">{{ problem.message }}</p>
      }
    }
  `,
  styles: `
    :host {
      display: block;
      margin-bottom: 14px;
    }

    ul {
      list-style: none;
      margin: 8px 0;
      padding: 0;
    }

    li {
      display: grid;
      gap: 4px;
      border-left: 5px solid var(--lime);
      padding: 4px 0 6px 10px;
      margin-bottom: 8px;
    }

    .tries {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 3px;
    }

    i {
      width: 9px;
      height: 9px;
      border: 1.5px solid var(--ink);
      border-radius: 50%;
    }

    i.good {
      background: var(--sighter);
    }
  `,
})
export class HomeWaitingComponent {
  private readonly client = inject(ApiClient);
  private readonly teaching = inject(TeachingStore);
  readonly student = input.required<SavedStudent>();
  /** What counts is on the record now. */
  readonly counted = output<void>();
  private readonly waiting = fetched(
    () => this.student().id,
    (id) => this.client.call(api.pages.waiting, { params: { id } }),
  );
  protected readonly lines = computed(() => (this.waiting.value() ?? []).map((one) => this.toLine(one)));
  protected readonly sending = new Sending();

  protected judge(ids: string[], counts: boolean): void {
    this.sending.send(
      this.client.call(api.pages.judge, { params: { id: this.student().id }, body: { ids, counts } }),
      (left) => {
        this.waiting.update(() => left);
        if (counts) this.counted.emit();
      },
      () => this.waiting.again(),
    );
  }

  private toLine({ on, skillId, evidence, good, of, ids }: HomeWaiting) {
    return {
      key: `${on}/${skillId}/${evidence}`,
      name: this.teaching.curriculum().skills.get(skillId).name,
      day: DateTime.fromISO(on).toFormat('d LLL'),
      way: WAYS[evidence] ?? evidence,
      // Up to two dozen are a picture; more of them are a figure.
      dots: of <= 24 ? Array.from({ length: of }, (_, i) => i < good) : [],
      ...{ good, of, ids },
    };
  }
}
