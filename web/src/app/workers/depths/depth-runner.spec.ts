import { TestBed } from '@angular/core/testing';
import { depthAt, type DepthGrid } from '@doceo/core';
import { SAVED_LAKE } from '../../../testing/waters';
import { DepthRunner, type DepthStep } from './depth-runner';
import { DEPTHS_WORKER } from './depths-token';

const PORT = {
  addEventListener: () => undefined,
  removeEventListener: () => undefined,
  start: () => undefined,
  postMessage: () => undefined,
};

/** A worker that never answers, and knows whether it was ended. */
function silentWorker(): Worker & { ended: boolean } {
  const worker = {
    ...PORT,
    ended: false,
    terminate: () => {
      worker.ended = true;
    },
  };
  return worker as unknown as Worker & { ended: boolean };
}

describe('depths of a lake', () => {
  it('come with how far they are, and the grid at the end', async () => {
    TestBed.configureTestingModule({});
    const steps: DepthStep[] = [];
    await new Promise<void>((resolve) =>
      TestBed.inject(DepthRunner)
        .run(SAVED_LAKE.lake, 40)
        .subscribe({ next: (step) => steps.push(step), complete: resolve }),
    );
    const shares = steps.map(({ share }) => share);
    expect(shares.length).toBeGreaterThan(5);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    const { grid } = steps.at(-1)!;
    expect([grid?.columns, grid?.rows]).toEqual([40, 40]);
    expect(depthAt(grid!, { x: 100, y: 100 })).toBe(10);
    expect(steps.slice(0, -1).every((step) => step.grid === null)).toBe(true);
  });

  it('end with their worker when nobody listens any more', () => {
    // The test's browser has no channels between windows and workers.
    Object.assign(globalThis, {
      MessageChannel: class {
        port1 = PORT;
        port2 = PORT;
      },
    });
    const worker = silentWorker();
    TestBed.configureTestingModule({ providers: [{ provide: DEPTHS_WORKER, useValue: () => worker }] });
    const run = TestBed.inject(DepthRunner).run(SAVED_LAKE.lake, 40).subscribe();
    expect(worker.ended).toBe(false);
    run.unsubscribe();
    expect(worker.ended).toBe(true);
  });

  it('have as many cells as a square has, in the form of the lake', async () => {
    TestBed.configureTestingModule({});
    const long = { ...SAVED_LAKE.lake, lengthM: 800 };
    const grid = await new Promise<DepthGrid>((resolve) =>
      TestBed.inject(DepthRunner)
        .run(long, 20)
        .subscribe(({ grid: found }) => found && resolve(found)),
    );
    expect([grid.columns, grid.rows]).toEqual([40, 10]);
  });
});
