import { type BankEvent, drilledAttempts, type DrilledAttempt } from '../bank';
import type { Curriculum } from '../curriculum';
import { shareInterval } from '../statistics';

/** A fault before a drill was first done, and from then on. */
export interface Moved {
  drillId: string;
  faultId: string;
  before: Share;
  after: Share;
  /** After less before, of 100 attempts, with its 90 % interval. */
  change: number;
  low: number;
  high: number;
  /** 'fell' or 'rose' only when the interval leaves out no change. */
  says: 'fell' | 'rose' | 'unclear';
}

interface Share {
  count: number;
  n: number;
}

/** Fewest attempts before and after a drill for anything to be said of it. */
export const MIN_MOVED = 12;

/**
 * Which drill moved which fault, of one student: the share of attempts with the fault before the drill was first done,
 * against the share after that first bout; the bout itself counts for neither side. Looked at are the attempts at skills
 * the fault belongs to that were tried on both sides, since a harder skill begun later would show as a fault that rose.
 *
 * The interval of the difference is Newcombe's, from the score intervals of both shares. That something fell after a
 * drill does not prove that the drill did it; the caller says so.
 *
 * @param curriculum whose drills and skills are looked at
 * @param events all of the student; others are left out
 */
export function movedFaults(
  curriculum: Curriculum,
  events: readonly BankEvent[],
  studentId: string,
): Moved[] {
  const all = drilledAttempts(events, studentId);
  return curriculum.drills.all
    .flatMap(({ id, watchFor }) => {
      const bout = firstBout(all, id);
      return bout
        ? watchFor.flatMap((faultId) => compare(id, faultId, sides(curriculum, all, bout, faultId)) ?? [])
        : [];
    })
    .sort(
      (a, b) =>
        Number(a.says === 'unclear') - Number(b.says === 'unclear') ||
        a.change - b.change ||
        (a.drillId < b.drillId ? -1 : 1),
    );
}

const DAY_MS = 24 * 3_600_000;

interface Bout {
  drillId: string;
  startMs: number;
  endMs: number;
}

/** The first day with this drill. */
function firstBout(all: readonly DrilledAttempt[], drillId: string): Bout | null {
  const own = all.filter((attempt) => attempt.drillId === drillId);
  const startMs = own[0]?.atMs;
  if (startMs === undefined) return null;
  const endMs = own.findLast(({ atMs }) => atMs - startMs < DAY_MS)?.atMs ?? startMs;
  return { drillId, startMs, endMs };
}

/** Attempts before and after a bout at which the fault could have been made, at skills tried on both sides. */
function sides(
  { skills }: Curriculum,
  all: readonly DrilledAttempt[],
  bout: Bout,
  faultId: string,
): { before: Share; after: Share } {
  const able = all.filter(
    ({ skillId, faultId: made }) => made === faultId || skills.get(skillId).faults.includes(faultId),
  );
  const outside = able.filter(
    ({ drillId, atMs }) => !(drillId === bout.drillId && atMs >= bout.startMs && atMs <= bout.endMs),
  );
  const early = outside.filter(({ atMs }) => atMs < bout.startMs);
  const late = outside.filter(({ atMs }) => atMs > bout.startMs);
  const skillsOf = (attempts: readonly DrilledAttempt[]): Set<string> =>
    new Set(attempts.map(({ skillId }) => skillId));
  const [then, since] = [skillsOf(early), skillsOf(late)];
  return {
    before: share(
      early.filter(({ skillId }) => since.has(skillId)),
      faultId,
    ),
    after: share(
      late.filter(({ skillId }) => then.has(skillId)),
      faultId,
    ),
  };
}

function share(attempts: readonly DrilledAttempt[], faultId: string): Share {
  return { count: attempts.filter((attempt) => attempt.faultId === faultId).length, n: attempts.length };
}

/** null below the least number of attempts, or when the fault was never made. */
function compare(
  drillId: string,
  faultId: string,
  { before, after }: { before: Share; after: Share },
): Moved | null {
  if (Math.min(before.n, after.n) < MIN_MOVED || before.count + after.count === 0) return null;
  const [b, a] = [before.count / before.n, after.count / after.n];
  const [ib, ia] = [shareInterval(before.count, before.n), shareInterval(after.count, after.n)];
  const change = a - b;
  const low = change - Math.hypot(a - ia.low, ib.high - b);
  const high = change + Math.hypot(ia.high - a, b - ib.low);
  return {
    drillId,
    faultId,
    before,
    after,
    change: change * 100,
    low: low * 100,
    high: high * 100,
    says: high < 0 ? 'fell' : low > 0 ? 'rose' : 'unclear',
  };
}
