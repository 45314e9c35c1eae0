import { DOCUMENT } from '@angular/common';
import { DestroyRef, inject, Injectable } from '@angular/core';

/** What takes the focus without opening a keyboard on a phone. */
const STOPS = 'button:not(:disabled), a[href], [role=button][tabindex="0"], [role=slider][tabindex="0"]';
/** A screen may set the focus itself after a change; it is waited for, milliseconds. */
const PATIENCE_MS = 80;

/** An element around what had the focus, and which of its children led there. */
interface Step {
  element: Element;
  childAt: number;
}

/**
 * Who works by keys stays where he was: when what had the focus is gone, such as a row that was deleted, what stands in
 * its place gets it, or the nearest thing around it that is left.
 */
@Injectable({ providedIn: 'root' })
export class KeepFocus {
  private readonly document = inject(DOCUMENT);
  private held: Element | null = null;
  private trail: Step[] = [];

  /** Watches from now on, until the application ends. */
  start(): void {
    const remember = ({ target }: Event): void => this.remember(target as Element);
    this.document.addEventListener('focusin', remember);
    const observer = new MutationObserver(() => {
      if (this.held && !this.held.isConnected) setTimeout(() => this.restore(), PATIENCE_MS);
    });
    observer.observe(this.document.body, { childList: true, subtree: true });
    inject(DestroyRef).onDestroy(() => {
      observer.disconnect();
      this.document.removeEventListener('focusin', remember);
    });
  }

  private remember(held: Element): void {
    this.held = held;
    this.trail = [];
    for (let child = held; child.parentElement; child = child.parentElement)
      this.trail.push({
        element: child.parentElement,
        childAt: [...child.parentElement.children].indexOf(child),
      });
  }

  private restore(): void {
    if (!this.held || this.held.isConnected) return;
    this.held = null;
    if (this.document.activeElement !== this.document.body) return;
    const home = this.trail.find(({ element }) => element.isConnected);
    const main = this.document.querySelector('main');
    if (!home || !main) return;
    // When a whole screen is gone, the one that came in its place is begun at its beginning.
    (home.element.contains(main) ? main : inPlaceOf(home)).focus({ preventScroll: true });
  }
}

/** What stands where the child stood that is gone, or the one before it; else the whole of what is around. */
function inPlaceOf({ element, childAt }: Step): HTMLElement {
  const child = element.children[Math.min(childAt, element.children.length - 1)];
  const stop = child?.matches(STOPS) ? child : (child?.querySelector(STOPS) ?? element.querySelector(STOPS));
  if (stop) return stop as HTMLElement;
  element.setAttribute('tabindex', '-1');
  return element as HTMLElement;
}
