import { api, type Endpoint } from '@doceo/contract';
import { HttpError } from '../http/errors';
import type { UserRow } from '../session/users.sql';

const setOf = (endpoints: readonly unknown[]): ReadonlySet<Endpoint> => new Set(endpoints as Endpoint[]);

/** What an assistant's device needs for the log of his one lesson. All else is closed to him, whatever its rule. */
const DURING = setOf([
  ...[api.session.get, api.session.signOut, api.session.settings, api.health],
  ...[api.lessons.list, api.lessons.get, api.lessons.plan, api.events.list, api.events.add],
  ...[api.students.list, api.records.list, api.records.progress, api.readings.list],
  ...[api.waters.list, api.waters.get, api.waters.beats, api.waters.lake, api.waters.conditions],
  ...[api.teaching.get, api.kit.get, api.skillFit.get],
]);
/** What is left when the lesson is over: what he logged comes in, and he learns that it is over. */
const AFTER = setOf([api.session.get, api.session.signOut, api.health, api.events.add]);

/** @throws HttpError 'forbidden' for an assistant outside of his lesson; everybody else passes */
export function refuseAssistant(endpoint: unknown, { assists }: Pick<UserRow, 'assists'>): void {
  if (!assists) return;
  if ((assists.over ? AFTER : DURING).has(endpoint as Endpoint)) return;
  throw new HttpError(
    'forbidden',
    [],
    assists.over ? 'The lesson is over.' : 'This device is lent to one lesson, and to nothing else.',
  );
}
