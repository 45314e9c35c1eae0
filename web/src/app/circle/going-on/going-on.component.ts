import { Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { api, type NewsItem, type PlanSummary, type PlanVersion } from '@doceo/contract';
import { DateTime } from 'luxon';
import { ApiClient } from '../../data/api/api-client';
import type { ApiError } from '../../data/api/api-error';
import { fetched } from '../../data/api/fetched';
import { firstName } from '../../data/lesson/lesson-texts';
import { AnswerBoxComponent } from '../../parts/fields/answer-box.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { ValleyComponent } from '../../shared/valley/valley.component';

/** Most plans that have a tab. */
const TABS = 6;
/** What is done, and not only read. */
const WAITING: ReadonlySet<NewsItem['kind']> = new Set(['newer', 'proposal', 'question']);

/** What goes on with shared plans: how one came about, and what waits for me where it happens. */
@Component({
  selector: 'doceo-going-on',
  imports: [AnswerBoxComponent, LoadFailedComponent, RouterLink, ValleyComponent],
  templateUrl: './going-on.component.html',
  styleUrl: './going-on.component.css',
})
export class GoingOnComponent {
  private readonly client = inject(ApiClient);
  private readonly router = inject(Router);
  /** All plans that I see. */
  readonly plans = input.required<readonly PlanSummary[]>();

  /** What happened to plans of mine. */
  readonly news = input.required<readonly NewsItem[]>();
  /** The same without what was answered here. */
  protected readonly items = linkedSignal(() => this.news());
  /** Plans with a life beyond me, those for which something waits first. */
  protected readonly tabs = computed(() =>
    this.plans()
      .filter(
        ({ id, circleId, origin }) => circleId !== null || origin !== null || this.itemsOf(id).length > 0,
      )
      .map((plan) => ({
        ...{ plan, owner: plan.mine ? '' : firstName(plan.ownerName) },
        waits: this.itemsOf(plan.id).filter(({ kind }) => WAITING.has(kind)).length,
      }))
      .sort((a, b) => b.waits - a.waits)
      .slice(0, TABS),
  );
  protected readonly picked = signal<string | null>(null);
  /** The one that was picked, else the first for which something waits. */
  protected readonly chosen = computed(() => {
    const ids = this.tabs().map(({ plan }) => plan.id);
    return ids.find((id) => id === this.picked()) ?? ids[0] ?? null;
  });
  protected readonly lineage = fetched(this.chosen, (id) =>
    this.client.call(api.versions.lineage, { params: { id } }),
  );
  protected readonly board = computed(() => this.itemsOf(this.chosen() ?? ''));
  /** The comment that is answered, and what is wrong with what was sent. */
  protected readonly answering = signal<string | null>(null);
  protected readonly fault = signal<string | null>(null);

  private itemsOf(planId: string): NewsItem[] {
    return this.items().filter((item) => item.planId === planId);
  }

  protected who({ byName }: NewsItem): string {
    return firstName(byName);
  }

  protected dayOf({ at }: NewsItem): string {
    return DateTime.fromISO(at).toFormat('d LLL');
  }

  protected open({ planId, id }: PlanVersion): void {
    void this.router.navigate(['/plan', planId, 'versions'], { queryParams: { version: id } });
  }

  protected begin(commentId: string): void {
    this.answering.set(commentId);
    this.fault.set(null);
  }

  protected answer(planId: string, commentId: string, text: string): void {
    const body = { id: crypto.randomUUID(), blockId: null, answers: commentId, text };
    this.client.call(api.comments.add, { params: { id: planId }, body }).subscribe({
      next: () => {
        this.answering.set(null);
        this.items.update((items) =>
          items.filter((item) => item.kind !== 'question' || item.commentId !== commentId),
        );
      },
      error: (error: ApiError) => this.fault.set(error.issues[0]?.message ?? error.message),
    });
  }
}
