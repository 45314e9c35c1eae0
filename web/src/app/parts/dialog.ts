import { Directive, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Dialog, DialogModule } from 'primeng/dialog';

const FIELD = ':is(input, select, textarea, button, a[href])';

/**
 * Puts the focus on the first field of a dialog when it has opened, unless somebody types already, in it or in a dialog
 * that has opened over it: the library would take the focus away a moment later, and letters with it.
 */
@Directive({ selector: 'p-dialog' })
export class DialogFocusDirective {
  constructor() {
    const dialog = inject(Dialog);
    dialog.focusOnShow = false;
    dialog.onShow.pipe(takeUntilDestroyed()).subscribe(() => {
      const own = dialog.container();
      const open = [...document.querySelectorAll('.p-dialog')];
      const busy = open.findIndex((one) => one.contains(document.activeElement));
      if (own && (busy < 0 || busy < open.indexOf(own)))
        (
          own.querySelector<HTMLElement>(`.p-dialog-content ${FIELD}`) ??
          own.querySelector<HTMLElement>(FIELD)
        )?.focus();
    });
  }
}

/** What a component with a dialog imports. */
export const DIALOG = [DialogModule, DialogFocusDirective] as const;
