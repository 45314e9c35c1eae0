import type { FaultAttempt } from '../fault';
import { inOrder, type SkillAttempt } from '../skill';
import type { BankEvent } from './event';

/**
 * The events that stand: each id once, undone ones and the undos themselves left out, in the order of time.
 *
 * The result depends only on the set of events, so that devices may deliver in any order, more than once.
 * An undo may itself be undone, which brings the event back. `atMs` of what is returned is the corrected time.
 */
export function activeEvents(events: readonly BankEvent[]): BankEvent[] {
  const unique = new Map(events.map((event) => [event.id, event]));
  const undosOf = new Map<string, string[]>();
  for (const event of unique.values()) {
    if (event.body.kind !== 'undo') continue;
    undosOf.set(event.body.targetId, [...(undosOf.get(event.body.targetId) ?? []), event.id]);
  }
  const undone = (id: string, seen: readonly string[]): boolean =>
    undosOf.get(id)?.some((undo) => !seen.includes(undo) && !undone(undo, [...seen, undo])) ?? false;
  return inOrder(
    [...unique.values()].filter((event) => event.body.kind !== 'undo' && !undone(event.id, [])).map(onTime),
  );
}

/** The event at the time when it happened: a clock that was ahead or behind is put right. */
function onTime(event: BankEvent): BankEvent {
  return event.clockAheadMs ? { ...event, atMs: event.atMs - event.clockAheadMs } : event;
}

/** Attempts of one student that were logged as such, however they were seen. */
export function attemptsOf(events: readonly BankEvent[], studentId: string): SkillAttempt[] {
  return activeEvents(events).flatMap((event) =>
    event.studentId === studentId && event.body.kind === 'attempt' ? [toAttempt(event, event.body)] : [],
  );
}

type AttemptBody = Extract<BankEvent['body'], { kind: 'attempt' }>;

function toAttempt(
  { id, atMs }: BankEvent,
  { skillId, good, evidence, home, asked }: AttemptBody,
): SkillAttempt {
  return {
    id,
    atMs,
    skillId,
    good,
    ...(evidence && { evidence }),
    ...(home && { home }),
    ...(asked && { choices: asked.choices }),
  };
}

/** Whether it was done alone, after the lesson. */
export function isAtHome({ body }: Pick<BankEvent, 'body'>): boolean {
  return body.kind === 'attempt' && body.home === true;
}

/** Whether somebody saw it done, so that a fault could have been seen; an answer or a figure shows none. */
function wasDone({ evidence = 'drill', home }: AttemptBody): boolean {
  if (home) return false;
  return evidence === 'drill' || evidence === 'side' || evidence === 'passing';
}

/** Attempts of one student for the fault statistics; `skillId` narrows to one skill. */
export function faultAttemptsOf(
  events: readonly BankEvent[],
  studentId: string,
  skillId?: string,
): FaultAttempt[] {
  return activeEvents(events).flatMap(({ atMs, body, studentId: of }) =>
    of === studentId &&
    body.kind === 'attempt' &&
    wasDone(body) &&
    (skillId === undefined || body.skillId === skillId)
      ? [{ atMs, faultId: body.good ? null : body.faultId }]
      : [],
  );
}

/** An attempt with all that is known of it: in which drill of which lesson, and what went wrong. */
export interface DrilledAttempt extends SkillAttempt {
  lessonId: string;
  drillId: string | null;
  faultId: string | null;
}

/** Attempts of one student that were done, with drill, lesson and fault, in the order of time. */
export function drilledAttempts(events: readonly BankEvent[], studentId: string): DrilledAttempt[] {
  return activeEvents(events).flatMap((event) => {
    const { lessonId, body } = event;
    if (event.studentId !== studentId || body.kind !== 'attempt' || !wasDone(body)) return [];
    return [{ ...toAttempt(event, body), lessonId, drillId: body.drillId, faultId: body.faultId }];
  });
}
