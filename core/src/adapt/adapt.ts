import type { Curriculum } from '../curriculum';
import type { Drill } from '../drill';
import { type Adaptation, limitsOf, type Need, type NeedLimits, NEED_LIMITS, WHILE_CASTING } from '../need';

/** Why a drill is done otherwise: a rule of the drill, or what the need asks for in any drill. */
export interface AdaptReason {
  need: Need;
  /** The drill's own rule; null where only the general limits of the need speak. */
  rule: Adaptation | null;
  limits: Partial<NeedLimits>;
}

/** A drill as one student does it. */
export interface AdaptedDrill {
  /** The drill itself, or the one in its place. */
  drill: Drill;
  /** Whether it is done in the place of the one asked for. */
  instead: boolean;
  /** Metres, rounded to 0.1. */
  lineOutM: number;
  /** Most minutes at a stretch, whole. */
  minutes: number;
  /** Where he stands; none where nothing is said. */
  stands: string[];
  /** What is done or said otherwise. */
  words: string[];
  limits: NeedLimits;
  reasons: AdaptReason[];
}

/**
 * A drill bent to a student's needs, never the student to the drill. The drill's own rule for a need goes before the
 * general limit of that need; of several rules the tightest figure counts. A drill that is done in the place of this one is
 * bent in its turn.
 *
 * @param needs those of `needsOf`
 */
export function adapt(curriculum: Curriculum, drill: Drill, needs: readonly Need[]): AdaptedDrill {
  const insteadId = drill.adaptations.find(
    ({ need, insteadId: id }) => id !== undefined && needs.includes(need) && curriculum.drills.has(id),
  )?.insteadId;
  const done = insteadId === undefined ? drill : curriculum.drills.get(insteadId);
  const rules = done.adaptations.filter(({ need }) => needs.includes(need));
  const general = limitsOf(needs);
  // What tires only while a line flies asks for nothing at a talk or a table.
  const bearing = needs.filter((need) => done.lineOutM > 0 || !WHILE_CASTING.has(need));
  const factor = (of: 'line' | 'minutes'): number =>
    Math.min(
      1,
      ...needs.flatMap(
        (need) =>
          rules.find((rule) => rule.need === need)?.[of] ??
          (bearing.includes(need) ? (NEED_LIMITS[need][of] ?? []) : []),
      ),
    );
  const asked = drill.adaptations.filter(({ need }) => needs.includes(need));
  return {
    drill: done,
    instead: done !== drill,
    lineOutM: Math.round(done.lineOutM * factor('line') * 10) / 10,
    minutes: Math.max(1, Math.round(done.minutes.likely * factor('minutes'))),
    stands: rules.flatMap(({ stand }) => stand ?? []),
    words: [...new Set([...(done === drill ? [] : asked), ...rules].map(({ words }) => words))].filter(
      (words) => words !== '',
    ),
    limits: general,
    reasons: needs
      .map((need) => ({
        need,
        rule: [...asked, ...rules].find((rule) => rule.need === need) ?? null,
        limits: NEED_LIMITS[need],
      }))
      .filter(
        ({ need, rule, limits }) =>
          rule !== null || (bearing.includes(need) && Object.keys(limits).length > 0),
      ),
  };
}
