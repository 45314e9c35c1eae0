import { computed, inject } from '@angular/core';
import { api, MAX_RECORDS, type StudentColumns } from '@doceo/contract';
import {
  type BankEvent,
  evidenceOf,
  fromColumns,
  type SkillAttempt,
  type SkillState,
  skillState,
} from '@doceo/core';
import { forkJoin, map, type Observable, of } from 'rxjs';
import { ApiClient } from '../api/api-client';
import { fetched } from '../api/fetched';
import { inParts } from '../api/in-parts';
import { TeachingStore } from '../teaching/teaching-store';
import { FitStore } from './fit-store';

/** The entries that count, of each student. */
export function eventsOf(records: readonly StudentColumns[]): BankEvent[] {
  return records.flatMap(({ studentId, columns }) => fromColumns(studentId, columns));
}

/**
 * Fetches what counts of the records of some students, and anew when they are others. Call it where things are injected.
 *
 * @param students of whom; null for nobody yet
 */
export function groupRecords(students: () => readonly string[] | null) {
  const client = inject(ApiClient);
  const fits = inject(FitStore);
  const teaching = inject(TeachingStore);
  const asked = computed(() => students()?.join(',') ?? null);
  const found = fetched(
    () => asked(),
    (ids) => ask(client, ids === '' ? [] : ids.split(',')),
  );
  const byStudent = computed(
    () =>
      new Map(found.value()?.map((one) => [one.studentId, fromColumns(one.studentId, one.columns)]) ?? []),
  );
  const of = (studentId: string): BankEvent[] => byStudent().get(studentId) ?? [];
  const evidence = (studentId: string): SkillAttempt[] => evidenceOf(of(studentId), studentId);
  return {
    loaded: computed(() => found.value() !== null),
    failed: found.failed,
    again: found.again,
    /** What counts of one student's record. */
    of,
    /** What shows the skills of one student. */
    evidence,
    /** Ids of the skills of which a lesson has anything on record; null where it has nothing at all. */
    triedIn: (lessonId: string): ReadonlySet<string> | null => {
      const tried = [...byStudent()].flatMap(([id, events]) => {
        const own = events.filter((event) => event.lessonId === lessonId);
        return own.length === 0 ? [] : [evidenceOf(own, id).map(({ skillId }) => skillId)];
      });
      return tried.length === 0 ? null : new Set(tried.flat());
    },
    /** Estimates of one student. */
    stateOf: (studentId: string, nowMs: number): SkillState =>
      skillState(teaching.curriculum().skills.all, evidence(studentId), nowMs, fits.fitted()),
  };
}

function ask(client: ApiClient, ids: readonly string[]): Observable<StudentColumns[]> {
  if (ids.length === 0) return of([]);
  return forkJoin(
    inParts(ids, MAX_RECORDS).map((part) =>
      client.call(api.records.list, { query: { ids: part.join(',') } }),
    ),
  ).pipe(map((found) => found.flat()));
}
