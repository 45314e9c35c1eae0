import { inject, Injectable, signal } from '@angular/core';
import { api } from '@doceo/contract';
import { EMPTY_KIT, type Kit } from '@doceo/core';
import { catchError, of } from 'rxjs';
import { ApiClient } from '../api/api-client';

/** What the instructor has to teach with, for the screens that ask whether it is enough. */
@Injectable({ providedIn: 'root' })
export class KitStore {
  private readonly client = inject(ApiClient);
  private readonly known = signal<Kit>(EMPTY_KIT);
  readonly kit = this.known.asReadonly();

  /** Screens do without: a failure leaves what is known. */
  load(): void {
    this.client
      .call(api.kit.get)
      .pipe(catchError(() => of(null)))
      .subscribe((saved) => saved && this.known.set(saved.kit));
  }

  /** It was changed on this device. */
  heard(kit: Kit): void {
    this.known.set(kit);
  }
}
