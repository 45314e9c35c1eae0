import { Injectable } from '@angular/core';
import Dexie, { type Table } from 'dexie';

interface Copy {
  /** What was asked: path and query. */
  key: string;
  value: unknown;
  /** Whose it is. */
  owner: string;
  /** When the server said so, epoch milliseconds. */
  atMs: number;
}

class CopyDatabase extends Dexie {
  readonly copies!: Table<Copy, string>;

  constructor() {
    super('doceo-copies', { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ copies: 'key' });
  }
}

/** The row that says whose copies these are. It is here and not in `localStorage`, which a killed browser forgets. */
const OWNER = '#owner';

/**
 * The server's last answers, kept on this device for when there is no network. All of one user: when another signs in,
 * or the user signs out, they are gone. A device that cannot keep them works as without.
 */
@Injectable({ providedIn: 'root' })
export class DeviceCopies {
  private readonly database = new CopyDatabase();

  async keep(key: string, value: unknown): Promise<void> {
    const { copies } = this.database;
    await this.database
      .transaction('rw', copies, async () => {
        await copies.put({ key, value, owner: await this.owner(), atMs: Date.now() });
      })
      .catch(() => undefined);
  }

  /** Null when there is none of this user. */
  async find(key: string): Promise<{ value: unknown; atMs: number } | null> {
    try {
      const copy = await this.database.copies.get(key);
      return copy && copy.owner === (await this.owner()) ? copy : null;
    } catch {
      return null;
    }
  }

  /** Says whose copies are kept from now on; those of somebody else are dropped. */
  async ownedBy(userId: string): Promise<void> {
    const { copies } = this.database;
    await this.database
      .transaction('rw', copies, async () => {
        if ((await this.owner()) === userId) return;
        await copies.clear();
        await copies.put({ key: OWNER, value: userId, owner: userId, atMs: Date.now() });
      })
      .catch(() => undefined);
  }

  /** Drops all copies of one path. */
  async forget(path: string): Promise<void> {
    await this.database.copies
      .where('key')
      .startsWith(`${path}?`)
      .delete()
      .catch(() => undefined);
  }

  async clear(): Promise<void> {
    await this.database.copies.clear().catch(() => undefined);
  }

  private async owner(): Promise<string> {
    return String((await this.database.copies.get(OWNER))?.value ?? '');
  }
}
