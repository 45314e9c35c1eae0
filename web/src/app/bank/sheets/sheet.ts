import { InjectionToken, type Signal } from '@angular/core';
import type { BankEventBody, Curriculum, Drill, UnitSystem } from '@doceo/core';

/** What a sheet of the log knows, and how it gives back what was seen. */
export interface SheetContext {
  units: Signal<UnitSystem>;
  /** What stands in the log of this lesson. */
  logged: Signal<readonly BankEventBody[]>;
  /** What is taught, as the plan of the day reads it, and the drill of the moment. */
  curriculum: Signal<Curriculum>;
  drill: Signal<Drill | null>;
  keep: (body: BankEventBody) => void;
}

export const SHEET = new InjectionToken<SheetContext>('the sheet that is open');
