import { Component, computed, inject, input, signal } from '@angular/core';
import {
  HOME_TRUST,
  MIN_FIT_ATTEMPTS,
  MIN_FIT_STUDENTS,
  formatProbability,
  parametersFor,
} from '@doceo/core';
import { DateTime } from 'luxon';
import type { ApiError } from '../../data/api/api-error';
import { FitStore } from '../../data/records/fit-store';
import { SessionStore } from '../../data/session';

const NAMES = {
  initial: 'brought along',
  learn: 'learned by one attempt',
  slip: 'fails although mastered',
  guess: 'works although not mastered',
} as const;

/** Where an estimate comes from: which learning parameters are in use for a skill, and fitting them anew. */
@Component({
  selector: 'doceo-skill-fit',
  template: `
    <details class="small">
      <summary>Where this comes from</summary>
      <p>
        Knowledge tracing: each good attempt or fault moves the estimate, practice may teach, time away
        forgets. It is run for {{ tried() }} plausible settings; those that foretold the record best count
        most.
      </p>
      @if (fit()?.enough) {
        <p>
          <b>In use: fitted to your installation’s records</b>, {{ fit()?.attempts }} attempts of
          {{ fit()?.students }} students{{ when() }}.
        </p>
        <dl>
          @for (line of lines(); track line.name) {
            <div>
              <dt>{{ line.name }}</dt>
              <dd class="figure">{{ line.mean }} ± {{ line.spread }}</dd>
            </div>
          }
        </dl>
      } @else {
        <p>
          <b>In use: the priors that ship.</b> To fit them to your own records this skill needs
          {{ leastStudents }} students and {{ leastAttempts }} attempts; there are
          {{ fit()?.students ?? 0 }} and {{ fit()?.attempts ?? 0 }}{{ when() }}.
        </p>
      }
      <p>
        What is done at home and seen by nobody counts for {{ home().share }} of the same in a lesson:
        {{ home().from }}.
      </p>
      @if (status()?.state === 'running') {
        <p role="status">
          <progress [value]="status()?.done" [max]="status()?.of"></progress>
          {{ status()?.done }} of {{ status()?.of }} skills
        </p>
      } @else if (session.user()?.admin) {
        <button type="button" class="btn small" (click)="start()">Fit to all records now</button>
      }
      @if (failed(); as reason) {
        <p class="error" role="alert">{{ reason }}</p>
      }
    </details>
  `,
  styles: `
    p,
    dl {
      margin: 4px 0;
    }

    dl div {
      display: flex;
      justify-content: space-between;
      gap: 8px;
    }

    dd {
      margin: 0;
      white-space: nowrap;
    }

    progress {
      width: 100%;
      accent-color: var(--river-bright);
    }
  `,
})
export class SkillFitComponent {
  private readonly fits = inject(FitStore);
  protected readonly session = inject(SessionStore);
  readonly skillId = input.required<string>();

  protected readonly leastStudents = MIN_FIT_STUDENTS;
  protected readonly leastAttempts = MIN_FIT_ATTEMPTS;
  protected readonly status = this.fits.status;
  private readonly refused = signal<string | null>(null);
  protected readonly fit = computed(() => this.status()?.skills[this.skillId()] ?? null);
  protected readonly tried = computed(() => parametersFor(this.fits.fitted(), this.skillId()).length);
  protected readonly when = computed(() => {
    const ended = this.status()?.endedAt;
    return ended ? `, as of ${DateTime.fromISO(ended).toFormat('d LLL HH:mm')}` : ' counted so far';
  });
  protected readonly home = computed(() => {
    const home = this.status()?.home;
    if (!home?.enough)
      return {
        share: formatProbability(HOME_TRUST),
        from: `a rule of thumb, until ${MIN_FIT_ATTEMPTS} attempts at home of ${MIN_FIT_STUDENTS} students can be held against what was seen of them`,
      };
    return {
      share: `${formatProbability(home.trust)} ± ${formatProbability(home.spread)}`,
      from: `learned from ${home.attempts} attempts at home of ${home.students} students, by how they agree with what was seen of them`,
    };
  });
  protected readonly lines = computed(() => {
    const fit = this.fit();
    if (!fit) return [];
    return (['initial', 'learn', 'slip', 'guess'] as const).map((key) => ({
      name: NAMES[key],
      mean: formatProbability(fit.mean[key]),
      spread: formatProbability(fit.spread[key]),
    }));
  });
  protected readonly failed = computed(
    () =>
      this.refused() ??
      (this.status()?.state === 'failed'
        ? 'The last fit broke off; nothing was changed. Start it again.'
        : null),
  );

  protected start(): void {
    this.refused.set(null);
    this.fits.start().subscribe({ error: (error: ApiError) => this.refused.set(error.message) });
  }
}
