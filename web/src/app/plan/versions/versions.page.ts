import { Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { api, type PlanVersion } from '@doceo/contract';
import { planDifferences } from '@doceo/core';
import { planDifferenceInWords } from '@doceo/texts';
import { DateTime } from 'luxon';
import { MessageService } from 'primeng/api';
import { forkJoin } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import type { ApiError } from '../../data/api/api-error';
import { Failures } from '../../data/api/failures';
import { fetched } from '../../data/api/fetched';
import { SessionStore } from '../../data/session';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { ValleyComponent } from '../../shared/valley/valley.component';
import { versionWords } from '../../shared/valley/version-words';
import { WordsChangedComponent } from '../merge/words-changed.component';

/** What a plan has been: its versions, what differs from how it is now, and the way back to one of them. */
@Component({
  selector: 'doceo-versions-page',
  imports: [
    FetchingComponent,
    LoadFailedComponent,
    RouterLink,
    TextFieldComponent,
    ValleyComponent,
    WordsChangedComponent,
  ],
  templateUrl: './versions.page.html',
  styleUrl: './versions.page.css',
})
export class VersionsPage {
  private readonly client = inject(ApiClient);
  private readonly failures = inject(Failures);
  private readonly messages = inject(MessageService);
  private readonly router = inject(Router);
  private readonly session = inject(SessionStore);
  readonly id = input.required<string>();
  /** The version that is looked at first. */
  readonly version = input<string>();

  protected readonly page = fetched(
    () => this.id(),
    (id) =>
      forkJoin({
        plan: this.client.call(api.plans.get, { params: { id } }),
        versions: this.client.call(api.versions.list, { params: { id } }),
        lineage: this.client.call(api.versions.lineage, { params: { id } }),
      }),
  );
  protected readonly plan = computed(() => this.page.value()?.plan ?? null);
  protected readonly versions = computed(() => this.page.value()?.versions.items ?? []);
  protected readonly chosen = linkedSignal<{ planId: string; id: string } | null>(() => {
    const asked = this.page.value()?.lineage.versions.find(({ id }) => id === this.version());
    const one = asked ?? this.versions()[0];
    return one ? { planId: one.planId, id: one.id } : null;
  });
  protected readonly opened = fetched(this.chosen, ({ planId, id }) =>
    this.client.call(api.versions.get, { params: { id: planId, versionId: id } }),
  );
  /** What differs between it and the plan as it is now. */
  protected readonly lines = computed(() => {
    const [now, then] = [this.plan(), this.opened.value()];
    if (!now || !then) return [];
    return planDifferences(now, then.plan).flatMap((one) =>
      one.of === 'block' && one.change === 'later'
        ? []
        : planDifferenceInWords(one, now, then.plan, this.session.units()),
    );
  });
  protected readonly naming = signal(false);
  protected readonly word = signal('');
  protected readonly fault = signal<string | null>(null);
  protected readonly words = versionWords;

  protected dayOf(at: string): string {
    return DateTime.fromISO(at).toFormat('d LLL yyyy');
  }

  protected open({ planId, id }: PlanVersion): void {
    this.chosen.set({ planId, id });
  }

  protected more(): void {
    const before = this.page.value()?.versions.next;
    if (!before) return;
    this.client.call(api.versions.list, { params: { id: this.id() }, query: { before } }).subscribe({
      next: ({ items, next }) =>
        this.page.update((page) => ({
          ...page,
          versions: { items: [...page.versions.items, ...items], next },
        })),
      error: this.failures.tell,
    });
  }

  /** Keeps the plan as it is now, with a word. */
  protected keep(): void {
    const plan = this.plan();
    if (!plan) return;
    if (this.word().trim() === '') return this.fault.set('Say in a word what it is');
    this.client
      .call(api.versions.name, {
        params: { id: plan.id },
        body: { baseVersion: plan.version, note: this.word() },
      })
      .subscribe({
        next: () => {
          this.naming.set(false);
          this.word.set('');
          this.fault.set(null);
          this.page.again();
        },
        error: (error: ApiError) => this.fault.set(error.issues[0]?.message ?? error.message),
      });
  }

  /** The plan is again as it was in the version that is open; how it is now is kept before. */
  protected takeUp(): void {
    const [plan, then] = [this.plan(), this.opened.value()];
    if (!plan || !then) return;
    const { title, body } = then.plan;
    const named = `as it was before “${versionWords(then)}” was taken up`;
    this.client
      .call(api.versions.name, {
        params: { id: plan.id },
        body: { baseVersion: plan.version, note: named.slice(0, 500) },
      })
      .subscribe({
        next: () =>
          this.client
            .call(api.plans.update, {
              params: { id: plan.id },
              body: { title, body, baseVersion: plan.version },
            })
            .subscribe({
              next: () => {
                this.messages.add({
                  ...{ severity: 'success', life: 6000 },
                  summary: 'Taken up again. How it was until now is kept as a version.',
                });
                void this.router.navigate(['/plan', plan.id]);
              },
              error: this.failures.tell,
            }),
        error: this.failures.tell,
      });
  }
}
