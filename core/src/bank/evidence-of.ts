import { deterministicId } from '../random';
import type { SkillAttempt } from '../skill';
import type { BankEvent, MissCause } from './event';
import { activeEvents, attemptsOf } from './log';
import { tapTempo } from './tap-tempo';

/** What one entry says of a skill, besides what it was written down for. */
type Hint = Pick<SkillAttempt, 'skillId' | 'good' | 'evidence'>;

const see = (skillId: string, good: boolean): Hint => ({ skillId, good, evidence: 'passing' });

/** The skill a missed take speaks against; of one nobody knows why it was missed, none. */
const MISSED: Record<MissCause, string | null> = {
  late: 'hook-setting.set-timing',
  early: 'hook-setting.set-timing',
  slack: 'hook-setting.slack-management',
  'wrong-way': 'hook-setting.set-direction',
  'not-seen': 'hook-setting.see-take',
  unknown: null,
};
/** Within this a tangle is undone or cut, seconds. A rule of thumb. */
export const TANGLE_LIMIT_S = 120;
/** A fish out of the water for longer has been kept too long, seconds. A rule of thumb: the shorter the better. */
const AIR_LIMIT_S = 10;

/**
 * Everything on the record that says something of a student's skills: attempts, and what takes, fish, tangles, beats,
 * changes, stones and temperatures say in passing. Skills are named by the ids that ship; a school that does not teach
 * one hears nothing of it.
 *
 * @returns attempts in the order of time, each with an id of its own
 */
export function evidenceOf(events: readonly BankEvent[], studentId: string): SkillAttempt[] {
  const own = activeEvents(events).filter((event) => event.studentId === studentId);
  const hints = own.flatMap((event) =>
    [...hintsOf(event), ...changeHint(own, event)].map((hint) => ({
      ...hint,
      id: `${event.id}/${hint.skillId}`,
      atMs: event.atMs,
    })),
  );
  return [...attemptsOf(events, studentId), ...hints];
}

function hintsOf({ body }: BankEvent): Hint[] {
  switch (body.kind) {
    case 'miss': {
      const skillId = MISSED[body.cause];
      return skillId === null ? [] : [see(skillId, false)];
    }
    case 'fish':
      return [
        see('hook-setting.see-take', true),
        see('hook-setting.set-timing', true),
        ...(body.outcome === 'to-hand' ? [see('hook-setting.play-fish', true)] : []),
        ...(body.outOfWaterS === undefined
          ? []
          : [see('fish-care.unhook-in-water', body.outOfWaterS <= AIR_LIMIT_S)]),
      ];
    case 'tangle':
      return body.seconds === null ? [] : [see('rigging.untangle', body.seconds <= TANGLE_LIMIT_S)];
    case 'tempo':
      return [
        {
          skillId: 'casting.pause',
          good: tapTempo(body.tapsMs, body.lineM).verdict === 'fits',
          evidence: 'measured',
        },
      ];
    case 'temperature':
      return [see('fish-care.temperature-stop', true)];
    case 'stones':
      return [see('water.match-food', true)];
    default:
      return [];
  }
}

/** A change of fly before two of depth or drift is out of order, a change of depth or drift is in it. */
function changeHint(own: readonly BankEvent[], event: BankEvent): Hint[] {
  if (event.body.kind !== 'change' || event.body.what === 'rig') return [];
  if (event.body.what !== 'pattern') return [see('rigging.depth-order', true)];
  return [see('rigging.depth-order', !isFlyFirst(own, event))];
}

/** What is told as it is where a record is not opened: the rest stands there by what it says of skills. */
const TOLD = new Set<BankEvent['body']['kind']>(['attempt', 'tangle', 'safety', 'stones']);

/**
 * What lists and groups are told of many students: the attempts, tangles, stones and incidents that stand, and in the
 * place of other entries only what they say of skills. `evidenceOf` reads it as it reads the whole.
 */
export function overviewOf(events: readonly BankEvent[]): BankEvent[] {
  const standing = activeEvents(events);
  const byStudent = new Map<string | null, BankEvent[]>();
  for (const event of standing) {
    const own = byStudent.get(event.studentId);
    if (own) own.push(event);
    else byStudent.set(event.studentId, [event]);
  }
  return standing.flatMap((event) => {
    if (TOLD.has(event.body.kind)) return [event];
    const own = byStudent.get(event.studentId) ?? [];
    return [...hintsOf(event), ...changeHint(own, event)].map((hint): BankEvent => ({
      ...event,
      id: deterministicId(`${event.id}/${hint.skillId}`),
      body: { kind: 'attempt', drillId: null, faultId: null, ...hint },
    }));
  });
}

/** Changes of depth or drift that come before one of the fly. */
const BEFORE_FLY = 2;

function isFlyFirst(own: readonly BankEvent[], event: BankEvent): boolean {
  const earlier = own
    .slice(0, own.indexOf(event))
    .filter(({ lessonId, body }) => lessonId === event.lessonId && body.kind === 'change')
    .map(({ body }) => (body.kind === 'change' ? body.what : 'rig'));
  const since = earlier.slice(earlier.lastIndexOf('pattern') + 1).filter((what) => what !== 'rig');
  return since.length < BEFORE_FLY;
}

/** How often a student changed the fly before depth and drift, and how often he changed it at all. */
export function flyFirst(events: readonly BankEvent[], studentId: string): { first: number; of: number } {
  const own = activeEvents(events).filter((event) => event.studentId === studentId);
  const flies = own.filter(({ body }) => body.kind === 'change' && body.what === 'pattern');
  return { first: flies.filter((event) => isFlyFirst(own, event)).length, of: flies.length };
}
