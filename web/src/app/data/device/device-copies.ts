import { Injectable } from '@angular/core';
import Dexie, { type Table } from 'dexie';

interface Copy {
  /** Whose it is, and what was asked: path and query. */
  key: string;
  value: unknown;
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
 * The server's last answers, kept on this device for when there is no network, each under the user it was given to. A
 * device that cannot keep them works as without.
 */
@Injectable({ providedIn: 'root' })
export class DeviceCopies {
  private readonly database = new CopyDatabase();

  /** An answer that comes when somebody else has the device already is not kept. */
  async keep(userId: string, key: string, value: unknown): Promise<void> {
    const { copies } = this.database;
    await this.database
      .transaction('rw', copies, async () => {
        if ((await this.owner()) === userId)
          await copies.put({ key: nameOf(userId, key), value, atMs: Date.now() });
      })
      .catch(() => undefined);
  }

  /** Null when there is none of this user. */
  async find(userId: string, key: string): Promise<{ value: unknown; atMs: number } | null> {
    try {
      return (await this.database.copies.get(nameOf(userId, key))) ?? null;
    } catch {
      return null;
    }
  }

  /** Who has the device; empty for nobody. */
  async owner(): Promise<string> {
    try {
      return String((await this.database.copies.get(OWNER))?.value ?? '');
    } catch {
      return '';
    }
  }

  /** Hands the device to somebody; all copies of somebody else are dropped. */
  async ownedBy(userId: string): Promise<void> {
    const { copies } = this.database;
    await this.database
      .transaction('rw', copies, async () => {
        if ((await this.owner()) === userId) return;
        await copies.clear();
        await copies.put({ key: OWNER, value: userId, atMs: Date.now() });
      })
      .catch(() => undefined);
  }

  /** Drops all copies of one path. */
  async forget(userId: string, path: string): Promise<void> {
    await this.database.copies
      .where('key')
      .startsWith(nameOf(userId, `${path}?`))
      .delete()
      .catch(() => undefined);
  }

  async clear(): Promise<void> {
    await this.database.copies.clear().catch(() => undefined);
  }
}

const nameOf = (userId: string, key: string): string => `${userId} ${key}`;
