import { Component, computed, inject, output, signal, viewChild } from '@angular/core';
import {
  api,
  type ComingPlan,
  HOW_TAKEN,
  MAX_PLAN_BUNDLE,
  type PlanBundle,
  type ReadFile,
  readPlanBundle,
} from '@doceo/contract';
import { counted } from '@doceo/texts';
import { ApiClient } from '../../data/api/api-client';
import type { ApiError } from '../../data/api/api-error';
import { OpenFileComponent } from '../../parts/fields/open-file.component';

type How = (typeof HOW_TAKEN)[number];

/** What a plan of the file is here, and what may be done with it. The first is what is done unless something else is said. */
const WHAT: Record<ComingPlan['what'], { told: string; ways: How[] }> = {
  new: { told: 'new here', ways: ['add', 'leave'] },
  same: { told: 'just as you have it', ways: ['leave', 'add'] },
  newer: { told: 'went on since yours', ways: ['follow', 'add', 'leave'] },
  older: { told: 'older than yours', ways: ['leave', 'add'] },
  apart: { told: 'changed there, and here too', ways: ['add', 'leave'] },
};
const WAYS: Record<How, string> = { add: 'Take it', follow: 'Take the new', leave: 'Leave it' };

interface Coming {
  id: string;
  title: string;
  what: ComingPlan['what'];
  with: { id: string; title: string } | null;
  how: How;
}

/** Takes plans in from a file: first what would come of it is shown, then all that was chosen is taken, or nothing. */
@Component({
  selector: 'doceo-take-in',
  imports: [OpenFileComponent],
  template: `
    <div class="row">
      <doceo-open-file
        label="Take in a file"
        [read]="read"
        [most]="most"
        (opened)="look($event.file.text, $event.name)"
      />
    </div>
    @if (waiting()) {
      <p class="soft" role="status">Looking what is in it …</p>
    }
    @if (coming(); as list) {
      <section aria-label="What would come">
        <h2>{{ name() }}: what would come</h2>
        @for (plan of list; track plan.id) {
          <div class="plan">
            <span>
              <b>{{ plan.title }}</b>&ngsp;
              <span class="soft"
                >{{ told(plan.what)
                }}{{
                  plan.with && plan.with.title !== plan.title ? ', yours is called ' + plan.with.title : ''
                }}</span
              >
            </span>
            <span class="segments" role="group" [attr.aria-label]="'What becomes of ' + plan.title">
              @for (way of waysOf(plan.what); track way) {
                <button type="button" [attr.aria-pressed]="plan.how === way" (click)="choose(plan.id, way)">
                  {{ wayName(way, plan.what) }}
                </button>
              }
            </span>
          </div>
        }
        @if (refused(); as why) {
          <p class="wrong" role="alert">{{ why }}</p>
        }
        <div class="row">
          <button type="button" class="btn go" [disabled]="chosen() === 0 || waiting()" (click)="take()">
            {{ chosen() === 0 ? 'Nothing is chosen' : 'Take ' + plansTold() }}
          </button>
          <button type="button" class="btn" (click)="coming.set(null)">Take nothing</button>
          <span class="soft">All of them come, or none.</span>
        </div>
      </section>
    }
  `,
  styles: `
    section {
      background: var(--sheet);
      border: 1.5px solid var(--ink);
      padding: 12px 16px;
      margin-top: 8px;
      display: grid;
      gap: 8px;
    }
    h2 {
      margin: 0;
      overflow-wrap: anywhere;
    }
    .plan {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      justify-content: space-between;
      gap: 6px 16px;
      border-bottom: 1px solid var(--line);
      padding-bottom: 8px;
    }
    .plan > span:first-child {
      flex: 1 1 260px;
      overflow-wrap: anywhere;
    }
    .wrong {
      color: var(--safety);
    }
  `,
})
export class TakeInComponent {
  private readonly client = inject(ApiClient);
  /** Plans were taken: the list is another. */
  readonly taken = output<string>();
  private readonly opener = viewChild.required(OpenFileComponent);
  private text = '';

  protected readonly most = MAX_PLAN_BUNDLE;
  protected readonly name = signal('');
  protected readonly coming = signal<Coming[] | null>(null);
  protected readonly waiting = signal(false);
  protected readonly refused = signal<string | null>(null);
  protected readonly chosen = computed(
    () => (this.coming() ?? []).filter(({ how }) => how !== 'leave').length,
  );
  protected readonly plansTold = computed(() => counted(this.chosen(), 'plan'));
  /** Read here first, so that a broken file is told without a network. */
  protected readonly read = (text: string): ReadFile<{ text: string; bundle: PlanBundle }> => {
    const { file, issues } = readPlanBundle(text);
    return file ? { file: { text, bundle: file }, issues: null } : { file: null, issues };
  };

  protected told(what: ComingPlan['what']): string {
    return WHAT[what].told;
  }

  protected waysOf(what: ComingPlan['what']): How[] {
    return WHAT[what].ways;
  }

  /** What would lie beside a plan that is here already is called so. */
  protected wayName(way: How, what: ComingPlan['what']): string {
    return way === 'add' && what !== 'new' ? 'Put it beside' : WAYS[way];
  }

  protected look(text: string, name: string): void {
    this.text = text;
    this.name.set(name);
    this.coming.set(null);
    this.refused.set(null);
    this.waiting.set(true);
    this.client.call(api.planFiles.look, { body: { text } }).subscribe({
      next: (list) => {
        this.waiting.set(false);
        this.coming.set(list.map((plan) => ({ ...plan, how: WHAT[plan.what].ways[0] ?? 'leave' })));
      },
      error: ({ issues, message }: ApiError) => {
        this.waiting.set(false);
        this.opener().refuse(issues.length > 0 ? issues : [{ path: 'file', code: 'refused', message }]);
      },
    });
  }

  protected choose(id: string, how: How): void {
    this.coming.update((list) => list?.map((plan) => (plan.id === id ? { ...plan, how } : plan)) ?? null);
  }

  protected take(): void {
    const plans = (this.coming() ?? [])
      .filter(({ how }) => how !== 'leave')
      .map(({ id, how }) => ({ id, how, as: crypto.randomUUID() }));
    this.waiting.set(true);
    this.refused.set(null);
    this.client.call(api.planFiles.take, { body: { text: this.text, plans } }).subscribe({
      next: ({ added, moved }) => {
        this.waiting.set(false);
        this.coming.set(null);
        const told = [
          added > 0 ? `${counted(added, 'plan')} taken in` : '',
          moved > 0 ? `${moved} went on` : '',
        ];
        this.taken.emit(`${told.filter(Boolean).join(', ') || 'Nothing was new'}.`);
      },
      error: ({ issues, message }: ApiError) => {
        this.waiting.set(false);
        this.refused.set([message, ...issues.map(({ path, message: what }) => `${path} ${what}`)].join(' '));
      },
    });
  }
}
