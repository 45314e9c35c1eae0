import { Component, computed, inject, input, signal } from '@angular/core';
import { api } from '@doceo/contract';
import { type MergeChoices, mergePlans, MERGE_SIDES, type MergeSide, planDifferences } from '@doceo/core';
import { planDifferenceInWords, planPathText, planValueText } from '@doceo/texts';
import { MessageService } from 'primeng/api';
import { ApiClient } from '../../data/api/api-client';
import { Failures } from '../../data/api/failures';
import type { EditedDocument } from '../../data/documents/edited-document';
import { SessionStore } from '../../data/session';
import { DialogComponent } from '../../parts/dialogs/dialog.component';
import type { PlanValue } from '../plan-document';

const SIDE_NAMES: Record<MergeSide, string> = { mine: 'Here', theirs: 'Elsewhere', origin: 'As it was' };
const SIDES: readonly MergeSide[] = ['mine', 'theirs', 'origin'];

/**
 * The plan was saved elsewhere in the meantime. What was changed on one side only stands; what both changed is asked here,
 * one by one, and nothing is overwritten unseen.
 */
@Component({
  selector: 'doceo-conflict-dialog',
  imports: [DialogComponent],
  templateUrl: './conflict-dialog.component.html',
  styleUrl: './conflict-dialog.component.css',
})
export class ConflictDialogComponent {
  private readonly client = inject(ApiClient);
  private readonly failures = inject(Failures);
  private readonly messages = inject(MessageService);
  private readonly session = inject(SessionStore);
  readonly of =
    input.required<
      Pick<EditedDocument<PlanValue>, 'base' | 'value' | 'theirs' | 'keepMine' | 'takeTheirs' | 'settle'>
    >();
  private readonly mine = computed(() => this.of().value()!);
  private readonly theirs = computed(() => this.of().theirs()?.value ?? this.mine());
  /** What both began with; null where that is not known any more: then one of the two is chosen. */
  protected readonly base = computed(() => this.of().base());

  protected readonly choices = signal<MergeChoices>({});
  /** What both changed, and what stands without asking. */
  private readonly merge = computed(() => {
    const base = this.base();
    return base && mergePlans(base, this.mine(), this.theirs());
  });
  protected readonly questions = computed(() => {
    const [base, merge] = [this.base(), this.merge()];
    if (!base || !merge) return [];
    const plans = { origin: base, mine: this.mine(), theirs: this.theirs() };
    return merge.conflicts.map((conflict) => ({
      path: conflict.path,
      what: planPathText(
        conflict.path,
        MERGE_SIDES.map((side) => plans[side]),
      ),
      options: SIDES.map((side) => ({
        side,
        name: SIDE_NAMES[side],
        text: planValueText(conflict.path, conflict[side], plans[side], this.session.units()),
      })),
    }));
  });
  protected readonly open = computed(
    () => this.questions().filter(({ path }) => !this.choices()[path]).length,
  );
  protected readonly apart = computed(() => {
    const from = this.merge()?.from;
    return from ? from.mine.length + from.theirs.length + from.both.length : 0;
  });
  /** Where it is not known what both began with: all that differs. */
  protected readonly differences = computed(() =>
    this.base()
      ? []
      : planDifferences(this.theirs(), this.mine()).flatMap((one) =>
          planDifferenceInWords(one, this.theirs(), this.mine(), this.session.units()),
        ),
  );

  protected choose(path: string, side: MergeSide): void {
    this.choices.update((choices) => ({ ...choices, [path]: side }));
  }

  /** As it was chosen; steps of undo have what was done elsewhere in them too. */
  protected putTogether(): void {
    const [base, theirs, choices] = [this.base(), this.theirs(), this.choices()];
    if (!base) return;
    const here: MergeChoices = Object.fromEntries(Object.keys(choices).map((path) => [path, 'mine']));
    this.of().settle(
      mergePlans(base, this.mine(), theirs, choices).plan,
      (step) => mergePlans(base, step, theirs, here).plan,
    );
  }

  protected keepBoth(): void {
    const { title, body } = this.mine();
    this.client
      .call(api.plans.create, {
        body: { id: crypto.randomUUID(), title: `${title} (mine)`.slice(0, 80), body },
      })
      .subscribe({
        next: () => {
          this.of().takeTheirs();
          this.messages.add({
            ...{ severity: 'success', life: 4000 },
            summary: 'Yours is kept as a plan of its own',
          });
        },
        error: this.failures.tell,
      });
  }
}
