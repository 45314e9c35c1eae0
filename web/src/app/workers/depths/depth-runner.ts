import { inject, Injectable } from '@angular/core';
import type { DepthGrid, Lake } from '@doceo/core';
import { proxy, wrap } from 'comlink';
import { Observable } from 'rxjs';
import { computeDepths } from './depths';
import { workerBroken } from '../worker-broken';
import { DEPTHS_WORKER } from './depths-token';

/** How far a run is, 0…1, and its grid at the end. */
export interface DepthStep {
  share: number;
  grid: DepthGrid | null;
}

interface DepthsApi {
  computeDepths: typeof computeDepths;
}

/** Computes the depths of a lake in a worker; whoever stops listening stops it. */
@Injectable({ providedIn: 'root' })
export class DepthRunner {
  private readonly startWorker = inject(DEPTHS_WORKER, { optional: true });

  /** @param cells each way, for a square lake */
  run(lake: Lake, cells: number): Observable<DepthStep> {
    return new Observable((listener) => {
      const worker = this.startWorker?.();
      const tell = (share: number): void => listener.next({ share, grid: null });
      const grid = worker
        ? Promise.race([
            wrap<DepthsApi>(worker).computeDepths(lake, cells, proxy(tell)),
            workerBroken(worker),
          ])
        : computeDepths(lake, cells, tell);
      grid.then(
        (found) => {
          listener.next({ share: 1, grid: found });
          listener.complete();
        },
        (error: unknown) => listener.error(error),
      );
      return () => worker?.terminate();
    });
  }
}
