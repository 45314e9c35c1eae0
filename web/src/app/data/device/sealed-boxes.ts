import { Injectable } from '@angular/core';
import Dexie, { type Table } from 'dexie';

interface Box {
  userId: string;
  iv: Uint8Array<ArrayBuffer>;
  sealed: ArrayBuffer;
}

class BoxDatabase extends Dexie {
  readonly boxes!: Table<Box, string>;

  constructor() {
    super('doceo-sealed', { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ boxes: 'userId' });
  }
}

/**
 * What waits on this device while its user is signed out, sealed with a key that only the server gives, and only to him
 * (AES-GCM, 256 bits, a fresh vector each time).
 */
@Injectable({ providedIn: 'root' })
export class SealedBoxes {
  private readonly database = new BoxDatabase();

  /**
   * Seals something for a user; false when this browser cannot, as on a page without HTTPS.
   *
   * @param key 32 bytes in base64
   */
  async seal(userId: string, key: string, content: unknown): Promise<boolean> {
    if (!globalThis.crypto?.subtle) return false;
    const iv = crypto.getRandomValues(new Uint8Array(12));
    const sealed = await crypto.subtle.encrypt(
      { name: 'AES-GCM', iv },
      await imported(key),
      new TextEncoder().encode(JSON.stringify(content)),
    );
    await this.database.boxes.put({ userId, iv, sealed });
    return true;
  }

  /** What is sealed for a user; null when there is nothing, or the key does not fit. It stays until it is dropped. */
  async open(userId: string, key: string): Promise<unknown> {
    const box = await this.database.boxes.get(userId).catch(() => undefined);
    if (!box || !globalThis.crypto?.subtle) return null;
    try {
      const open = await crypto.subtle.decrypt(
        { name: 'AES-GCM', iv: box.iv },
        await imported(key),
        box.sealed,
      );
      return JSON.parse(new TextDecoder().decode(open)) as unknown;
    } catch {
      return null;
    }
  }

  async drop(userId: string): Promise<void> {
    await this.database.boxes.delete(userId).catch(() => undefined);
  }
}

function imported(key: string): Promise<CryptoKey> {
  const bytes = Uint8Array.from(atob(key), (letter) => letter.charCodeAt(0));
  return crypto.subtle.importKey('raw', bytes, 'AES-GCM', false, ['encrypt', 'decrypt']);
}
