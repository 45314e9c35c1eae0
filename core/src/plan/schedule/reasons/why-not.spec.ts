import { SHIPPED_CURRICULUM as SHIPPED } from '../../../curriculum/shipped';
import { seededRandom } from '../../../random';
import { drawnStudent, FORD, taskOf } from '../../../testing/schedule-task';
import { blockFromDrill, plainBlock } from '../../edits';
import { type Block, emptyPlan } from '../../plan';
import { endOf } from '../../timing';
import { schedule, type ScheduleTask, whyNot } from '..';

const random = seededRandom('why not');
const STUDENTS = [0, 1].map((i) => drawnStudent(i, random));
const drill = (id: string, drillId: string, startMin: number, durationMin: number): Block => ({
  ...blockFromDrill(SHIPPED.drills.get(drillId), id, startMin),
  durationMin,
});
const withBlocks = (blocks: Block[], lockedIds: string[], change: Partial<ScheduleTask> = {}): ScheduleTask =>
  taskOf(STUDENTS, {
    plan: { ...emptyPlan(), groupSize: 2, lengthMin: 60, blocks },
    lockedIds,
    ...change,
  });

describe('why there is no plan', () => {
  it('is nothing where there is one', () => {
    expect(whyNot(taskOf(STUDENTS))).toBeNull();
  });

  it('is that nobody comes', () => {
    expect(whyNot(taskOf([]))).toEqual({ why: 'no-students' });
  });

  it('is that no drill fits the water', () => {
    const task = taskOf(STUDENTS, {
      drillIds: SHIPPED.drills.all.filter(({ ground }) => ground === 'stillwater').map(({ id }) => id),
    });
    expect(whyNot(task)).toEqual({ why: 'no-drill' });
    expect(schedule(task, { seed: 'a', tries: 10 })?.plan.blocks ?? []).toEqual([]);
  });

  it('is one locked block where it cannot be', () => {
    const task = withBlocks([drill('hoops', 'hoops', 0, 10)], ['hoops']);
    // Nothing comes before the talk on safety.
    expect(whyNot(task)).toMatchObject({ why: 'wishes', wishes: [{ wish: 'locked', blockId: 'hoops' }] });
  });

  it('is two that cannot stand together, and not a third that could', () => {
    const talk = drill('talk', 'hats-and-glasses', 0, 10);
    const long = plainBlock('break', 'Tea', 'long', 70, 10);
    const task = withBlocks([talk, long], ['talk', 'long']);
    expect(whyNot(task)).toMatchObject({
      why: 'wishes',
      wishes: [
        { wish: 'locked', blockId: 'long' },
        { wish: 'length', lengthMin: 60 },
      ],
    });
  });

  it('is that what was put in takes more than there is', () => {
    const task = withBlocks(
      [plainBlock('break', 'Tea', 'tea', 0, 45), plainBlock('talk', 'Weather', 'w', 45, 45)],
      [],
    );
    const found = whyNot(task);
    expect(found?.why).toBe('wishes');
    const wishes = found?.why === 'wishes' ? found.wishes.map(({ wish }) => wish) : [];
    expect(wishes.sort()).toEqual(['kept', 'kept', 'length']);
  });

  it('is one instructor where everything wants eyes on it and a child stands by', () => {
    const child = drawnStudent(1, random, { ageYears: 12 });
    const task = taskOf([STUDENTS[0]!, child], { staff: { instructors: 0, assistants: 0 } });
    expect(whyNot(task)).toMatchObject({
      why: 'wishes',
      wishes: [{ wish: 'staff', instructors: 0, assistants: 0 }],
    });
  });

  it.each([5, 10, 720])('has a plan or a reason for a lesson of %i minutes', (lengthMin) => {
    const task = taskOf(STUDENTS, { plan: { ...emptyPlan(), groupSize: 2, lengthMin } });
    const plan = schedule(task, { seed: 'a', tries: 0 })?.plan.blocks ?? [];
    expect(plan.length > 0 || whyNot(task) !== null).toBe(true);
  });

  it('is told of a place with room for one where eight come', () => {
    const eight = Array.from({ length: 8 }, (_, i) => drawnStudent(i, random));
    const places = [{ ...FORD.places[0]!, lengthM: 5 }];
    const task = taskOf(eight, {
      lesson: { startMs: 0, date: '2026-06-01', water: { ...FORD, places }, students: eight },
      staff: { instructors: 4, assistants: 4 },
    });
    const found = schedule(task, { seed: 'a', tries: 0 });
    // What needs no room is still done.
    expect(found!.plan.blocks.length).toBeGreaterThan(0);
    const casting = found!.plan.blocks.filter(
      ({ drillId, place }) => place === 'pool' && SHIPPED.drills.get(drillId!).lineOutM > 0,
    );
    for (const { startMin, lane } of casting) {
      expect(lane).not.toBeNull();
      expect(casting.filter((one) => one.startMin <= startMin && startMin < endOf(one))).toHaveLength(1);
    }
  });
});
