import { Component, computed, inject, input, output } from '@angular/core';
import { type PlanBody, rowKey, type Score } from '@doceo/core';
import { changesCounted, useText, whyNotText } from '@doceo/texts';
import { PlanProposal } from './plan-proposal';

/** A figure before and after, and where both lie between the worst and the best. */
interface Bead {
  name: string;
  before: string;
  after: string;
  unit: string;
  /** Places on the line, 0…1. */
  from: number;
  to: number;
  better: boolean;
}

/** What a proposal does and gains, over the plan it is shown in: taken, in part or whole, or left. */
@Component({
  selector: 'doceo-proposal-bar',
  template: `
    <section class="bar" aria-label="Preview" role="status">
      @if (none(); as why) {
        <p class="told">
          <b>{{ why.title }}</b>&ngsp; <span>{{ why.reason }}</span>
        </p>
        <button type="button" class="btn" (click)="proposal.leave()">Leave it</button>
      } @else if (proposal.failed(); as text) {
        <p class="told">
          <b>It could not be planned</b>&ngsp; <span>{{ text }}</span>
        </p>
        <button type="button" class="btn" (click)="proposal.leave()">Leave it</button>
      } @else {
        <p class="told">
          <b>Preview: {{ name() }}</b
          >&ngsp;
          <span>{{ counted() }}{{ typical() ? ', for a typical group' : '' }}</span>
        </p>
        @for (bead of beads(); track bead.name) {
          <div class="bead">
            <span
              >{{ bead.name }}
              <b class="figure">{{ bead.before }}{{ bead.before ? ' → ' : '' }}{{ bead.after }}</b>
              {{ bead.unit }}</span
            >
            <svg viewBox="0 0 100 12" aria-hidden="true">
              <path class="line" d="M4 6H96" />
              <path class="way" [class.better]="bead.better" [attr.d]="wayOf(bead)" />
              <circle class="was" r="4" cy="6" [attr.cx]="4 + 92 * bead.from" />
              <circle class="is" r="4.6" cy="6" [attr.cx]="4 + 92 * bead.to" />
            </svg>
          </div>
        }
        <span class="acts">
          @if (proposal.running()) {
            <progress [value]="proposal.share()" max="1" aria-label="How far it is"></progress>
            <button type="button" class="btn small" (click)="proposal.stop()">Stop</button>
          }
          <button type="button" class="btn go" [disabled]="!proposal.plan()" (click)="take()">
            {{ proposal.parts() ? 'Take these' : 'Take' }}
          </button>
          <button
            type="button"
            class="btn"
            [disabled]="!proposal.plan() || proposal.running()"
            [attr.aria-pressed]="proposal.parts() !== null"
            (click)="parts()"
          >
            Parts
          </button>
          <button type="button" class="btn" (click)="proposal.leave()">Leave</button>
        </span>
      }
    </section>
  `,
  styleUrl: './proposal-bar.component.css',
})
export class ProposalBarComponent {
  protected readonly proposal = inject(PlanProposal);
  readonly nameOf = input.required<(studentId: string) => string>();
  /** Whether the plan has no day, so that a typical group stands in. */
  readonly typical = input(false);
  readonly taken = output<PlanBody>();

  protected readonly none = computed(() => {
    const none = this.proposal.none();
    if (!none) return null;
    return none.whyNot
      ? whyNotText(none.whyNot)
      : { title: 'Nothing better was found', reason: 'The plan stays as it is.' };
  });
  protected readonly name = computed(() => {
    const use = this.proposal.use();
    return use ? useText(use, this.nameOf()) : '';
  });
  protected readonly counted = computed(() => {
    const changes = this.proposal.changes();
    if (!changes) return 'looking …';
    return changesCounted(
      changes.rows.map(({ change }) => change),
      changes.gone.length,
    );
  });
  protected readonly beads = computed<Bead[]>(() => {
    const [after, before] = [this.proposal.score(), this.proposal.before()];
    return after ? beadsOf(before?.score ?? null, after) : [];
  });

  protected wayOf({ from, to }: Bead): string {
    return `M${4 + 92 * Math.min(from, to)} 6H${4 + 92 * Math.max(from, to)}`;
  }

  protected take(): void {
    const plan = this.proposal.plan();
    if (!plan) return;
    this.proposal.leave();
    this.taken.emit(plan);
  }

  protected parts(): void {
    const changes = this.proposal.changes();
    if (!changes) return;
    if (this.proposal.parts()) this.proposal.parts.set(null);
    else
      this.proposal.chooseParts(
        [
          ...changes.rows.filter(({ change }) => change.kind !== 'same').map(({ row }) => row),
          ...changes.gone,
        ].map(rowKey),
      );
  }
}

function beadsOf(before: Score | null, after: Score): Bead[] {
  const bead = (
    name: string,
    unit: string,
    figure: (score: Score) => number,
    digits: number,
    most: number,
    moreIsBetter: boolean,
  ): Bead => {
    const [from, to] = [figure(before ?? after), figure(after)];
    const top = Math.max(most, from, to);
    return {
      ...{ name, unit, from: from / top, to: to / top },
      before: before ? from.toFixed(digits) : '',
      after: to.toFixed(digits),
      better: moreIsBetter ? to >= from : to <= from,
    };
  };
  return [
    bead('Gain', 'skills', ({ figures }) => figures.gainSkills, 1, 3, true),
    bead('Waiting', 'min', ({ figures }) => figures.idleMin, 0, 30, false),
    bead('Walks', '', ({ figures }) => figures.walks, 1, 6, false),
  ];
}
