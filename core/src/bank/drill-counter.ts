import type { Drill } from '../drill';
import type { EvidenceKind } from '../skill';
import type { BankEvent } from './event';
import { activeEvents } from './log';

export interface DrillCount {
  /** Outcomes of the last `of` attempts, oldest first. */
  window: boolean[];
  goods: number;
  wanted: number;
  of: number;
  /** Whether the success criterion is met. */
  done: boolean;
}

/** Attempts at what the drill is made for; what was seen besides does not count towards its end. */
function isCounted(evidence: EvidenceKind = 'drill'): boolean {
  return evidence === 'drill';
}

/** How far one student is in a drill: the good ones of the last attempts, against its success criterion. */
export function drillCount(events: readonly BankEvent[], studentId: string, drill: Drill): DrillCount {
  const outcomes = activeEvents(events).flatMap(({ body, studentId: of }) =>
    of === studentId && body.kind === 'attempt' && body.drillId === drill.id && isCounted(body.evidence)
      ? [body.good]
      : [],
  );
  const window = outcomes.slice(-drill.success.of);
  const goods = window.filter(Boolean).length;
  return {
    window,
    goods,
    wanted: drill.success.good,
    of: drill.success.of,
    done: goods >= drill.success.good,
  };
}
