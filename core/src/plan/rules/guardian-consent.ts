import { mayBeRecorded } from '../../safety';
import type { PlanRule } from './rule';

/** No record is kept of a minor without a guardian's consent on file. */
export const guardianConsent: PlanRule = (_plan, lesson) =>
  (lesson?.students ?? [])
    .filter((student) => !mayBeRecorded(student.ageYears, student.guardianConsent))
    .map((student) => ({
      id: `guardian-consent/${student.id}`,
      rule: 'guardian-consent',
      level: 'stop' as const,
      blockIds: [],
      studentId: student.id,
      title: `No guardian’s consent for ${student.name.split(' ')[0]}`,
      reason: `${student.ageYears} years old. Without consent on file nothing is recorded; local rules for minors decide the rest.`,
      evidence: [{ label: 'age', text: `${student.ageYears}` }],
      fixes: [
        {
          label: 'Open the student',
          change: { kind: 'open' as const, what: 'student' as const, id: student.id },
        },
      ],
    }));
