import { fitHomeTrust, retentionDue, trusts } from '@doceo/core';
import type { Runners } from './runner';

/** Commands about students. */
export const peopleRunners = {
  'home-evidence': ({ students }) => {
    const home = fitHomeTrust(
      students.flatMap(({ id, attempts }) =>
        [...new Set(attempts.map(({ skillId }) => skillId))].map((skillId) => ({
          studentId: id,
          attempts: attempts.filter((attempt) => attempt.skillId === skillId),
        })),
      ),
    );
    return { home, kinds: trusts(home.trust) };
  },
  'retention-due': ({ students, events, rule, today }) => ({
    due: retentionDue(students, events, rule, today),
  }),
} satisfies Partial<Runners>;
