import { LEAD } from '@doceo/demo';
import type { Page } from 'puppeteer-core';

/** Calls the API with the session of the page. */
export function ask<T>(page: Page, path: string, body?: object): Promise<T> {
  return page.evaluate(
    async (at, sent) => {
      const init = sent
        ? { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: sent }
        : {};
      return (await (await fetch(at, init)).json()) as never;
    },
    path,
    body ? JSON.stringify(body) : null,
  );
}

/** Everything this device keeps in its databases, by database and store. */
export function storesOf(page: Page): Promise<Record<string, unknown[]>> {
  return page.evaluate(async () => {
    const found: Record<string, unknown[]> = {};
    for (const { name } of await indexedDB.databases()) {
      const database = await new Promise<IDBDatabase>((resolve, reject) => {
        const open = indexedDB.open(name ?? '');
        open.onsuccess = () => resolve(open.result);
        open.onerror = () => reject(new Error('The store does not open.'));
      });
      for (const store of database.objectStoreNames)
        found[`${name}/${store}`] = await new Promise<unknown[]>((resolve, reject) => {
          const all = database.transaction(store).objectStore(store).getAll();
          all.onsuccess = () => resolve(all.result as unknown[]);
          all.onerror = () => reject(new Error('The store cannot be read.'));
        });
      database.close();
    }
    return found;
  });
}

/** Entries of the bank book this device keeps, sent or not. */
export async function onDevice(page: Page): Promise<{ id: string; state: string }[]> {
  return ((await storesOf(page))['doceo-bank/events'] ?? []) as { id: string; state: string }[];
}

/** Waits until this device has acknowledged so many entries. */
export async function acknowledged(page: Page, count: number): Promise<void> {
  for (let tries = 0; tries < 1500 && (await onDevice(page)).length < count; tries++)
    await new Promise((resolve) => setTimeout(resolve, 20));
}

/** Puts down on the device what the lead instructor would have chosen there. */
export function keepOnDevice(page: Page, key: string, value: unknown): Promise<void> {
  return page.evaluate(
    (name, text) => localStorage.setItem(name, text),
    `doceo/${LEAD.id}/${key}`,
    JSON.stringify(value),
  );
}

/** Everything that this device keeps of the application as one text: its stores, and what its caches are of. */
export async function keptOn(page: Page): Promise<string> {
  const small = await page.evaluate(async () => {
    const texts = [JSON.stringify({ ...localStorage }), JSON.stringify({ ...sessionStorage })];
    for (const name of await caches.keys())
      for (const request of await (await caches.open(name)).keys()) texts.push(request.url);
    return texts.join(' ');
  });
  return `${small} ${JSON.stringify(await storesOf(page))}`;
}
