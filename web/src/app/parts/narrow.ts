import { BreakpointObserver } from '@angular/cdk/layout';
import { inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map } from 'rxjs';

/** Whether the window is as narrow as a phone's. To be called where a component is made. */
export function narrowWindow(): Signal<boolean> {
  return toSignal(
    inject(BreakpointObserver)
      .observe('(max-width: 700px)')
      .pipe(map(({ matches }) => matches)),
    { initialValue: false },
  );
}
