import { computed, inject, Injectable, signal } from '@angular/core';
import { api, type SavedReading } from '@doceo/contract';
import {
  type KnotId,
  KNOTS,
  type Measured,
  measuredFrom,
  measuredKey,
  measuredOf,
  type Reading,
  type Rig,
  withMeasured,
} from '@doceo/core';
import { DateTime } from 'luxon';
import { MessageService } from 'primeng/api';
import type { ApiError } from '../api/api-error';
import { ApiClient } from '../api/api-client';

/** What was measured, once for all rigs: fetched when first asked for, changed at once and kept by the server. */
@Injectable({ providedIn: 'root' })
export class ReadingStore {
  private readonly client = inject(ApiClient);
  private readonly messages = inject(MessageService);
  private readonly list = signal<readonly SavedReading[]>([]);
  private readonly byStudent = computed(() => {
    const readings = this.list();
    const known = new Map<string | null, Measured[]>();
    return (studentId: string | null): Measured[] => {
      const found = known.get(studentId) ?? measuredFrom(readings, studentId);
      known.set(studentId, found);
      return found;
    };
  });
  private asked = false;

  readonly readings = this.list.asReadonly();

  /** Fetches the readings unless that was done before. */
  load(): void {
    if (this.asked) return;
    this.asked = true;
    this.client.call(api.readings.list).subscribe({
      next: (readings) => this.list.set(readings),
      error: () => (this.asked = false),
    });
  }

  /** The rig with everything measured in it, tied by this student or by nobody in particular. */
  known(rig: Rig, tiedBy: string | null): Rig {
    return withMeasured(rig, this.byStudent()(tiedBy));
  }

  /** How a person ties a knot, and when it was last broken; the typical share, and no day, without a reading. */
  shareOf(knot: KnotId, studentId: string | null): { value: number; on: string } {
    const found = measuredOf(this.byStudent()(studentId), 'knot-share', measuredKey.knot(knot));
    return { value: found?.value ?? KNOTS[knot].share, on: found?.on ?? '' };
  }

  /** The knots of a person that were broken on the scale. */
  knotsOf(studentId: string): KnotId[] {
    return this.list().flatMap(({ studentId: of, reading }) =>
      of === studentId && reading.kind === 'knot' ? reading.knot : [],
    );
  }

  add(reading: Reading, studentId: string | null): void {
    const taken = { id: crypto.randomUUID(), studentId, on: DateTime.now().toISODate(), reading };
    this.list.update((list) => [{ ...taken, mine: true }, ...list]);
    this.client.call(api.readings.create, { body: taken }).subscribe({
      error: (error: ApiError) => {
        this.list.update((list) => list.filter(({ id }) => id !== taken.id));
        this.messages.add({ severity: 'error', summary: `Reading not kept. ${error.message}` });
      },
    });
  }

  remove(id: string): void {
    const struck = this.list().find((reading) => reading.id === id);
    if (!struck) return;
    this.list.update((list) => list.filter((reading) => reading.id !== id));
    this.client.call(api.readings.remove, { params: { id } }).subscribe({
      error: (error: ApiError) => {
        this.list.update((list) => [struck, ...list]);
        this.messages.add({ severity: 'error', summary: `Reading not struck. ${error.message}` });
      },
    });
  }
}
