import { SHIPPED_CURRICULUM as SHIPPED } from '../../../curriculum/shipped';
import { seededRandom } from '../../../random';
import { buildRig, withHooks } from '../../../rig';
import { pointAndDropper } from '../../../rig/templates/indicator-nymph';
import { skillState } from '../../../skill';
import { drawnStudent, FORD, taskOf } from '../../../testing/schedule-task';
import { blockFromDrill } from '../../edits';
import type { Block, PlanRig } from '../../plan';
import { judgeOf, schedule, type ScheduleTask, whyNot } from '..';

const random = seededRandom('rig');
/** They are ready for everything, and have more to learn of it. */
const skills = skillState(
  SHIPPED.skills.all,
  SHIPPED.skills.all.flatMap(({ id }) =>
    [true, true, true, false].map((good, k) => ({ id: `${id}${k}`, skillId: id, atMs: k, good })),
  ),
  100,
);
const STUDENTS = [0, 1].map((i) => drawnStudent(i, random, { skills }));
const TALK = { ...blockFromDrill(SHIPPED.drills.get('hats-and-glasses'), 'talk', 0), durationMin: 10 };
const NYMPH: Block = {
  ...blockFromDrill(SHIPPED.drills.get('straight-below'), 'nymph', 10),
  ...{ durationMin: 15, rigId: 'two' },
};
const two = pointAndDropper(buildRig('indicator-nymph'), 2);
const TWO: PlanRig = { id: 'two', name: 'Two nymphs', rig: two };
const ONE: PlanRig = { id: 'one', name: 'One nymph', rig: withHooks(two, 1) };
const DRY: PlanRig = { id: 'dry', name: 'A dry fly', rig: buildRig('dry-fly') };

function taskWith(blocks: Block[], rigs: PlanRig[], maxHooks: number | null): ScheduleTask {
  const task = taskOf(STUDENTS, { drillIds: ['hats-and-glasses', 'straight-below', 'hoops'] });
  const water = { ...FORD, rules: { ...FORD.rules, maxHooks } };
  return { ...task, plan: { ...task.plan, blocks, rigs }, lesson: { ...task.lesson, water } };
}

/** What breaks the rule on rigs: the drill and where it is. */
function broken(task: ScheduleTask): (string | null | undefined)[] {
  const { faults } = judgeOf(task)(task.plan.blocks);
  return faults.flatMap(({ rule, act }) => (rule === 'rig' ? `${act?.drillId} ${act?.place}` : []));
}

/** The rigs of the blocks of a drill in what is proposed. */
function proposed(task: ScheduleTask): (string | null)[] {
  const found = schedule(task, { seed: 'rig', tries: 300 });
  return found!.plan.blocks.filter(({ drillId }) => drillId === NYMPH.drillId).map(({ rigId }) => rigId);
}

describe('a rig at the water', () => {
  it('must not have more hooks than the card allows', () => {
    expect(broken(taskWith([TALK, NYMPH], [TWO], 1))).toEqual([`straight-below ${NYMPH.place}`]);
    expect(broken(taskWith([TALK, NYMPH], [TWO], 2))).toEqual([]);
    expect(broken(taskWith([TALK, NYMPH], [TWO], null))).toEqual([]);
  });

  it('may have them on grass', () => {
    expect(broken(taskWith([TALK, { ...NYMPH, place: 'grass' }], [TWO], 1))).toEqual([]);
  });

  it('is not asked about where the plan goes on as it was decided', () => {
    expect(broken({ ...taskWith([TALK, NYMPH], [TWO], 1), trustsPlan: true })).toEqual([]);
  });

  it('keeps its drill in what is proposed where it may be fished', () => {
    expect(new Set(proposed(taskWith([TALK, NYMPH], [TWO], 2)))).toEqual(new Set(['two']));
  });

  it('gives way to another of the plan that is built alike', () => {
    expect(new Set(proposed(taskWith([TALK, NYMPH], [TWO, DRY, ONE], 1)))).toEqual(new Set(['one']));
  });

  it('takes its drill out where no other is alike', () => {
    expect(proposed(taskWith([TALK, NYMPH], [TWO, DRY], 1))).toEqual([]);
  });

  it('is why a plan cannot be where its block is locked', () => {
    const task = { ...taskWith([TALK, NYMPH], [TWO], 1), lockedIds: ['nymph'] };
    expect(whyNot(task)).toMatchObject({
      ...{ wishes: [{ wish: 'locked', blockId: 'nymph' }], rules: expect.arrayContaining(['rig']) },
    });
    expect(proposed({ ...task, bearsLocked: true })).toEqual(['two']);
  });
});
