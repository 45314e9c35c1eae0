import { TestBed } from '@angular/core/testing';
import { DEFAULT_SETUP } from '@doceo/core';
import { firstValueFrom } from 'rxjs';
import { runJob } from './bench-api';
import { BenchRunner } from './bench-runner';
import { BENCH_WORKER } from './bench-token';

describe('the runner of the benches', () => {
  const runner = (): BenchRunner => TestBed.inject(BenchRunner);

  it('computes, and brings errors of the core with code and facts', async () => {
    const { run } = await firstValueFrom(runner().run('surface', { durationS: 1 }));
    expect(run.frames).toHaveLength(11);
    await expect(firstValueFrom(runner().run('surface', { nodes: 9999 }))).rejects.toMatchObject({
      code: 'out-of-range',
      facts: { name: 'nodes', value: 9999 },
    });
  });

  it('tells what a mend gains beside the same line fed, only where there is one', () => {
    const plain = runJob('surface', [{ durationS: 2 }]) as { value: { fedCleanM: number | null } };
    expect(plain.value.fedCleanM).toBeNull();
    const mended = runJob('surface', [
      { durationS: 2, acts: [{ kind: 'mend', atS: 0.5, sizeM: 1, way: 'up', from: 0.1, to: 0.8 }] },
    ]) as { value: { fedCleanM: number | null; leftCleanM: number | null } };
    expect(mended.value.fedCleanM).not.toBeNull();
    expect(mended.value.leftCleanM).not.toBeNull();
  });

  it('is not blocked by a worker that cannot be loaded: each job is told, and the next is tried anew', async () => {
    const started: EventTarget[] = [];
    TestBed.configureTestingModule({
      providers: [
        {
          provide: BENCH_WORKER,
          useValue: () => {
            const worker = Object.assign(new EventTarget(), {
              postMessage: () => setTimeout(() => worker.dispatchEvent(new Event('error'))),
              start: () => undefined,
              terminate: () => undefined,
            });
            started.push(worker);
            return worker;
          },
        },
      ],
    });
    const jobs = Array.from({ length: 5 }, () => firstValueFrom(runner().run('surface', { durationS: 1 })));
    for (const job of jobs) await expect(job).rejects.toThrow('could not be started');
    expect(started.length).toBe(5);
  });

  it('does what is looked at before the rest of a list, and nothing that nobody waits for', async () => {
    const order: string[] = [];
    const way = { id: 'a', standM: 0, handling: 'still', mend: null } as const;
    const list = Array.from({ length: 6 }, (_, i) =>
      runner()
        .runOfMany('rank', DEFAULT_SETUP, way)
        .subscribe(() => order.push(`list ${i}`)),
    );
    const seen = firstValueFrom(runner().run('surface', { durationS: 1 })).then(() => order.push('seen'));
    list[5]!.unsubscribe();
    await seen;
    // Two were under way already.
    expect(order.indexOf('seen')).toBeLessThanOrEqual(3);
    // One more of a list ends after all that were asked for before it.
    await firstValueFrom(runner().runOfMany('surface', { durationS: 1 }));
    expect(order).toContain('list 4');
    expect(order).not.toContain('list 5');
  });
});
