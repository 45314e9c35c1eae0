import { mayBeRecorded } from '../../safety';
import type { PlanRule } from './rule';

/** No record is kept of a minor without a guardian's consent on file. */
export const guardianConsent: PlanRule = (_plan, lesson) =>
  (lesson?.students ?? [])
    .filter((student) => !mayBeRecorded(student.ageYears, student.saidAdult, student.guardianConsent))
    .map((student) => ({
      id: `guardian-consent/${student.id}`,
      rule: 'guardian-consent' as const,
      level: 'must-fix' as const,
      blockIds: [],
      studentId: student.id,
      facts: { name: student.name, ageYears: student.ageYears },
      fixes: [
        {
          does: 'open-student' as const,
          change: { kind: 'open' as const, what: 'student' as const, id: student.id },
        },
      ],
    }));
