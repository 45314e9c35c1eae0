import { InjectionToken, type Signal } from '@angular/core';
import type { BankEventBody, UnitSystem } from '@doceo/core';

/** What a sheet of the log knows, and how it gives back what was seen. */
export interface SheetContext {
  units: Signal<UnitSystem>;
  /** What stands in the log of this lesson. */
  logged: Signal<readonly BankEventBody[]>;
  keep: (body: BankEventBody) => void;
}

export const SHEET = new InjectionToken<SheetContext>('the sheet that is open');
