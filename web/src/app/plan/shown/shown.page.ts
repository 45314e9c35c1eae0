import { Component, computed, DestroyRef, inject, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Meta } from '@angular/platform-browser';
import { ActivatedRoute } from '@angular/router';
import { api } from '@doceo/contract';
import type { UnitSystem } from '@doceo/core';
import { DateTime } from 'luxon';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { SessionStore } from '../../data/session';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { CAUTION } from '../out/plan-markdown';
import { sheetOf } from '../out/plan-sheet';
import { lanesOf } from '../timeline/lanes';
import { TimelineComponent } from '../timeline/timeline.component';
import { FetchingComponent } from '../../shared/fetching.component';

/** A plan behind a link: to read and to print, by somebody who needs no account. */
@Component({
  selector: 'doceo-shown-page',
  imports: [FetchingComponent, TimelineComponent],
  templateUrl: './shown.page.html',
  styleUrl: './shown.page.css',
})
export class ShownPage {
  private readonly client = inject(ApiClient);
  private readonly teaching = inject(TeachingStore);
  protected readonly caution = CAUTION;
  private readonly session = inject(SessionStore);
  /** Those of who is signed in; else as they are where the browser's language is spoken. */
  protected readonly units = linkedSignal<UnitSystem>(() =>
    this.session.user() ? this.session.units() : /-US$/.test(navigator.language) ? 'imperial' : 'metric',
  );
  private readonly token = toSignal(inject(ActivatedRoute).fragment);
  protected readonly link = fetched(
    () => this.token() || null,
    (token) => this.client.call(api.links.open, { body: { token } }),
  );
  protected readonly plan = this.link.value;
  /** A link that lost its end on the way, as when a message was broken in two. */
  protected readonly broken = computed(() => !this.token() || this.link.failed()?.code === 'invalid');
  protected readonly sheet = computed(() => {
    const plan = this.plan();
    return plan && sheetOf(plan, this.teaching.curriculum(), this.units(), plan.authorName);
  });
  protected readonly lanes = computed(() => lanesOf([], this.plan()?.body.groupSize ?? 1));
  protected readonly selectedId = signal<string | null>(null);
  protected readonly selected = computed(
    () => this.sheet()?.rows.find(({ blockIds }) => blockIds.includes(this.selectedId() ?? '')) ?? null,
  );

  constructor() {
    const meta = inject(Meta);
    meta.addTag({ name: 'robots', content: 'noindex, nofollow' });
    inject(DestroyRef).onDestroy(() => meta.removeTag('name="robots"'));
  }

  protected dayOf(at: string): string {
    return DateTime.fromISO(at).toFormat('d LLL yyyy');
  }

  protected print(): void {
    window.print();
  }
}
