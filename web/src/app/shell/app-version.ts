import { inject, Injectable, signal } from '@angular/core';
import { NavigationEnd, NavigationError, Router } from '@angular/router';

/** How often a page that stays open asks whether there is a new build, milliseconds. */
const LOOK_MS = 30 * 60_000;

/** How long a worker may take to wake up and answer, milliseconds. */
const WORKER_WAIT_MS = 5000;

/** How long no file may have come before the start counts as over, milliseconds. */
const CALM_MS = 1000;

/** Screens on which nothing is under the hand: there a new build may take over by itself. */
const QUIET = /^\/(today)?$/;

/**
 * The build that runs, and a newer one that waits on the device. A new build takes over when nothing is open: at a start
 * in the only tab. Otherwise it is told, and taken when the user says so. What is open in another tab then stays open
 * until that tab goes to another page.
 */
@Injectable({ providedIn: 'root' })
export class AppVersion {
  private readonly router = inject(Router);
  private registration: ServiceWorkerRegistration | null = null;
  private asked = false;

  /** True while a newer build waits. */
  readonly newer = signal(false);

  /** Keeps the application on the device. Where a browser cannot, it runs as it is, with the network. */
  async watch(): Promise<void> {
    if (!('serviceWorker' in navigator)) return;
    const { serviceWorker } = navigator;
    const before = serviceWorker.controller;
    serviceWorker.addEventListener('controllerchange', () => {
      if (before || this.asked) this.takenOver();
    });
    const registration = await serviceWorker.register('/service-worker.js').catch(() => null);
    if (!registration) return;
    this.registration = registration;
    if (registration.waiting && serviceWorker.controller) await this.waits();
    registration.addEventListener('updatefound', () => {
      const coming = registration.installing;
      coming?.addEventListener('statechange', () => {
        if (coming.state === 'installed' && serviceWorker.controller) this.newer.set(true);
      });
    });
    setInterval(() => void registration.update().catch(() => undefined), LOOK_MS);
  }

  /** Changes over to the newer build; the page is loaded anew. */
  changeOver(): void {
    const waiting = this.registration?.waiting;
    // Another tab may have changed over already.
    if (!waiting) return location.reload();
    this.asked = true;
    waiting.postMessage({ type: 'SKIP_WAITING' });
  }

  /** Found waiting at the start: taken where nothing is open yet. */
  private async waits(): Promise<void> {
    this.newer.set(true);
    // A browser that is asked while the worker still serves the page changes over half a minute later only.
    await calm();
    if ((await isOnlyTab()) && nothingOpen())
      this.registration?.waiting?.postMessage({ type: 'SKIP_WAITING' });
  }

  /** The new build brings its own files: a page of the one before would miss those it has yet to load. */
  private takenOver(): void {
    if (this.asked || nothingOpen()) return location.reload();
    this.router.events.subscribe((event) => {
      if (event instanceof NavigationEnd || event instanceof NavigationError) location.assign(event.url);
    });
  }
}

/** By the address itself: the router has none yet at a start. */
function nothingOpen(): boolean {
  return QUIET.test(location.pathname);
}

/** Resolves once the page has come with all its files. */
function calm(): Promise<void> {
  return new Promise((resolve) => {
    const over = (): void => {
      observer.disconnect();
      resolve();
    };
    let timer = setTimeout(over, CALM_MS);
    const observer = new PerformanceObserver(() => {
      clearTimeout(timer);
      timer = setTimeout(over, CALM_MS);
    });
    observer.observe({ type: 'resource' });
  });
}

/** Whether no other tab of this application is open; asked of the worker, which knows them all. */
function isOnlyTab(): Promise<boolean> {
  return new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = ({ data }: MessageEvent<number>) => resolve(data === 1);
    setTimeout(() => resolve(false), WORKER_WAIT_MS);
    navigator.serviceWorker.controller?.postMessage({ type: 'COUNT_TABS' }, [port2]);
  });
}
