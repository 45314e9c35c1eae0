import { inject, Injectable } from '@angular/core';
import { api, type SavedPlan } from '@doceo/contract';
import { type MergeChoices, mergePlans, type SharedPlan } from '@doceo/core';
import { MessageService } from 'primeng/api';
import { map, tap } from 'rxjs';
import { ApiClient } from '../data/api/api-client';
import { UserStorage } from '../data/device/user-storage';
import { KeptSteps } from '../data/documents/kept-steps';
import { EditedDocument } from '../data/documents/edited-document';

/** What of a plan is edited. */
export type PlanValue = SharedPlan;

/** Opens plans for editing. */
@Injectable({ providedIn: 'root' })
export class PlanDocuments {
  private readonly client = inject(ApiClient);
  private readonly storage = inject(UserStorage);
  private readonly kept = inject(KeptSteps);
  private readonly messages = inject(MessageService);

  /** @param seen told of every state of the plan that the server sends */
  open(id: string, seen: (plan: SavedPlan) => void): EditedDocument<PlanValue> {
    const toValue = (plan: SavedPlan): { value: PlanValue; version: number } => ({
      value: { title: plan.title, body: plan.body },
      version: plan.version,
    });
    return new EditedDocument<PlanValue>(
      {
        key: `draft.plan.${id}`,
        load: () => this.client.call(api.plans.get, { params: { id } }).pipe(tap(seen), map(toValue)),
        save: (value, baseVersion) =>
          this.client
            .call(api.plans.update, { params: { id }, body: { ...value, baseVersion } })
            .pipe(tap(seen), map(toValue)),
        merge: (base, mine, theirs) => {
          const { plan, conflicts } = mergePlans(base, mine, theirs);
          if (conflicts.length === 0) return { value: plan, asks: false };
          const here: MergeChoices = Object.fromEntries(conflicts.map(({ path }) => [path, 'mine']));
          return { value: mergePlans(base, mine, theirs, here).plan, asks: true };
        },
        merged: () =>
          this.messages.add({
            ...{ severity: 'info', life: 8000 },
            summary: 'It was changed elsewhere too. Both changes are in the plan now.',
          }),
      },
      this.storage,
      this.kept,
    );
  }
}
