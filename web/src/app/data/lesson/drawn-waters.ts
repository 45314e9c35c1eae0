import { inject, Injectable, signal, untracked } from '@angular/core';
import { api } from '@doceo/contract';
import { type Beat, type Water, withDrawn } from '@doceo/core';
import { catchError, of } from 'rxjs';
import { ApiClient } from '../api/api-client';

/** The drawn beats of waters that plans are checked at, fetched when one is first asked for. */
@Injectable({ providedIn: 'root' })
export class DrawnWaters {
  private readonly client = inject(ApiClient);
  private readonly asked = new Set<string>();
  private readonly known = signal<ReadonlyMap<string, Beat[]>>(new Map());

  /** The water with the places of its drawings, as far as they are here: without a network it stands as it was said. */
  with(waterId: string, water: Water): Water {
    const beats = this.of(waterId, water);
    return beats.length > 0 ? withDrawn(water, beats) : water;
  }

  /** The drawn beats of a water, as far as they are here. */
  of(waterId: string, water: Water): readonly Beat[] {
    untracked(() => this.load(waterId, water));
    return this.known().get(waterId) ?? [];
  }

  private load(waterId: string, { kind }: Water): void {
    if (this.asked.has(waterId) || (kind !== 'river' && kind !== 'brook')) return;
    this.asked.add(waterId);
    this.client
      .call(api.waters.beats, { params: { id: waterId } })
      .pipe(catchError(() => of(null)))
      .subscribe((saved) => {
        if (saved)
          this.known.update((all) =>
            new Map(all).set(
              waterId,
              saved.map(({ beat }) => beat),
            ),
          );
      });
  }
}
