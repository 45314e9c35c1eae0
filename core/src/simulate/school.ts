import type { Curriculum } from '../curriculum';
import type { Seen, TracingParameters } from '../skill';
import { type SimulatedAttempt, simulateStudent, type SkillTruth } from './student-simulator';

const WEEK_MS = 7 * 24 * 3_600_000;
const HOUR_MS = 3_600_000;

export interface SchoolPlan {
  students: number;
  /** Drills of each session, one after another. */
  drillIds: readonly string[];
  /** Sessions, a week apart. */
  sessions: number;
  /** Attempts in each bout of a drill. */
  attempts: number;
  /** How each session's bouts are seen, by turns; all in drills when left out. */
  seen?: readonly Seen[];
  /** How the skills are learned when all students learn alike, by skill id. */
  parameters?: Record<string, TracingParameters>;
}

export interface SimulatedRecord {
  key: string;
  attempts: SimulatedAttempt[];
  truth: SkillTruth[];
}

/** A school of simulated students whose truth is known. The same seed gives the same school. */
export function simulateSchool(curriculum: Curriculum, seed: string, plan: SchoolPlan): SimulatedRecord[] {
  return Array.from({ length: plan.students }, (_, s) => {
    const key = `student ${s + 1}`;
    const bouts = Array.from({ length: plan.sessions }, (_unused, session) =>
      plan.drillIds.map((drillId, d) => ({
        drillId,
        startMs: session * WEEK_MS + d * HOUR_MS,
        attempts: plan.attempts,
        ...plan.seen?.[(session + d) % plan.seen.length],
      })),
    ).flat();
    const student = {
      key,
      head: {},
      habits: {},
      ...(plan.parameters ? { parameters: plan.parameters } : {}),
    };
    return { key, ...simulateStudent(curriculum, seed, student, bouts) };
  });
}
