import { activeEvents, type BankEvent, isAtHome } from '../bank';
import type { Curriculum } from '../curriculum';
import { type SkillState, skillStage, type Strand, STRANDS } from '../skill';

/** Tries that make the picture of what went well. */
const SHOWN = 10;
/** Fewest tries in a lesson of which anything is said. */
const MIN_TRIES = 4;
/** So many days before the lesson count as long ago. */
const LONG_AGO_DAYS = 21;
/** Streams of a student's page: safety and the care of fish are the instructor's to watch. */
const TOLD: readonly Strand[] = STRANDS.slice(0, 4);

const DAY_MS = 86_400_000;

/** The skill that went best in a lesson, by its last tries. */
export interface WentWell {
  skillId: string;
  skillName: string;
  /** Whether each of the last tries was good, the oldest first. */
  tries: boolean[];
  /** The same number of tries long before, when there were as many; null otherwise. */
  before: { good: number; of: number; atMs: number } | null;
}

/**
 * What to show a student first: the skill with the greatest rise against long ago, else with the best share, of those
 * tried often enough in the lesson. What was done at home is left out.
 *
 * @param events all of the student; others are left out
 * @returns null when nothing was good in half of its tries, or too little was tried
 */
export function wentWell(
  { skills }: Curriculum,
  events: readonly BankEvent[],
  studentId: string,
  lessonId: string,
): WentWell | null {
  const bySkill = new Map<string, { atMs: number; good: boolean; now: boolean }[]>();
  for (const event of activeEvents(events)) {
    const { body } = event;
    if (event.studentId !== studentId || body.kind !== 'attempt' || isAtHome(event)) continue;
    if (!skills.has(body.skillId)) continue;
    const tries = bySkill.get(body.skillId) ?? [];
    tries.push({ atMs: event.atMs, good: body.good, now: event.lessonId === lessonId });
    bySkill.set(body.skillId, tries);
  }
  const found = [...bySkill].flatMap(([skillId, tries]) => {
    const now = tries.filter((one) => one.now).slice(-SHOWN);
    const share = shareOf(now);
    if (now.length < MIN_TRIES || share < 0.5) return [];
    const since = (now[0]?.atMs ?? 0) - LONG_AGO_DAYS * DAY_MS;
    const old = tries.filter(({ atMs }) => atMs < since).slice(0, now.length);
    const before = old.length < now.length ? null : old;
    return [{ skillId, now, share, before, rise: before ? share - shareOf(before) : 0 }];
  });
  const [best] = found.sort(
    (a, b) => b.rise - a.rise || b.share - a.share || (a.skillId < b.skillId ? -1 : 1),
  );
  if (!best) return null;
  return {
    skillId: best.skillId,
    skillName: skills.get(best.skillId).name,
    tries: best.now.map(({ good }) => good),
    before:
      best.before && best.rise > 0
        ? {
            good: best.before.filter(({ good }) => good).length,
            of: best.before.length,
            atMs: best.before.at(-1)?.atMs ?? 0,
          }
        : null,
  };
}

function shareOf(tries: readonly { good: boolean }[]): number {
  return tries.length === 0 ? 0 : tries.filter(({ good }) => good).length / tries.length;
}

/** How far a student is in a strand, in what can be said in a sentence. */
export interface ToldStrand {
  strand: Strand;
  /** Skills he has, is learning, and all there are. */
  has: number;
  learning: number;
  of: number;
  /** Of those he has, the one that rests on most others; null for none. */
  hasName: string | null;
  /** What comes next: the nearest of those he is learning, else the first that rests on what he has; null when he has all. */
  nextName: string | null;
}

/**
 * The streams in plain words.
 *
 * @param state estimates by skill, as `skillState` gives them
 */
export function toldStrands({ skills }: Curriculum, state: SkillState): ToldStrand[] {
  const stageOf = (id: string) => skillStage(state[id] ?? { attempts: 0, mastery: 0 });
  return TOLD.map((strand) => {
    const all = skills.all.filter((skill) => skill.strand === strand);
    const has = all.filter(({ id }) => stageOf(id) === 'has-it');
    const learning = all.filter(({ id }) => stageOf(id) === 'learning');
    const far = (id: string): number => skills.ancestors(id).length;
    const [deepest] = has.toSorted((a, b) => far(b.id) - far(a.id));
    const [nearest] = learning.toSorted(
      (a, b) => (state[b.id]?.mastery ?? 0) - (state[a.id]?.mastery ?? 0) || far(a.id) - far(b.id),
    );
    const [first] = all
      .filter(({ id }) => stageOf(id) === 'not-seen')
      .toSorted((a, b) => far(a.id) - far(b.id));
    return {
      strand,
      ...{ has: has.length, learning: learning.length, of: all.length },
      hasName: deepest?.name ?? null,
      nextName: (nearest ?? first)?.name ?? null,
    };
  });
}
