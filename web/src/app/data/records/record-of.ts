import { inject } from '@angular/core';
import { api, type SavedRig } from '@doceo/contract';
import type { BankEvent } from '@doceo/core';
import { ApiClient } from '../api/api-client';
import { type Fetched, fetched } from '../api/fetched';

/** What was logged of a student. Call it where things are injected. */
export function recordOf(studentId: () => string): Fetched<BankEvent[]> {
  const client = inject(ApiClient);
  return fetched(studentId, (id) => client.call(api.events.list, { query: { studentId: id } }));
}

/** My rigs. Call it where things are injected. */
export function myRigs(): Fetched<SavedRig[]> {
  const client = inject(ApiClient);
  return fetched(
    () => true,
    () => client.call(api.rigs.list),
  );
}
