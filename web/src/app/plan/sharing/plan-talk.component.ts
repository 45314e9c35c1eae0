import { Component, computed, inject, input, signal } from '@angular/core';
import { api, type PlanComment } from '@doceo/contract';
import { DateTime } from 'luxon';
import { ApiClient } from '../../data/api/api-client';
import type { ApiError } from '../../data/api/api-error';
import { Failures } from '../../data/api/failures';
import { fetched } from '../../data/api/fetched';
import { AnswerBoxComponent } from '../../parts/fields/answer-box.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import type { BlockMark } from '../check/plan-check.component';

/** What is asked and said of a shared plan, of the whole or of a block; settled threads are folded away. */
@Component({
  selector: 'doceo-plan-talk',
  imports: [AnswerBoxComponent, LoadFailedComponent],
  template: `
    @if (page.value(); as said) {
      @for (thread of threads(); track thread.first.id) {
        <details class="thread" [open]="!thread.first.settled">
          <summary>
            @if (markOf(thread.first); as mark) {
              <span class="mark figure" [class]="mark.strandClass">{{ mark.number }}</span>
            }
            {{ thread.first.authorName }}, {{ dayOf(thread.first.at)
            }}{{ thread.first.settled ? ', settled' : '' }}
          </summary>
          @for (one of [thread.first].concat(thread.answers); track one.id) {
            <p [class.answer]="one.answers">
              @if (one.answers) {
                <b>{{ one.authorName }}</b>
              }
              {{ one.text }}
              @if (one.mine || owned()) {
                <button
                  type="button"
                  class="btn small plain"
                  [attr.aria-label]="'Take away: ' + one.text"
                  (click)="remove(one)"
                >
                  Take away
                </button>
              }
            </p>
          }
          @if (answering() === thread.first.id) {
            <doceo-answer-box
              label="Answer"
              [refused]="fault()"
              (sent)="say(null, thread.first.id, $event)"
              (left)="stop()"
            />
          } @else {
            <div class="row">
              <button type="button" class="btn small" (click)="begin(thread.first.id)">Answer</button>
              @if (thread.first.mine || owned()) {
                <button type="button" class="btn small" (click)="settle(thread.first)">
                  {{ thread.first.settled ? 'Open again' : 'Settled' }}
                </button>
              }
            </div>
          }
        </details>
      } @empty {
        <p class="small soft">Nobody said anything of it yet.</p>
      }
      @if (said.next) {
        <button type="button" class="btn small plain" (click)="older(said.next)">Older talk</button>
      }
      @if (answering() === 'new') {
        <doceo-answer-box
          [label]="blockTitle() ? 'Of “' + blockTitle() + '”' : 'Of the whole plan'"
          [refused]="fault()"
          (sent)="say(blockId(), null, $event)"
          (left)="stop()"
        />
      } @else {
        <button type="button" class="btn small" (click)="begin('new')">
          {{ blockTitle() ? 'Ask about this block' : 'Ask or say something' }}
        </button>
      }
    } @else if (page.failed(); as problem) {
      <doceo-load-failed [problem]="problem" (again)="page.again()" />
    }
  `,
  styles: `
    .thread {
      border-left: 4px solid var(--sighter);
      padding: 2px 0 6px 10px;
      margin: 6px 0;
    }
    .thread:not([open]) {
      border-left-color: var(--line);
    }
    summary {
      cursor: pointer;
      min-height: 26px;
      font-size: 13px;
    }
    .mark {
      display: inline-block;
      width: 22px;
      text-align: center;
      font-size: 12px;
      font-weight: 600;
    }
    p {
      margin: 2px 0 6px;
      overflow-wrap: anywhere;
    }
    .answer {
      padding-left: 12px;
      border-left: 2px solid var(--line);
    }
  `,
})
export class PlanTalkComponent {
  private readonly client = inject(ApiClient);
  private readonly failures = inject(Failures);
  readonly planId = input.required<string>();
  /** Whether the plan is mine: then all of it can be settled. */
  readonly owned = input(false);
  readonly marks = input.required<ReadonlyMap<string, BlockMark>>();
  /** The block that is open, of which something may be said. */
  readonly blockId = input<string | null>(null);
  readonly blockTitle = input<string | null>(null);

  protected readonly page = fetched(
    () => this.planId(),
    (id) => this.client.call(api.comments.list, { params: { id } }),
  );
  protected readonly threads = computed(() => {
    const all = this.page.value()?.items ?? [];
    return all
      .filter(({ answers }) => answers === null)
      .map((first) => ({ first, answers: all.filter(({ answers }) => answers === first.id).reverse() }))
      .sort((a, b) => Number(a.first.settled) - Number(b.first.settled));
  });
  /** The thread that is answered, `new` for one that begins. */
  protected readonly answering = signal<string | null>(null);
  protected readonly fault = signal<string | null>(null);

  protected markOf({ blockId }: PlanComment): BlockMark | null {
    return (blockId && this.marks().get(blockId)) || null;
  }

  protected dayOf(at: string): string {
    return DateTime.fromISO(at).toFormat('d LLL');
  }

  protected begin(what: string): void {
    this.answering.set(what);
    this.fault.set(null);
  }

  protected stop(): void {
    this.answering.set(null);
  }

  protected say(blockId: string | null, answers: string | null, text: string): void {
    const body = { id: crypto.randomUUID(), blockId, answers, text };
    this.client.call(api.comments.add, { params: { id: this.planId() }, body }).subscribe({
      next: (made) => {
        this.page.update((page) => ({ ...page, items: [made, ...page.items] }));
        this.stop();
      },
      error: (error: ApiError) => this.fault.set(error.issues[0]?.message ?? error.message),
    });
  }

  /** What was said before that which is shown. */
  protected older(before: string): void {
    this.client.call(api.comments.list, { params: { id: this.planId() }, query: { before } }).subscribe({
      next: ({ items, next }) => this.page.update((page) => ({ items: [...page.items, ...items], next })),
      error: this.failures.tell,
    });
  }

  protected settle({ id, settled }: PlanComment): void {
    this.client.call(api.comments.settle, { params: { id }, body: { settled: !settled } }).subscribe({
      next: () => this.change((one) => (one.id === id ? [{ ...one, settled: !settled }] : [one])),
      error: this.failures.tell,
    });
  }

  protected remove({ id }: PlanComment): void {
    this.client.call(api.comments.remove, { params: { id } }).subscribe({
      next: () => this.change((one) => (one.id === id || one.answers === id ? [] : [one])),
      error: this.failures.tell,
    });
  }

  private change(each: (one: PlanComment) => PlanComment[]): void {
    this.page.update((page) => ({ ...page, items: page.items.flatMap(each) }));
  }
}
