import type { Curriculum } from '../curriculum';
import { mainSkillOf } from '../drill';
import { deterministicId, pickWeighted, type Random, seededRandom } from '../random';
import { PARAMETER_GRID, retained, type Seen, seenBy, type TracingParameters } from '../skill';

/** A simulated student: hidden truth that the tracing must find again. */
export interface SimulatedStudent {
  key: string;
  /** Added to the starting mastery of skills by id or strand; 0…1 replaces it. */
  head: Record<string, number>;
  /** Weights of this student's faults; others count 1. */
  habits: Record<string, number>;
  /** How skills are learned, by skill id, when all students of a school learn alike; else drawn for each. */
  parameters?: Record<string, TracingParameters>;
}

export interface SimulatedAttempt extends Seen {
  id: string;
  atMs: number;
  skillId: string;
  good: boolean;
  faultId: string | null;
}

/** What is true of a simulated student's skill at the end. */
export interface SkillTruth {
  skillId: string;
  mastered: boolean;
  parameters: TracingParameters;
}

/** A stretch of attempts, and how they are seen; those at a side skill where `evidence` says so. */
export interface SimulatedBout extends Seen {
  drillId: string;
  /** Epoch milliseconds. */
  startMs: number;
  attempts: number;
}

/**
 * Plays bouts of drills through one student: each skill has its own parameters drawn from the plausible ones, is
 * mastered or not, is learned by practice and forgotten between sessions, exactly as the tracing model assumes; faults
 * are drawn by habit.
 *
 * @param bouts in the order of time; attempts are spread over 20 s steps
 */
export function simulateStudent(
  curriculum: Curriculum,
  seed: string,
  student: SimulatedStudent,
  bouts: readonly SimulatedBout[],
): { attempts: SimulatedAttempt[]; truth: SkillTruth[] } {
  const random = seededRandom(`${seed}/${student.key}`);
  const truths = new Map<string, SkillTruth & { lastMs: number | null }>();
  const attempts: SimulatedAttempt[] = [];
  for (const bout of bouts) {
    const drill = curriculum.drills.find(bout.drillId);
    if (!drill) continue;
    const { evidence, choices, home } = bout;
    const seen: Seen = {
      ...(evidence && { evidence }),
      ...(choices !== undefined && { choices }),
      ...(home && { home }),
    };
    const skillId = (evidence === 'side' ? drill.trains[1]?.skillId : null) ?? mainSkillOf(drill);
    for (let i = 0; i < bout.attempts; i++) {
      const atMs = bout.startMs + i * 20_000;
      const truth = truths.get(skillId) ?? startingTruth(random, student, skillId);
      truths.set(skillId, truth);
      if (truth.mastered && truth.lastMs !== null && random() > retained(atMs - truth.lastMs))
        truth.mastered = false;
      truth.lastMs = atMs;
      const { slip, guess, learn } = seenBy(truth.parameters, seen);
      const good = random() < (truth.mastered ? 1 - slip : guess);
      if (!truth.mastered && random() < learn) truth.mastered = true;
      const faults = curriculum.skills.get(skillId).faults;
      const faultId =
        good || faults.length === 0 ? null : pickWeighted(random, faults, (id) => student.habits[id] ?? 1);
      attempts.push({
        id: deterministicId(`${seed}/${student.key}/${attempts.length}`),
        atMs,
        skillId,
        good,
        faultId,
        ...seen,
      });
    }
  }
  return {
    attempts,
    truth: [...truths.values()].map(({ skillId, mastered, parameters }) => ({
      skillId,
      mastered,
      parameters,
    })),
  };
}

function startingTruth(
  random: Random,
  student: SimulatedStudent,
  skillId: string,
): SkillTruth & { lastMs: number | null } {
  const parameters =
    student.parameters?.[skillId] ??
    (PARAMETER_GRID[Math.floor(random() * PARAMETER_GRID.length)] as TracingParameters);
  const strand = skillId.slice(0, skillId.indexOf('.'));
  const initial = student.head[skillId] ?? student.head[strand] ?? parameters.initial;
  return { skillId, mastered: random() < initial, parameters, lastMs: null };
}
