import type { GoneDrill, HardRuleId, PlanUse, Reason, RowChange, ScorePart, WhyNot, Wish } from '@doceo/core';
import { movedText } from './drill-effect';
import { capital, listed } from './words';

/** What a use of the machine is called where its plan is shown. */
export function useText(use: PlanUse, nameOf: (studentId: string) => string): string {
  switch (use.use) {
    case 'fill':
      return 'a whole plan';
    case 'fill-rest':
      return 'the rest filled';
    case 'for-group':
      return 'for this group';
    case 'shorter':
      return `${use.byMin} min shorter`;
    case 'without':
      return `without ${listed(use.studentIds.map(nameOf))}`;
    case 'with-assistant':
      return 'with an assistant';
    case 'groups':
      return `in ${use.groups.length} groups`;
  }
}

/** What became of a line, as its tag says it; empty where nothing did. */
export function changeTag(change: RowChange): string {
  switch (change.kind) {
    case 'same':
      return '';
    case 'comes':
      return 'comes';
    case 'moves':
      return `${Math.abs(change.byMin)} min ${change.byMin < 0 ? 'sooner' : 'later'}`;
    case 'lasts':
      return `${Math.abs(change.byMin)} min ${change.byMin < 0 ? 'shorter' : 'longer'}`;
    case 'joins':
      return change.students > 0
        ? `${change.students} more join${change.students === 1 ? 's' : ''}`
        : `${-change.students} fewer`;
  }
}

const COUNTED: readonly [RowChange['kind'], string, string][] = [
  ['comes', 'comes', 'come'],
  ['moves', 'moves', 'move'],
  ['lasts', 'changes length', 'change length'],
  ['joins', 'changes its students', 'change their students'],
];

/** What a proposal does, counted: `2 come, 1 moves, 1 goes`. */
export function changesCounted(changes: readonly RowChange[], gone: number): string {
  const told = COUNTED.flatMap(([kind, one, many]) => {
    const count = changes.filter((change) => change.kind === kind).length;
    return count === 0 ? [] : [`${count} ${count === 1 ? one : many}`];
  });
  if (gone > 0) told.push(`${gone} ${gone === 1 ? 'goes' : 'go'}`);
  return told.length === 0 ? 'nothing changes' : told.join(', ');
}

/** What each wish of the plan is called on its slider. */
export const SCORE_PART_NAMES: Record<ScorePart, string> = {
  gain: 'Gain toward the aim',
  fairness: 'Nobody left behind',
  idle: 'Nobody waits',
  walking: 'Little walking',
  attention: 'Ten to fifteen minutes a drill',
  change: 'Change of strand',
  breaks: 'Breaks in time',
  'water-after-grass': 'Time at the water',
  telling: 'Few beginnings',
  order: 'Safety first, fish care last',
  margin: 'Margin at the end',
  keeping: 'Keep what I planned',
};

/** A rule that must be kept, as what somebody would break. */
export const RULE_BROKEN: Record<HardRuleId, string> = {
  'two-places': 'somebody in two places',
  'outside-lesson': 'past the end of the lesson',
  minutes: 'too short or too long for it',
  group: 'too few for it',
  apart: 'mixes the groups',
  supervision: 'nobody free to watch',
  minors: 'a minor out of sight',
  ground: 'no such ground here',
  room: 'hooks too near each other',
  needs: 'not for everybody’s needs',
  'rests-on': 'needs something first',
  'safety-first': 'before the safety talk',
  closed: 'hours that weather or light forbid',
  stock: 'not enough of it in the kit',
  rig: 'a rig that must not be fished here',
  locked: 'in the way of what is locked',
};

/** Why a drill that was planned is not in a plan that was made. */
export function goneText(
  { breaks, needs, byPoints }: GoneDrill,
  skillName: (skillId: string) => string,
): string {
  if (breaks === 'rests-on' && needs.length > 0) return `Needs ${listed(needs.map(skillName))} first.`;
  if (breaks) return `${capital(RULE_BROKEN[breaks])}.`;
  return byPoints > 0 ? 'What they do instead gives more.' : 'The day as a whole is better without it.';
}

