import {
  type Block,
  type PlanB,
  type PlanDifference,
  type SharedPlan,
  type Staff,
  type UnitSystem,
} from '@doceo/core';
import { rigFieldName, rigFieldText } from './rig-changes';
import { PLAN_B_NAMES } from './plan-b';
import { staffText } from './plan-problems';
import { capital, counted, listed } from './words';

/** Something that differs between states of a plan: what it is, and in words what each of them has there. */
export interface ChangeInWords {
  what: string;
  before: string;
  after: string;
}

/** What stands for something that a state has not. */
export const NOT_THERE = 'not there';

const FACT_NAMES: Record<string, string> = {
  title: 'Title',
  aim: 'Aim',
  level: 'Level',
  groupSize: 'Group',
  season: 'Season',
  waterKind: 'Water',
  lengthMin: 'Length',
  staff: 'Who teaches',
  planB: 'Plan B',
};
const FIELD_NAMES: Record<string, string> = {
  kind: 'what it is',
  drillId: 'drill',
  startMin: 'when it begins',
  durationMin: 'how long',
  lane: 'whose it is',
  rigId: 'rig',
  watchFor: 'what to watch for',
  drift: 'the drift to show',
  locked: 'whether it stays put',
  soonestMin: 'soonest end',
  latestMin: 'latest end',
};
const CARRIED_NAMES: Record<string, string> = { skills: 'Skill', faults: 'Fault', drills: 'Drill' };

/** What stands at a path of a plan, by the names that it has in any of these states. */
export function planPathText(path: string, plans: readonly SharedPlan[]): string {
  const [kind = '', id = '', field = '', ...deeper] = path.split('/');
  const nameIn = (of: (plan: SharedPlan) => string | undefined): string =>
    plans.map(of).find((name) => name) ?? '';
  if (kind === 'blocks') {
    const title = nameIn(({ body }) => body.blocks.find((block) => block.id === id)?.title);
    return field ? `“${title}”, ${FIELD_NAMES[field] ?? field}` : `“${title}”`;
  }
  if (kind === 'rigs') {
    const name = nameIn(({ body }) => body.rigs.find((rig) => rig.id === id)?.name);
    if (field === '' || field === 'rig') return `Rig “${name}”`;
    return `Rig “${name}”, ${field === 'name' ? 'name' : rigFieldName(id, [field, ...deeper], plans)}`;
  }
  if (kind === 'carries') {
    const list = id as 'skills' | 'faults' | 'drills';
    const name = nameIn(({ body }) => {
      const one = body.carries?.[list].find((thing) => thing.id === field);
      return one && ('name' in one ? one.name : one.short);
    });
    return `${CARRIED_NAMES[id] ?? id} “${name}”`;
  }
  return FACT_NAMES[kind] ?? kind;
}

/**
 * What a state of a plan has at a path, in words; what it has not is not there.
 *
 * @param plan the state that has it
 */
export function planValueText(path: string, value: unknown, plan: SharedPlan, units: UnitSystem): string {
  const [kind = '', id = '', field = ''] = path.split('/');
  if (value === undefined) return NOT_THERE;
  if (kind === 'blocks') {
    const block = plan.body.blocks.find((one) => one.id === id);
    return field === '' ? (block ? blockText(block) : 'there') : fieldText(field, value, plan);
  }
  if (kind === 'rigs') return rigText(path.split('/').slice(2), value, units);
  if (kind === 'carries') return 'as it is here';
  if (kind === 'staff') return staffText(value as Staff);
  if (kind === 'planB') return planBText(value as PlanB);
  if (kind === 'lengthMin') return `${value as number} min`;
  if (kind === 'groupSize') return counted(value as number, 'student');
  return plain(value);
}

/** `“Hoops”, from minute 20, 15 min, everybody, grass`. */
function blockText({ startMin, durationMin, lane, place }: Block): string {
  return [
    `from minute ${startMin}`,
    `${durationMin} min`,
    laneText(lane),
    place === 'anywhere' ? '' : place.replace('-', ' '),
  ]
    .filter(Boolean)
    .join(', ');
}

function fieldText(field: string, value: unknown, { body }: SharedPlan): string {
  switch (field) {
    case 'startMin':
      return `from minute ${value as number}`;
    case 'durationMin':
      return `${value as number} min`;
    case 'soonestMin':
    case 'latestMin':
      return `after ${value as number} min`;
    case 'lane':
      return laneText(value as number | null);
    case 'rigId':
      return value === null ? 'no rig' : `“${body.rigs.find(({ id }) => id === value)?.name ?? 'a rig'}”`;
    case 'drillId':
      return value === null
        ? 'no drill'
        : (body.carries?.drills.find(({ id }) => id === value)?.name ?? plain(value));
    case 'watchFor':
      return (
        listed(
          (value as string[]).map((id) => body.carries?.faults.find((one) => one.id === id)?.short ?? id),
        ) || 'nothing'
      );
    case 'drift':
      return 'another drift';
    case 'locked':
      return value ? 'yes' : 'no';
    default:
      return plain(value).replace('-', ' ');
  }
}

function laneText(lane: number | null): string {
  return lane === null ? 'everybody' : `student ${lane + 1}`;
}

function rigText(path: readonly string[], value: unknown, units: UnitSystem): string {
  const [field] = path;
  if (field === undefined) return 'there';
  if (field === 'rig') return 'tied as it is here';
  return field === 'name' ? plain(value) : rigFieldText(path, value, units);
}

function planBText({ trigger, fromMin, blocks }: PlanB): string {
  return `${capital(PLAN_B_NAMES[trigger].toLowerCase())}, from minute ${fromMin}, ${counted(blocks.length, 'block')}`;
}

function plain(value: unknown): string {
  return value === '' ? 'nothing' : String(value);
}

/** A difference in words: a line for each field of a block, one for a rig. */
export function planDifferenceInWords(
  difference: PlanDifference,
  before: SharedPlan,
  after: SharedPlan,
  units: UnitSystem,
): ChangeInWords[] {
  const plans = [after, before];
  const line = (path: string, was: unknown, is: unknown): ChangeInWords => ({
    what: planPathText(path, plans),
    before: planValueText(path, was, before, units),
    after: planValueText(path, is, after, units),
  });
  const { path } = difference;
  switch (difference.of) {
    case 'plan':
    case 'plan-b':
      return [line(path, difference.before, difference.after)];
    case 'block': {
      const { change, block, byMin, fields } = difference;
      if (change === 'comes') return [line(path, undefined, block)];
      if (change === 'goes') return [line(path, block, undefined)];
      const begins = line(`${path}/startMin`, block.startMin - byMin, block.startMin);
      return [
        ...(byMin === 0 ? [] : [begins]),
        ...fields.map((one) => line(`${path}/${one.field}`, one.before, one.after)),
      ];
    }
    case 'rig':
    case 'carried': {
      // Parts of a rig by their name; lists of them are told by the parts.
      if (difference.of === 'rig' && difference.change === 'changes')
        return difference.fields
          .filter(({ field }) => !['sections', 'fittings', 'flies'].includes(field))
          .map((one) => line(`${path}/${one.field}`, one.before, one.after));
      const there = {
        comes: [NOT_THERE, 'there'],
        goes: ['there', NOT_THERE],
        changes: ['one way', 'another way'],
      };
      const [was = '', is = ''] = there[difference.change];
      return [{ what: planPathText(path, plans), before: was, after: is }];
    }
  }
}
