import { Component, computed, inject, input, output, signal } from '@angular/core';
import { api, PAGE_DAYS, type StudentLink } from '@doceo/contract';
import { DateTime } from 'luxon';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { Sending } from '../../data/api/sending';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { MadeLinkComponent } from '../../shared/made-link.component';

const DAYS_TOLD: Record<(typeof PAGE_DAYS)[number], string> = {
  30: 'a month',
  120: 'a season',
  365: 'a year',
};

/** The link from the card to the student's own page: made, shown once with its code, counted, closed. */
@Component({
  selector: 'doceo-student-link',
  imports: [LoadFailedComponent, MadeLinkComponent],
  template: `
    @if (made(); as link) {
      <doceo-made-link
        [address]="link.address"
        [label]="'Code of ' + first() + '’s page'"
        (done)="made.set(null); shown.emit(null)"
      >
        <p>
          <b>{{ first() }}’s own page</b>: what went well, the one thing with its beat, takes and questions.
          Works without signal once it was opened.
        </p>
        <p class="small">{{ minor() ? 'The guardian opens it first. ' : '' }}Open until {{ link.until }}.</p>
      </doceo-made-link>
    } @else {
      <div class="row no-print">
        <span id="page-days">A page for {{ first() }}, for</span>
        <div class="segments" role="group" aria-labelledby="page-days">
          @for (one of days; track one.value) {
            <button
              type="button"
              [attr.aria-pressed]="chosen() === one.value"
              (click)="chosen.set(one.value)"
            >
              {{ one.text }}
            </button>
          }
        </div>
        <button type="button" class="btn" [disabled]="sending.busy()" (click)="make()">Make its link</button>
      </div>
    }
    @if (sending.wrong(); as problem) {
      <p class="wrong no-print" role="alert">{{ problem.issues[0]?.message ?? problem.message }}</p>
    }
    @if (list.failed(); as problem) {
      <doceo-load-failed class="no-print" [problem]="problem" (again)="list.again()" />
    }
    <ul class="given no-print" [attr.aria-label]="'Links to ' + first() + '’s page'">
      @for (link of open(); track link.id) {
        <li>
          <span class="small">{{ told(link) }}</span>
          <button
            type="button"
            class="btn small plain"
            [attr.aria-label]="'Close it: ' + told(link)"
            (click)="close(link.id)"
          >
            Close it
          </button>
        </li>
      }
    </ul>
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
      margin-top: 16px;
    }
  `,
})
export class StudentLinkComponent {
  private readonly client = inject(ApiClient);
  readonly studentId = input.required<string>();
  readonly lessonId = input.required<string>();
  readonly first = input.required<string>();
  readonly minor = input(false);
  /** Where the code that is shown leads, for the paper; null when it is shown no more. */
  readonly shown = output<string | null>();

  protected readonly days = PAGE_DAYS.map((value) => ({ value, text: DAYS_TOLD[value] }));
  protected readonly chosen = signal<(typeof PAGE_DAYS)[number]>(120);
  protected readonly made = signal<{ id: string; address: string; until: string } | null>(null);
  protected readonly sending = new Sending();
  protected readonly list = fetched(this.studentId, (id) =>
    this.client.call(api.pages.list, { params: { id } }),
  );
  protected readonly open = computed(() => (this.list.value() ?? []).filter(({ closed }) => !closed));

  protected told({ until, views, viewedAt, openedBy }: StudentLink): string {
    const opened =
      viewedAt === null
        ? 'not opened yet'
        : `opened ${views === 1 ? 'once' : `${views} times`}, last ${dayOf(viewedAt)}`;
    return `a page until ${dayOf(until)}: ${opened}${openedBy === null ? '' : `, first by ${openedBy}`}`;
  }

  protected make(): void {
    const id = crypto.randomUUID();
    this.sending.send(
      this.client.call(api.pages.make, {
        params: { id: this.studentId() },
        body: { id, lessonId: this.lessonId(), days: this.chosen() },
      }),
      ({ links, token }) => {
        this.list.update(() => links);
        const address = `${location.origin}/my/#${token}`;
        this.made.set({ id, address, until: dayOf(links.find((link) => link.id === id)?.until ?? '') });
        this.shown.emit(address);
      },
    );
  }

  protected close(pageId: string): void {
    this.sending.send(
      this.client.call(api.pages.close, { params: { id: this.studentId(), pageId } }),
      (links) => {
        this.list.update(() => links);
        if (this.made()?.id !== pageId) return;
        this.made.set(null);
        this.shown.emit(null);
      },
    );
  }
}

const dayOf = (at: string): string => DateTime.fromISO(at).toFormat('d LLL yyyy');
