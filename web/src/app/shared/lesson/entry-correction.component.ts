import { Component, computed, inject, input, output, signal } from '@angular/core';
import {
  type BankEvent,
  type BankEventBody,
  type EntryChange,
  faultsOfStrand,
  likeliestFaults,
} from '@doceo/core';
import { EntryCorrections } from '../../data/records/entry-corrections';
import { TeachingStore } from '../../data/teaching/teaching-store';

/** Faults that are offered, the likeliest first. */
const MAX_FAULTS = 8;

interface Choice {
  text: string;
  change: EntryChange;
  now: boolean;
}

/** One entry, opened: what it should have been. The first entry stays readable below the new one. */
@Component({
  selector: 'doceo-entry-correction',
  template: `
    <div class="choices" role="group" aria-label="What was it?">
      @for (choice of choices(); track choice.text) {
        <button
          type="button"
          [attr.aria-pressed]="choice === picked() || (picked() === null && choice.now)"
          (click)="pick(choice)"
        >
          {{ choice.text }}
        </button>
      }
    </div>
    <div class="row">
      <button type="button" class="yes" [disabled]="busy() || picked() === null" (click)="correct()">
        Correct it
      </button>
      <button type="button" (click)="closed.emit([])">Cancel</button>
      @if (picked() === null) {
        <span class="small">Choose what it was.</span>
      }
    </div>
    @if (failed()) {
      <p class="wrong" role="alert">This device could not keep it. Nothing was changed; try again.</p>
    }
    <p class="small">The first entry stays readable under the new one.</p>
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
    .choices,
    .row {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px;
    }
    button {
      font: 600 14px var(--body);
      color: var(--ink);
      background: #fff;
      border: 1.5px solid var(--ink);
      padding: 4px 10px;
      min-height: 36px;
      cursor: pointer;
    }
    button[aria-pressed='true'] {
      background: var(--sighter);
      color: var(--ink);
    }
    .yes {
      background: var(--ink);
      color: #fff;
    }
    .yes:disabled {
      background: #fff;
      color: var(--ink-soft);
      border-style: dashed;
    }
    p {
      margin: 0;
      color: var(--ink-soft);
    }
    @media (pointer: coarse) {
      button {
        min-height: 56px;
        font-size: 17px;
      }
    }
  `,
})
export class EntryCorrectionComponent {
  private readonly teaching = inject(TeachingStore);
  private readonly corrections = inject(EntryCorrections);
  readonly entry = input.required<BankEvent>();
  /** Others in the lesson whose it may have been. */
  readonly others = input<readonly { id: string; first: string }[]>([]);
  /** Whose it is now, by first name; null for the whole group. */
  readonly of = input<string | null>(null);
  /** The events that correct it; none when nothing was changed. */
  readonly closed = output<BankEvent[]>();
  protected readonly picked = signal<Choice | null>(null);
  protected readonly busy = signal(false);
  protected readonly failed = signal(false);

  protected readonly choices = computed<Choice[]>(() => [
    ...this.outcomes(),
    ...this.others().map(({ id, first }) => ({
      text: this.of() ? `it was ${first}, not ${this.of()}` : `it was ${first}`,
      change: { as: 'other-student', studentId: id } as const,
      now: false,
    })),
    { text: 'did not count', change: { as: 'did-not-count' }, now: false },
  ]);

  protected pick(choice: Choice): void {
    this.picked.set(choice.now ? null : choice);
  }

  protected async correct(): Promise<void> {
    const picked = this.picked();
    if (!picked) return;
    this.busy.set(true);
    this.failed.set(false);
    try {
      this.closed.emit(await this.corrections.correct(this.entry(), picked.change));
    } catch {
      this.failed.set(true);
    } finally {
      this.busy.set(false);
    }
  }

  /** Of an attempt: good, or one of the faults of its skill, its own among them. */
  private outcomes(): Choice[] {
    const { body } = this.entry();
    if (body.kind !== 'attempt') return [];
    const { skills, drills, faults } = this.teaching.curriculum();
    const skill = skills.find(body.skillId);
    const likely =
      skill && canShowFault(body)
        ? likeliestFaults(
            {},
            [...skill.faults, ...(drills.find(body.drillId ?? '')?.watchFor ?? [])],
            faultsOfStrand(skills.all, skill.strand),
            MAX_FAULTS,
          )
        : [];
    const ids = [...new Set([...(body.faultId ? [body.faultId] : []), ...likely])];
    return [
      { text: 'good', change: { as: 'good' }, now: body.good },
      ...(ids.length === 0
        ? [{ text: 'not good', change: { as: 'fault', faultId: null } as const, now: !body.good }]
        : []),
      ...ids.map((faultId) => ({
        text: faults.get(faultId).short.toLowerCase(),
        change: { as: 'fault', faultId } as const,
        now: faultId === body.faultId,
      })),
    ];
  }
}

/** An answer or a figure shows no fault: it was good or not. */
function canShowFault({ evidence = 'drill' }: Extract<BankEventBody, { kind: 'attempt' }>): boolean {
  return evidence === 'drill' || evidence === 'passing' || evidence === 'side';
}
