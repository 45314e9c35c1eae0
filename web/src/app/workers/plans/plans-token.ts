import { InjectionToken } from '@angular/core';

/** Starts the worker that makes plans; where there is none, the page computes by itself. */
export const PLANS_WORKER = new InjectionToken<() => Worker>('starts the worker for plans');
