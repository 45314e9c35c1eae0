import { inject, Injectable, signal } from '@angular/core';
import { api } from '@doceo/contract';
import type { MeasuredDrill } from '@doceo/core';
import { catchError, of } from 'rxjs';
import { ApiClient } from '../api/api-client';

/** How well drills worked in the instructor's own lessons, for the plans that are made by it. */
@Injectable({ providedIn: 'root' })
export class EffectStore {
  private readonly client = inject(ApiClient);
  private readonly known = signal<readonly MeasuredDrill[]>([]);
  readonly drills = this.known.asReadonly();

  /** Plans do without: a failure leaves what is known. */
  load(): void {
    this.client
      .call(api.records.effects)
      .pipe(catchError(() => of(null)))
      .subscribe((told) => {
        if (told)
          this.known.set(told.drills.flatMap(({ drillId, n, rise }) => (rise ? { drillId, n, rise } : [])));
      });
  }
}
