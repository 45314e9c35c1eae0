import { inject, Injectable, linkedSignal, type WritableSignal } from '@angular/core';
import { DeviceUser } from './device-user';

/** Before the keys of what is not with the server yet. */
const DRAFT = 'draft.';

/**
 * Small things a browser keeps between starts, each under its user: settings of a screen, drafts. Nobody reads or
 * overwrites what another one left on the same device; while nobody is signed in nothing is kept.
 */
@Injectable({ providedIn: 'root' })
export class UserStorage {
  private readonly user = inject(DeviceUser);

  get(key: string): string | null {
    const id = this.user.id();
    return id === null ? null : localStorage.getItem(nameOf(id, key));
  }

  /** What cannot be kept, since the store is full or forbidden, is not; the screen goes on without. */
  set(key: string, text: string): void {
    const id = this.user.id();
    if (id === null) return;
    try {
      localStorage.setItem(nameOf(id, key), text);
    } catch {
      // A store that is full loses a convenience: what matters is with the server or in the bank's own store.
    }
  }

  remove(key: string): void {
    const id = this.user.id();
    if (id !== null) localStorage.removeItem(nameOf(id, key));
  }

  /** A value under a key, `otherwise` when there is none or it cannot be read; the user's own after each sign-in. */
  value<T>(key: string, otherwise: T): WritableSignal<T> {
    const kept = linkedSignal(() => this.read(key, otherwise));
    const { set } = kept;
    const keeping = kept as WritableSignal<T>;
    keeping.set = (value) => {
      set.call(kept, value);
      this.set(key, JSON.stringify(value));
    };
    keeping.update = (change) => keeping.set(change(keeping()));
    return keeping;
  }

  /** What somebody has not sent yet, by key. */
  draftsOf(userId: string): Record<string, string> {
    return Object.fromEntries(
      keysOf(userId)
        .filter((key) => key.startsWith(DRAFT))
        .map((key) => [key, localStorage.getItem(nameOf(userId, key)) ?? '']),
    );
  }

  putBack(userId: string, drafts: Readonly<Record<string, string>>): void {
    for (const [key, text] of Object.entries(drafts)) localStorage.setItem(nameOf(userId, key), text);
  }

  /** What a program of before left without a user: drafts become those of who has the device, the rest goes. */
  adoptOld(userId: string): void {
    for (const name of Object.keys(localStorage).filter((one) => one.startsWith('doceo.'))) {
      const key = name.slice('doceo.'.length);
      if (key.startsWith(DRAFT)) localStorage.setItem(nameOf(userId, key), localStorage.getItem(name) ?? '');
      localStorage.removeItem(name);
    }
  }

  /** Everything of somebody goes. */
  clear(userId: string): void {
    for (const key of keysOf(userId)) localStorage.removeItem(nameOf(userId, key));
  }

  private read<T>(key: string, otherwise: T): T {
    try {
      const text = this.get(key);
      return text === null ? otherwise : (JSON.parse(text) as T);
    } catch {
      return otherwise;
    }
  }
}

const nameOf = (userId: string, key: string): string => `doceo/${userId}/${key}`;

function keysOf(userId: string): string[] {
  const before = nameOf(userId, '');
  return Object.keys(localStorage)
    .filter((name) => name.startsWith(before))
    .map((name) => name.slice(before.length));
}
