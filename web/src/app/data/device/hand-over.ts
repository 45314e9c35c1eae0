import { inject, Injectable } from '@angular/core';
import { BankDatabase, type KeptEvent } from './bank-database';
import { DeviceCopies } from './device-copies';
import { SealedBoxes } from './sealed-boxes';
import { UserStorage } from './user-storage';

/** What a user had not sent when he left. */
interface Unsent {
  events: KeptEvent[];
  drafts: Record<string, string>;
}

/**
 * Passes a device from one user to the next. Who leaves takes everything along; only what he had not sent stays, sealed
 * for him, and is there again when he comes back.
 */
@Injectable({ providedIn: 'root' })
export class HandOver {
  private readonly bank = inject(BankDatabase);
  private readonly boxes = inject(SealedBoxes);
  private readonly copies = inject(DeviceCopies);
  private readonly storage = inject(UserStorage);

  /**
   * Somebody has signed in, or is here again.
   *
   * @param key what seals his things; null when this browser started without the server
   * @param keyOf the same of who had the device before, if he did not sign out
   */
  async arrive(
    userId: string,
    key: string | null,
    keyOf: (userId: string) => Promise<string | null>,
  ): Promise<void> {
    const before = await this.copies.owner();
    if (before !== '' && before !== userId) await this.leave(before, await keyOf(before));
    else this.storage.adoptOld(userId);
    await this.copies.ownedBy(userId);
    const unsent = key === null ? null : ((await this.boxes.open(userId, key)) as Unsent | null);
    if (!unsent) return;
    try {
      await this.bank.events.bulkPut(unsent.events);
      this.storage.putBack(userId, unsent.drafts);
      await this.boxes.drop(userId);
    } catch {
      // No room for it now: it stays sealed, and is tried again at the next start.
    }
  }

  /** Empties the device of somebody. What he has not sent stays as it is when it cannot be sealed: it is not lost. */
  async leave(userId: string, key: string | null): Promise<void> {
    const kept = await this.bank.of(userId).catch((): KeptEvent[] => []);
    const unsent: Unsent = {
      events: kept.filter(({ state }) => state !== 'sent'),
      drafts: this.storage.draftsOf(userId),
    };
    const something = unsent.events.length > 0 || Object.keys(unsent.drafts).length > 0;
    const sealed =
      !something || (key !== null && (await this.boxes.seal(userId, key, unsent).catch(() => false)));
    const gone = kept.filter(({ state }) => sealed || state === 'sent').map(({ id }) => id);
    await this.bank.events.bulkDelete(gone).catch(() => undefined);
    if (sealed) this.storage.clear(userId);
    await this.copies.clear();
    sessionStorage.clear();
  }
}
