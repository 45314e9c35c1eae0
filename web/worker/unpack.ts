/** Many files of the build in one: where it is, and its type, which says where each of them begins. */
export interface Pack {
  url: string;
  type: string;
}

/**
 * Puts the files of a pack into a cache that is empty yet: one request in the place of many, which on a weak network each
 * take their time. Where a build of before is kept, only what has changed is fetched, and not the pack.
 */
export async function unpack({ url, type }: Pack, cacheName: string): Promise<void> {
  const cache = await caches.open(cacheName);
  if ((await cache.keys()).length > 0) return;
  const answer = await fetch(url, { credentials: 'same-origin' });
  if (!answer.ok) return;
  const form = new Response(await answer.blob(), { headers: { 'Content-Type': type } });
  for (const [path, file] of await form.formData())
    if (file instanceof File)
      await cache.put(path, new Response(file, { headers: { 'Content-Type': file.type } }));
}
