import type { Curriculum } from './curriculum';
import { DANGER, type Fault } from '../fault';

/** An attempt that somebody saw: at which skill, and the fault in it. */
export interface SeenAttempt {
  skillId: string;
  faultId: string | null;
}

/** A fault of one student, with what it costs and how often it was made of the times it could have been. */
export interface WeighedFault {
  fault: Fault;
  count: number;
  /** Attempts at which it could have been made: those at skills it belongs to, and those with it. */
  exposed: number;
  /** Weight × expected share; a share of few attempts is held back. */
  score: number;
}

/** Attempts a share is held back by, as if so many had gone before, an eighth of them with the fault. A rule of thumb. */
const HELD_BACK = 4;
const USUAL_SHARE = 1 / 8;

/**
 * A student's faults, what matters most first: dangers before all, then by what a fault costs and how often it was made
 * of the times it could have been. One made 3 times of 4 comes before one made 5 times of 60.
 */
export function weighFaults(
  { faults, skills }: Curriculum,
  attempts: readonly SeenAttempt[],
): WeighedFault[] {
  const counts = new Map<string, number>();
  for (const { faultId } of attempts) if (faultId) counts.set(faultId, (counts.get(faultId) ?? 0) + 1);
  return [...counts]
    .map(([id, count]) => {
      const fault = faults.get(id);
      const exposed = attempts.filter(
        ({ skillId, faultId }) => faultId === id || skills.get(skillId).faults.includes(id),
      ).length;
      const share = (count + HELD_BACK * USUAL_SHARE) / (exposed + HELD_BACK);
      return { fault, count, exposed, score: fault.weight * share };
    })
    .sort(
      (a, b) =>
        Number(b.fault.weight >= DANGER) - Number(a.fault.weight >= DANGER) ||
        b.score - a.score ||
        (a.fault.id < b.fault.id ? -1 : 1),
    );
}
