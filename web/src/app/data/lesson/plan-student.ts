import { ageOn, type SavedStudent } from '@doceo/contract';
import {
  type BankEvent,
  type Curriculum,
  drilledAttempts,
  evidenceOf,
  type FittedSkills,
  needsOf,
  type PlanStudent,
  skillState,
  weighFaults,
} from '@doceo/core';

/**
 * A student as a plan wants him.
 *
 * @param events what counts of the records of all who come
 * @param date ISO date of the lesson at its water
 */
export function planStudent(
  { id, student }: SavedStudent,
  events: readonly BankEvent[],
  { date, startMs }: { date: string; startMs: number },
  { curriculum, fitted }: { curriculum: Curriculum; fitted: FittedSkills },
): PlanStudent {
  const ageYears = ageOn(student.bornOn, date);
  return {
    ...{ id, name: student.name, ageYears, saidAdult: student.saidAdult },
    guardianConsent: student.guardianConsentOn !== null,
    needs: needsOf({ ...student, ageYears }),
    skills: skillState(curriculum.skills.all, evidenceOf(events, id), startMs, fitted),
    faults: weighFaults(curriculum, drilledAttempts(events, id)),
  };
}
