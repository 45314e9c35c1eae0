import { activeEvents, attemptsOf, type BankEvent, drilledAttempts, isAtHome } from '../bank';
import { type Curriculum, weighFaults } from '../curriculum';
import { type Drill, needsNoWater } from '../drill';
import { DANGER, type Fault } from '../fault';

/** Attempts in a lesson below which a share is not told. */
const MIN_ATTEMPTS = 4;
/** Times a fault must be seen before it is the thing to work on. */
const MIN_FAULTS = 2;
const MAX_GOOD = 3;
/** So much more of good attempts than before is told. */
const RISES = 0.1;

/** Something good of a day, with its evidence. */
export type GoodThing =
  /** A skill that went well; `rise` is what its share of good attempts gained on lessons before, null for hardly any. */
  | { kind: 'skill'; name: string; goods: number; n: number; rise: number | null }
  | { kind: 'fish'; count: number };

export interface Debrief {
  /** Up to three good things. */
  good: GoodThing[];
  /** The one thing to work on, with its cause and cure; null when nothing went wrong often enough. */
  workOn: { fault: Fault; skillId: string; skillName: string; times: number } | null;
  /** What the instructor says to the student; null when he says nothing. */
  sentence: string | null;
  /** One drill for at home that trains it; needs no water. */
  home: Drill | null;
}

/**
 * What to tell a student after a lesson, in plain words and from the record only.
 *
 * Good things: skills by their share of good attempts in the lesson, risen ones first, then fish to hand. The one thing:
 * the fault that matters most in the lesson, dangers first. The drill: the first of the library for its skill that needs no water.
 *
 * @param events all of the student; others are left out
 */
export function debrief(
  curriculum: Curriculum,
  events: readonly BankEvent[],
  studentId: string,
  lessonId: string,
): Debrief {
  const own = activeEvents(events).filter((event) => event.studentId === studentId);
  const now = own.filter((event) => event.lessonId === lessonId && !isAtHome(event));
  const before = own.filter((event) => event.lessonId !== lessonId);
  const workOn = worst(curriculum, now, studentId);
  return {
    good: [...skillsGone(curriculum, now, before, studentId), ...fishCaught(now)].slice(0, MAX_GOOD),
    workOn,
    sentence: sentenceOf(now),
    home: workOn ? drillFor(curriculum, now, workOn.fault.id) : null,
  };
}

/** The last sentence that stands; an empty one takes those before it off the card. */
function sentenceOf(now: readonly BankEvent[]): string | null {
  const last = now.map(({ body }) => body).findLast((body) => body.kind === 'sentence');
  return last?.kind === 'sentence' ? last.text || null : null;
}

function skillsGone(
  { skills }: Curriculum,
  now: readonly BankEvent[],
  before: readonly BankEvent[],
  studentId: string,
): Debrief['good'] {
  const past = shares(before, studentId);
  return [...shares(now, studentId)]
    .filter(([, { n }]) => n >= MIN_ATTEMPTS)
    .map(([skillId, { goods, n }]) => {
      const earlier = past.get(skillId);
      const rise = earlier && earlier.n >= MIN_ATTEMPTS ? goods / n - earlier.goods / earlier.n : 0;
      return { skillId, goods, n, rise };
    })
    .filter(({ goods, n, rise }) => goods / n >= 0.5 || rise > RISES)
    .sort((a, b) => b.rise - a.rise || b.goods / b.n - a.goods / a.n || (a.skillId < b.skillId ? -1 : 1))
    .map(({ skillId, goods, n, rise }) => ({
      ...{ kind: 'skill', name: skills.get(skillId).name, goods, n },
      rise: rise > RISES ? rise : null,
    }));
}

function fishCaught(now: readonly BankEvent[]): Debrief['good'] {
  const fish = now.filter(({ body }) => body.kind === 'fish' && body.outcome === 'to-hand').length;
  return fish > 0 ? [{ kind: 'fish', count: fish }] : [];
}

/** The fault that matters most; one seen once only when it is a danger. */
function worst(curriculum: Curriculum, now: readonly BankEvent[], studentId: string): Debrief['workOn'] {
  const found = weighFaults(curriculum, drilledAttempts(now, studentId)).find(
    ({ fault, count }) => count >= MIN_FAULTS || fault.weight >= DANGER,
  );
  if (!found) return null;
  const { fault, count } = found;
  const skillId = skillOf(now, fault.id);
  return { fault, times: count, skillId, skillName: curriculum.skills.get(skillId).name };
}

function skillOf(now: readonly BankEvent[], faultId: string): string {
  const event = now.find(({ body }) => body.kind === 'attempt' && body.faultId === faultId);
  return event?.body.kind === 'attempt' ? event.body.skillId : '';
}

function drillFor({ drills }: Curriculum, now: readonly BankEvent[], faultId: string): Drill | null {
  const skillId = skillOf(now, faultId);
  const dry = drills.all.filter(needsNoWater);
  // The drill that looks out for the fewest things besides is the one made for this fault.
  const [made] = dry
    .filter(({ watchFor }) => watchFor.includes(faultId))
    .sort((a, b) => a.watchFor.length - b.watchFor.length);
  return made ?? dry.find(({ trains }) => trains.some((trained) => trained.skillId === skillId)) ?? null;
}

function shares(events: readonly BankEvent[], studentId: string): Map<string, { goods: number; n: number }> {
  const found = new Map<string, { goods: number; n: number }>();
  for (const { skillId, good } of attemptsOf(events, studentId)) {
    const share = found.get(skillId) ?? { goods: 0, n: 0 };
    found.set(skillId, { goods: share.goods + (good ? 1 : 0), n: share.n + 1 });
  }
  return found;
}
