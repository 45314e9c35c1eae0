import { Component, computed, input, output, signal } from '@angular/core';
import { groupSplit, type PlanStudent, type PlanUse, type SplitBy } from '@doceo/core';
import { callNamesOf } from '../../data/lesson/lesson-texts';

/** What wants one word more before it is asked. */
type Opened = 'shorter' | 'without' | 'groups';

/** Minutes by which a plan is made shorter. */
const SHORTER_MIN = [15, 30, 45, 60];

/** The ways in which the machine is asked for a plan. */
@Component({
  selector: 'doceo-proposal-asks',
  template: `
    <div class="asks" role="group" aria-label="Let it be planned">
      <span class="soft small">Plan it</span>
      @if (filled()) {
        <button type="button" class="btn small" (click)="ask({ use: 'for-group' })">For this group</button>
        <button type="button" class="btn small" (click)="ask({ use: 'fill-rest' })">Fill the rest</button>
      }
      <button type="button" class="btn small" [class.go]="!filled()" (click)="ask({ use: 'fill' })">
        {{ filled() ? 'Fill it anew' : 'Fill it' }}
      </button>
      @if (filled()) {
        <button
          type="button"
          class="btn small"
          [attr.aria-expanded]="opened() === 'shorter'"
          (click)="toggle('shorter')"
        >
          Shorter by …
        </button>
        @if (students().length > 1) {
          <button
            type="button"
            class="btn small"
            [attr.aria-expanded]="opened() === 'without'"
            (click)="toggle('without')"
          >
            Without …
          </button>
        }
        <button type="button" class="btn small" (click)="ask({ use: 'with-assistant' })">
          With an assistant
        </button>
      }
      @if (students().length > 1) {
        <button
          type="button"
          class="btn small"
          [attr.aria-expanded]="opened() === 'groups'"
          (click)="toggle('groups')"
        >
          In groups …
        </button>
      }
    </div>
    @switch (opened()) {
      @case ('shorter') {
        <div class="asks more" role="group" aria-label="Shorter by">
          @for (min of shorterMin(); track min) {
            <button type="button" class="btn small figure" (click)="ask({ use: 'shorter', byMin: min })">
              {{ min }} min
            </button>
          }
        </div>
      }
      @case ('without') {
        <div class="asks more" role="group" aria-label="Without">
          @for (one of people(); track one.id) {
            <button type="button" class="btn small" (click)="ask({ use: 'without', studentIds: [one.id] })">
              {{ one.name }}
            </button>
          }
        </div>
      }
      @case ('groups') {
        <div class="asks more" role="group" aria-label="Groups">
          @for (way of splits(); track way.text) {
            <button type="button" class="btn small way" (click)="ask(way.use)">
              {{ way.text }} <span class="soft">{{ way.names }}</span>
            </button>
          }
          @if (hasLeft()) {
            <label class="small"
              ><input
                type="checkbox"
                [checked]="leftTogether()"
                (change)="leftTogether.set(!leftTogether())"
              />
              left hands together</label
            >
          }
        </div>
      }
    }
  `,
  styles: `
    .asks {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 6px;
      margin: 0 18px 8px 0;
    }
    .more {
      margin-left: 46px;
    }
    .way .soft {
      font-weight: 400;
      margin-left: 4px;
    }
    [aria-expanded='true'] {
      border-color: var(--ink);
      background: var(--sheet);
    }
    @media (max-width: 700px) {
      .asks {
        margin-right: 0;
      }
      .asks .btn {
        flex: none;
        min-height: 44px;
      }
      .more {
        margin-left: 0;
      }
    }
  `,
})
export class ProposalAsksComponent {
  /** Whether there is something in the plan. */
  readonly filled = input.required<boolean>();
  readonly lengthMin = input.required<number>();
  readonly students = input.required<readonly PlanStudent[]>();
  readonly asked = output<PlanUse>();

  protected readonly opened = signal<Opened | null>(null);
  protected readonly leftTogether = signal(true);
  protected readonly shorterMin = computed(() => SHORTER_MIN.filter((min) => this.lengthMin() - min >= 30));
  protected readonly people = computed(() =>
    [...callNamesOf(this.students())].map(([id, name]) => ({ id, name })),
  );
  protected readonly hasLeft = computed(
    () => this.students().filter(({ needs = [] }) => needs.includes('left-hand')).length > 1,
  );
  protected readonly splits = computed(() => {
    const most = Math.min(3, this.students().length);
    return (['readiness', 'mixed'] as const).flatMap((by) =>
      Array.from({ length: most - 1 }, (_, i) => this.splitOf(i + 2, by)),
    );
  });

  protected toggle(what: Opened): void {
    this.opened.update((open) => (open === what ? null : what));
  }

  protected ask(use: PlanUse): void {
    this.opened.set(null);
    this.asked.emit(use);
  }

  private splitOf(count: number, by: SplitBy): { text: string; names: string; use: PlanUse } {
    const called = callNamesOf(this.students());
    const parts = groupSplit(this.students(), {
      groups: count,
      by,
      leftTogether: this.hasLeft() && this.leftTogether(),
    });
    return {
      text: `${count} ${by === 'readiness' ? 'by readiness' : 'mixed'}`,
      names: parts.map((part) => part.map(({ id }) => called.get(id)).join(', ')).join(' | '),
      use: { use: 'groups', groups: parts.map((part) => part.map(({ id }) => id)) },
    };
  }
}
