import { SHIPPED_CURRICULUM } from '../curriculum/shipped';
import fc from 'fast-check';
import { READY, type SkillAttempt, skillState } from './record';
import { readyIn, progressOf } from './progress';
import { STRANDS } from './strand';

const SKILLS = SHIPPED_CURRICULUM.skills.all;
const DAY_MS = 86_400_000;
const attempts = (skillId: string, goods: readonly boolean[], fromMs = 0): SkillAttempt[] =>
  goods.map((good, i) => ({ id: `${skillId}/${fromMs + i}`, atMs: fromMs + i * 60_000, good, skillId }));
const many = (count: number): boolean[] => Array.from({ length: count }, () => true);

describe('where a student stands', () => {
  it('is nothing before anything is on record', () =>
    expect(progressOf(SKILLS, [])).toEqual({ lastAtMs: null, readyUntilMs: {} }));

  it('counts what is ready, until it has faded', () => {
    const progress = progressOf(SKILLS, attempts('casting.pause', many(30)));
    expect(progress.lastAtMs).toBe(29 * 60_000);
    expect(readyIn(progress, 'casting', 30 * 60_000)).toBe(1);
    expect(readyIn(progress, 'casting', 2000 * DAY_MS)).toBe(0);
    expect(readyIn(progress, 'water', 0)).toBe(0);
  });

  it('does not fade within a session, however near the edge', () => {
    // The fewest good attempts that are enough: what is left of them fades in days.
    const least = [1, 2, 3, 4, 5, 6, 7, 8].find(
      (n) => progressOf(SKILLS, attempts('casting.pause', many(n))).readyUntilMs.casting,
    );
    const progress = progressOf(SKILLS, attempts('casting.pause', many(least ?? 0)));
    expect(readyIn(progress, 'casting', (progress.lastAtMs ?? 0) + 6 * 3_600_000)).toBe(1);
  });

  it('agrees with the estimate of every skill at every later moment', () => {
    const ids = SKILLS.slice(0, 6).map(({ id }) => id);
    fc.assert(
      fc.property(
        fc.array(fc.record({ of: fc.nat(5), good: fc.boolean(), atMs: fc.nat(90) }), { maxLength: 60 }),
        fc.nat(400),
        (seen, days) => {
          const all = seen.map(({ of, good, atMs }, i) => ({
            ...{ id: `${i}`, skillId: ids[of] as string, good, atMs: atMs * DAY_MS },
          }));
          const nowMs = (90 + days) * DAY_MS;
          const state = skillState(SKILLS, all, nowMs);
          const progress = progressOf(SKILLS, all);
          for (const strand of STRANDS)
            expect(readyIn(progress, strand, nowMs)).toBe(
              SKILLS.filter(
                (skill) => skill.strand === strand && (state[skill.id]?.mastery ?? 0) >= READY + 1e-9,
              ).length,
            );
        },
      ),
      { numRuns: 60, seed: 4 },
    );
  });
});
