import { inject, Injectable } from '@angular/core';
import { api, type SavedWater, type WaterChange } from '@doceo/contract';
import type { Food } from '@doceo/core';
import { type Observable, tap } from 'rxjs';
import { ApiClient } from '../api/api-client';
import { Failures } from '../api/failures';
import { DayStore } from './day-store';

/** What is said of a water, and whose it is: kept on the server, and then in what every screen follows. */
@Injectable({ providedIn: 'root' })
export class WaterChanges {
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);
  private readonly failures = inject(Failures);

  readCard(waterId: string): Observable<SavedWater> {
    return this.client
      .call(api.waters.readCard, { params: { id: waterId } })
      .pipe(tap((water) => this.day.putWater(water)));
  }

  setCalendar(waterId: string, calendar: Food[] | null): Observable<SavedWater> {
    return this.client
      .call(api.waters.setCalendar, { params: { id: waterId }, body: { calendar } })
      .pipe(tap((water) => this.day.putWater(water)));
  }

  change(waterId: string, change: WaterChange): Observable<SavedWater> {
    return this.client.call(api.waters.change, { params: { id: waterId }, body: change }).pipe(
      tap((water) => {
        this.day.putWater(water);
        this.day.loadConditions();
      }),
    );
  }

  share(waterId: string, circleId: string | null): Observable<SavedWater> {
    return this.client
      .call(api.waters.share, { params: { id: waterId }, body: { circleId } })
      .pipe(tap((water) => this.day.putWater(water)));
  }

  /** Gives a water to a fellow; it may still be seen by a circle or a lesson. */
  give(waterId: string, userId: string): Observable<unknown> {
    return this.client
      .call(api.waters.give, { params: { id: waterId }, body: { userId } })
      .pipe(tap(() => this.day.load().subscribe({ error: this.failures.tell })));
  }

  remove(waterId: string): Observable<unknown> {
    return this.client
      .call(api.waters.remove, { params: { id: waterId } })
      .pipe(tap(() => this.day.dropWater(waterId)));
  }

  add(id: string, water: SavedWater['water']): Observable<SavedWater> {
    return this.client
      .call(api.waters.create, { body: { id, water } })
      .pipe(tap((saved) => this.day.putWater(saved)));
  }
}
