import { computed, inject, type Signal, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import type { CoreError } from '@doceo/core';
import { catchError, EMPTY, map, switchMap } from 'rxjs';
import type { Bench, BenchName } from '../../workers/bench-api';
import { BenchRunner } from '../../workers/bench-runner';

type Asked<Name extends BenchName> = Parameters<Bench[Name]>;
type Found<Name extends BenchName> = ReturnType<Bench[Name]>;

/** The last run that came to an end with what it is of, and why the latest one did not. */
export interface BenchRun<Of, Result> {
  ran: Signal<{ of: Of; result: Result } | null>;
  stopped: Signal<CoreError | null>;
}

/**
 * Runs a computation of the benches anew whenever what it is of changes; one that is overtaken is ended. Call it where
 * things are injected.
 *
 * @param of what it is of; null when there is nothing to run
 * @param toAsked what the computation is given
 */
export function benchRun<Name extends BenchName, Of>(
  name: Name,
  of: () => Of | null,
  toAsked: (of: Of) => Asked<Name>,
): BenchRun<Of, Found<Name>> {
  const runner = inject(BenchRunner);
  const ran = signal<{ of: Of; result: Found<Name> } | null>(null);
  const stopped = signal<CoreError | null>(null);
  toObservable(computed(of))
    .pipe(
      switchMap((now) =>
        now === null
          ? EMPTY
          : runner.run(name, ...toAsked(now)).pipe(
              map((result) => ({ of: now, result })),
              catchError((error: CoreError) => {
                stopped.set(error);
                return EMPTY;
              }),
            ),
      ),
      takeUntilDestroyed(),
    )
    .subscribe((done) => {
      stopped.set(null);
      ran.set(done);
    });
  return { ran: ran.asReadonly(), stopped: stopped.asReadonly() };
}
