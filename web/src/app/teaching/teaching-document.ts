import { api, type SavedLayer, type Teaching } from '@doceo/contract';
import { emptyLayer, type Layer, mergeLayers } from '@doceo/core';
import { catchError, map, type Observable, switchMap, throwError } from 'rxjs';
import type { ApiClient } from '../data/api/api-client';
import type { ApiError } from '../data/api/api-error';
import type { DocumentSource } from '../data/documents/edited-document';
import type { TeachingStore } from '../data/teaching/teaching-store';

/** Whose layer is edited. */
export type Whose = 'own' | 'circle';

/** A source of layers that knows what each version was. */
export interface LayerSource extends DocumentSource<Layer> {
  /** The layer of a version as far as it was seen here; an empty one, that agrees with nobody, where it was not. */
  at: (version: number) => Layer;
}

/**
 * Where a layer comes from and goes to. Who was too late to save has his change made one with the other's, entry by entry;
 * only where both changed the same entry is he asked.
 */
export function layerSource(
  client: ApiClient,
  store: TeachingStore,
  whose: Whose,
  circleId: string | null,
): LayerSource {
  const seen = new Map<number, Layer>();
  const at = (version: number): Layer => seen.get(version) ?? emptyLayer();
  const of = (teaching: Teaching): SavedLayer =>
    (whose === 'own' ? teaching.own : teaching.circle) ?? {
      layer: emptyLayer(),
      version: 0,
      savedBy: '',
      savedAt: null,
    };
  const heard = (teaching: Teaching): { value: Layer; version: number } => {
    store.heard(teaching);
    const { layer, version } = of(teaching);
    seen.set(version, layer);
    return { value: layer, version };
  };
  const get = (): Observable<Teaching> => client.call(api.teaching.get);
  const put = (layer: Layer, baseVersion: number): Observable<Teaching> =>
    whose === 'own'
      ? client.call(api.teaching.update, { body: { layer, baseVersion } })
      : client.call(api.teaching.updateCircle, {
          params: { id: circleId ?? '' },
          body: { layer, baseVersion },
        });
  return {
    key: `draft.teaching.${circleId ?? whose}`,
    at,
    load: () => get().pipe(map(heard)),
    save: (layer, baseVersion) =>
      put(layer, baseVersion).pipe(
        map(heard),
        catchError((error: ApiError) => {
          if (error.code !== 'version-conflict') return throwError(() => error);
          return get().pipe(
            switchMap((teaching) => {
              const theirs = of(teaching);
              const merge = (mine: Layer) => mergeLayers(at(baseVersion), mine, theirs.layer);
              const { layer: merged, clashes } = merge(layer);
              return clashes.length > 0
                ? throwError(() => error)
                : put(merged, theirs.version).pipe(
                    map(heard),
                    map((stored) => ({ ...stored, rebase: (mine: Layer) => merge(mine).layer })),
                  );
            }),
          );
        }),
      ),
  };
}
