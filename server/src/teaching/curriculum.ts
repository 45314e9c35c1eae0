import { type Curriculum, type OwnedLayer, resolveCurriculum } from '@doceo/core';
import { SHIPPED_LAYER } from '@doceo/core/shipped';
import type { Db } from '../db/pool';
import { findLayer, findLayerVersion, findTeachesBy, type LayerOf } from './teaching.sql';

/** Resolved curricula by owners and versions of their layers; the oldest goes first. */
const resolved = new Map<string, Curriculum>();
const MAX_KEPT = 100;

/** What an instructor teaches: his layer over that of his circle over what ships. */
export async function curriculumFor(db: Db, userId: string): Promise<Curriculum> {
  const circle = await findTeachesBy(db, userId);
  const owners: { owner: OwnedLayer['owner']; of: LayerOf }[] = [
    ...(circle ? [{ owner: 'circle' as const, of: { circleId: circle.id } }] : []),
    { owner: 'own', of: { userId } },
  ];
  const versions = await Promise.all(owners.map(({ of }) => findLayerVersion(db, of)));
  const saved = owners.filter((_, i) => versions[i] !== 0);
  const key = JSON.stringify(saved.map(({ of }) => [of, versions[owners.findIndex((one) => one.of === of)]]));
  const kept = resolved.get(key);
  if (kept) return kept;
  const layers: OwnedLayer[] = await Promise.all(
    saved.map(async ({ owner, of }) => ({ owner, layer: (await findLayer(db, of)).layer })),
  );
  const made = resolveCurriculum([{ owner: 'shipped', layer: SHIPPED_LAYER }, ...layers]);
  resolved.set(key, made);
  for (const old of [...resolved.keys()].slice(0, -MAX_KEPT)) resolved.delete(old);
  return made;
}
