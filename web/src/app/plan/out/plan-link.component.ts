import { Component, computed, inject, input, signal } from '@angular/core';
import { api, LINK_DAYS, type PlanLink } from '@doceo/contract';
import type { PlanBody } from '@doceo/core';
import { DateTime } from 'luxon';
import { ApiClient } from '../../data/api/api-client';
import type { ApiError } from '../../data/api/api-error';
import { fetched } from '../../data/api/fetched';
import { Failures } from '../../data/api/failures';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { placeInPlan } from './named-places';
import { MadeLinkComponent } from '../../shared/made-link.component';

const DAYS_TOLD: Record<(typeof LINK_DAYS)[number], string> = {
  7: 'a week',
  30: 'a month',
  120: 'a season',
  365: 'a year',
};

/** A link to a plan for who has no account: made, shown once with its code, counted, closed. */
@Component({
  selector: 'doceo-plan-link',
  imports: [FetchingComponent, LoadFailedComponent, MadeLinkComponent],
  templateUrl: './plan-link.component.html',
  styleUrl: './plan-link.component.css',
})
export class PlanLinkComponent {
  private readonly client = inject(ApiClient);
  private readonly failures = inject(Failures);
  readonly planId = input.required<string>();
  readonly title = input.required<string>();
  readonly body = input.required<PlanBody>();

  protected readonly days = LINK_DAYS.map((value) => ({ value, text: DAYS_TOLD[value] }));
  protected readonly chosen = signal<(typeof LINK_DAYS)[number]>(30);
  /** The link that was just made: what it leads to is known now and never again. */
  protected readonly made = signal<{ id: string; address: string; until: string } | null>(null);
  protected readonly refused = signal<ApiError | null>(null);
  protected readonly list = fetched(this.planId, (id) =>
    this.client.call(api.links.list, { params: { id } }),
  );
  protected readonly links = computed(() =>
    (this.list.value() ?? []).map((link) => ({ ...link, told: toldOf(link), open: isOpen(link) })),
  );

  protected make(): void {
    this.refused.set(null);
    this.client
      .call(api.links.make, {
        params: { id: this.planId() },
        body: { id: crypto.randomUUID(), days: this.chosen() },
      })
      .subscribe({
        next: ({ link, token }) => {
          this.made.set({
            id: link.id,
            address: `${location.origin}/shown#${token}`,
            until: dayOf(link.until),
          });
          this.list.update((links) => [link, ...links]);
        },
        error: (error: ApiError) => this.refused.set(error),
      });
  }

  protected close({ id }: PlanLink): void {
    this.client.call(api.links.revoke, { params: { id } }).subscribe({
      next: () => {
        if (this.made()?.id === id) this.made.set(null);
        this.list.update((links) =>
          links.map((one) => (one.id === id ? { ...one, revokedAt: new Date().toISOString() } : one)),
        );
      },
      error: this.failures.tell,
    });
  }

  protected placeOf(path: string): string {
    return placeInPlan(path, this.body());
  }
}

const dayOf = (at: string): string => DateTime.fromISO(at).toFormat('d LLL yyyy');

function isOpen({ revokedAt, until }: PlanLink): boolean {
  return revokedAt === null && Date.parse(until) > Date.now();
}

/** `opened 3 times, last 4 Nov 2026; until 3 Dec 2026`. */
function toldOf(link: PlanLink): string {
  const { views, viewedAt, revokedAt, until } = link;
  const opened =
    viewedAt === null
      ? 'not opened yet'
      : `opened ${views === 1 ? 'once' : `${views} times`}, last ${dayOf(viewedAt)}`;
  const end =
    revokedAt !== null
      ? `closed ${dayOf(revokedAt)}`
      : `${isOpen(link) ? 'until' : 'ran out'} ${dayOf(until)}`;
  return `${opened}; ${end}`;
}
