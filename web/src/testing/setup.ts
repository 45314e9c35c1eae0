import { webcrypto } from 'node:crypto';
import { deserialize, serialize } from 'node:v8';

// What browsers have and jsdom lacks; fake-indexeddb needs the first when it is loaded.
globalThis.structuredClone ??= <T>(value: T): T => deserialize(serialize(value)) as T;
if (!globalThis.crypto?.randomUUID) Object.defineProperty(globalThis, 'crypto', { value: webcrypto });
window.matchMedia ??= (query: string): MediaQueryList =>
  ({
    matches: false,
    media: query,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
    addListener: () => undefined,
    removeListener: () => undefined,
  }) as unknown as MediaQueryList;
globalThis.ResizeObserver ??= class {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
};

/* eslint-disable @typescript-eslint/no-require-imports -- these must be loaded after the lines above */
require('fake-indexeddb/auto');
const { setupZonelessTestEnv } = require('jest-preset-angular/setup-env/zoneless') as {
  setupZonelessTestEnv: () => void;
};

setupZonelessTestEnv();