/** Why this drill, why now: two sentences of an instructor, with the names of students and drills. */
export function reasonText(
  { gains, lanes, after, opens, watches, worked }: Reason,
  nameOf: (lane: number) => string,
  drillName: (drillId: string) => string,
  faultName: (faultId: string) => string,
): { why: string; now: string } {
  const best = gains
    .map((gain, i) => ({ gain, name: nameOf(lanes[i]!) }))
    .sort((a, b) => b.gain - a.gain)
    .filter(({ gain }) => gain > 0.005);
  const top = best.filter(({ gain }) => gain >= (best[0]?.gain ?? 0) * 0.7).map(({ name }) => name);
  const rest = best.length - top.length;
  const gained =
    best.length === 0
      ? 'Nobody gains much by it any more.'
      : `${listed(top)} gain${top.length === 1 ? 's' : ''} most by it${rest > 0 ? `, ${rest === 1 ? 'one other' : `${rest} others`} a little` : ''}.`;
  const opened = opens.length > 0 ? ` It opens ${listed(opens.slice(0, 3).map(drillName))}.` : '';
  const now =
    after.length > 0
      ? `It rests on ${listed(after.slice(0, 3).map(drillName))}, which ${after.length === 1 ? 'comes' : 'come'} before.`
      : opens.length > 0
        ? 'Nothing has to come before it, and something waits for it.'
        : 'Nothing has to come before it.';
  const faultIds = [...new Set(watches.map(({ faultId }) => faultId))];
  const watched = faultIds.map((id) => {
    const who = watches
      .filter(({ faultId }) => faultId === id)
      .map(({ lane, count, exposed }) => `${nameOf(lane)} ${count} of ${exposed}`);
    return `“${faultName(id).toLowerCase()}” (${who.join(', ')})`;
  });
  const looks = watched.length > 0 ? ` It looks out for ${listed(watched)}.` : '';
  const rise = worked?.rise
    ? ` In ${worked.n} bouts up to now the estimate ${movedText(worked.rise.mean)}.`
    : '';
  return { why: `${gained}${looks}${rise}${opened}`, now };
}

/** Why there is no such plan, in words, and which wishes cannot stand together. */
export function whyNotText(why: WhyNot): { title: string; reason: string } {
  switch (why.why) {
    case 'no-students':
      return {
        title: 'Nobody to plan for',
        reason: 'There is no student in this lesson. Add one on its card, then ask again.',
      };
    case 'no-drill':
      return {
        title: 'No drill can be done here',
        reason:
          'None of the drills you teach fits this water and these students: there is no ground for them, or their needs rule them out. Another water, or a drill of your own for grass, would open it.',
      };
    case 'wishes': {
      const [one] = why.wishes;
      const broken = why.rules.map((rule) => RULE_BROKEN[rule]);
      const because = broken.length > 0 ? ` Among what is locked: ${listed(broken)}.` : '';
      return why.wishes.length === 1
        ? { title: `${capital(wishText(one!))} cannot be kept`, reason: `Let it go, or change it.${because}` }
        : {
            title: 'These cannot stand together',
            reason: `${capital(listed(why.wishes.map(wishText)))}. Let one of them go.${because}`,
          };
    }
  }
}

function wishText(wish: Wish): string {
  switch (wish.wish) {
    case 'locked':
      return `“${wish.title}” locked where it is`;
    case 'kept':
      return `“${wish.title}” in the plan`;
    case 'length':
      return `a length of ${wish.lengthMin} min`;
    case 'closed':
      return 'the hours that weather or light forbid';
    case 'stock':
      return 'the kit there is';
    case 'staff':
      return `${wish.instructors} instructor${wish.instructors === 1 ? '' : 's'}${wish.assistants > 0 ? ` and ${wish.assistants} to assist` : ' alone'}`;
  }
}
