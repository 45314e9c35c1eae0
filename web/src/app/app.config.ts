import { provideHttpClient, withFetch } from '@angular/common/http';
import {
  type ApplicationConfig,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
} from '@angular/core';
import { provideRouter, withComponentInputBinding, withInMemoryScrolling } from '@angular/router';
import { MessageService } from 'primeng/api';
import { providePrimeNG } from 'primeng/config';
import { routes } from './app.routes';
import { preset } from './theme/preset';
import { DEPTHS_WORKER } from './workers/depths/depths-token';
import { startDepthsWorker } from './workers/depths/start-depths-worker';
import { BENCH_WORKER } from './workers/bench-token';
import { PLANS_WORKER } from './workers/plans/plans-token';
import { startPlansWorker } from './workers/plans/start-plans-worker';
import { startBenchWorker } from './workers/start-bench-worker';

/** The page's nonce for styles made at run time; Angular reads it from the same place. */
const nonce = document.querySelector('[ngCspNonce]')?.getAttribute('ngCspNonce') ?? undefined;

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideBrowserGlobalErrorListeners(),
    provideRouter(
      routes,
      withComponentInputBinding(),
      withInMemoryScrolling({ scrollPositionRestoration: 'enabled' }),
    ),
    provideHttpClient(withFetch()),
    providePrimeNG({ theme: { preset, options: { darkModeSelector: '.never-dark' } }, csp: { nonce } }),
    MessageService,
    { provide: DEPTHS_WORKER, useValue: startDepthsWorker },
    { provide: PLANS_WORKER, useValue: startPlansWorker },
    { provide: BENCH_WORKER, useValue: startBenchWorker },
  ],
};
