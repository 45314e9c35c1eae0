import { InjectionToken } from '@angular/core';

/** Starts a worker for the benches; where there is none, the page computes by itself. */
export const BENCH_WORKER = new InjectionToken<() => Worker>('starts a worker for the benches');
