import type { BankEvent } from './event';

/** What an entry should have been. */
export type EntryChange =
  | { as: 'good' }
  | { as: 'fault'; faultId: string | null }
  /** It was somebody else in the lesson. */
  | { as: 'other-student'; studentId: string }
  | { as: 'did-not-count' };

/** What a device puts to what it writes down. */
export interface Writing {
  newId: () => string;
  deviceId: string;
  /** Its clock, epoch milliseconds, and how far that is ahead of the server's. */
  nowMs: number;
  aheadMs: number;
}

/**
 * Events that correct an entry: the first is taken back, and what it should have been stands at its time in its place.
 * Nothing is changed or deleted: the entry names the one it corrects, which stays readable.
 *
 * @param entry as it stands, at its corrected time
 * @returns the undo, and the entry in its place where there is one
 */
export function correctedEntry(entry: BankEvent, change: EntryChange, writing: Writing): BankEvent[] {
  const { newId, deviceId, nowMs, aheadMs } = writing;
  const { clockAheadMs: _ahead, ...rest } = entry;
  const undo: BankEvent = {
    ...rest,
    id: newId(),
    deviceId,
    atMs: nowMs,
    body: { kind: 'undo', targetId: entry.id },
  };
  if (change.as === 'did-not-count') return [undo];
  const instead = { ...rest, id: newId(), deviceId, atMs: entry.atMs + aheadMs };
  if (change.as === 'other-student')
    return [
      undo,
      {
        ...instead,
        studentId: change.studentId,
        body: entry.body.kind === 'attempt' ? { ...entry.body, corrects: entry.id } : entry.body,
      },
    ];
  if (entry.body.kind !== 'attempt') return [];
  const good = change.as === 'good';
  const faultId = change.as === 'fault' ? change.faultId : null;
  return [undo, { ...instead, body: { ...entry.body, good, faultId, corrects: entry.id } }];
}

/**
 * What entries said before they were corrected, by the id of what stands now, latest first.
 *
 * @param events all there are, taken back ones too
 */
export function firstEntries(events: readonly BankEvent[]): Map<string, BankEvent[]> {
  const byId = new Map(events.map((event) => [event.id, event]));
  const before = (event: BankEvent, seen: readonly string[]): BankEvent[] => {
    const corrects = event.body.kind === 'attempt' ? event.body.corrects : undefined;
    const first = corrects && !seen.includes(corrects) ? byId.get(corrects) : undefined;
    return first ? [first, ...before(first, [...seen, first.id])] : [];
  };
  return new Map(
    events
      .map((event): [string, BankEvent[]] => [event.id, before(event, [event.id])])
      .filter(([, list]) => list.length > 0),
  );
}
