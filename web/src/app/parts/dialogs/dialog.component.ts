import { Component, DestroyRef, Directive, inject, input, output } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Dialog, DialogModule } from 'primeng/dialog';

const FIELD = ':is(input, select, textarea, button, a[href])';

/**
 * Puts the focus on the first field of a dialog, or on what says that it is `data-first`, when it has opened, unless
 * somebody types already, in it or in a dialog that has opened over it: the library would take the focus away a moment
 * later, and letters with it. When it closes, what it was opened from has the focus again.
 */
@Directive({ selector: 'p-dialog' })
class DialogFocusDirective {
  constructor() {
    const dialog = inject(Dialog);
    dialog.focusOnShow = false;
    const opener = document.activeElement;
    inject(DestroyRef).onDestroy(() => {
      const held = document.activeElement;
      const isFree = held === document.body || dialog.container()?.contains(held);
      if (isFree && opener instanceof HTMLElement && opener.isConnected)
        opener.focus({ preventScroll: true });
    });
    dialog.onShow.pipe(takeUntilDestroyed()).subscribe(() => {
      const own = dialog.container();
      const open = [...document.querySelectorAll('.p-dialog')];
      const busy = open.findIndex((one) => one.contains(document.activeElement));
      if (own && (busy < 0 || busy < open.indexOf(own)))
        (
          own.querySelector<HTMLElement>('[data-first]') ??
          own.querySelector<HTMLElement>(`.p-dialog-content ${FIELD}`) ??
          own.querySelector<HTMLElement>(FIELD)
        )?.focus();
    });
  }
}

/** What opens over a screen, wants an answer or shows more, and closes. */
@Component({
  selector: 'doceo-dialog',
  imports: [DialogModule, DialogFocusDirective],
  template: `
    <p-dialog
      [header]="heading()"
      [visible]="true"
      (visibleChange)="closed.emit()"
      [modal]="true"
      [draggable]="false"
      [closable]="!asks()"
      closeAriaLabel="Close"
      [dismissableMask]="!asks() && !typed()"
      [style]="{ width: width() + 'px' }"
    >
      <ng-content />
    </p-dialog>
  `,
})
export class DialogComponent {
  readonly heading = input.required<string>();
  /** Pixels, where the screen has them. */
  readonly width = input(480);
  /** Whether it takes work to fill: a click beside it does not close it. */
  readonly typed = input(false);
  /** Whether there is no going on without an answer. */
  readonly asks = input(false);
  readonly closed = output<void>();
}
