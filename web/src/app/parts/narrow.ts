import { BreakpointObserver } from '@angular/cdk/layout';
import { inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map } from 'rxjs';

/** As wide as a phone, and as a small tablet, px. */
const PHONE_PX = 700;
export const TABLET_PX = 1180;

/** Whether the window is no wider than that: than a phone's. To be called where a component is made. */
export function narrowWindow(mostPx = PHONE_PX): Signal<boolean> {
  return toSignal(
    inject(BreakpointObserver)
      .observe(`(max-width: ${mostPx}px)`)
      .pipe(map(({ matches }) => matches)),
    { initialValue: false },
  );
}
