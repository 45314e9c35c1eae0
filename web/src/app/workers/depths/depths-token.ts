import { InjectionToken } from '@angular/core';

/** Starts the worker for depths; where there is none, the page computes by itself. */
export const DEPTHS_WORKER = new InjectionToken<() => Worker>('starts the worker for depths');
