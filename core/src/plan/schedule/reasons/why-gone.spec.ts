import { SHIPPED_CURRICULUM as SHIPPED } from '../../../curriculum/shipped';
import { seededRandom } from '../../../random';
import { drawnStudent, taskOf } from '../../../testing/schedule-task';
import { blockFromDrill } from '../../edits';
import type { Block } from '../../plan';
import { judgeOf, type ScheduleTask, whyGone } from '..';

const random = seededRandom('gone');
const two = [drawnStudent(0, random), drawnStudent(1, random)];
const block = (drill: string, startMin: number, durationMin: number, lane: number | null = null): Block => ({
  ...blockFromDrill(SHIPPED.drills.get(drill), `${drill}/${startMin}/${lane}`, startMin, lane),
  durationMin,
});
const taskWith = (blocks: Block[], change: Partial<ScheduleTask> = {}): ScheduleTask => {
  const task = taskOf(two, change);
  return { ...task, plan: { ...task.plan, blocks } };
};

describe('why a drill that was planned is gone', () => {
  const talk = block('hats-and-glasses', 0, 10);
  const parted = [talk, block('set-on-anything', 10, 20, 0), block('tuck-over', 10, 20, 1)];

  it('is nothing where all is there', () => {
    expect(whyGone(taskWith(parted), parted, parted)).toEqual([]);
    const moved = parted.map((one) => ({ ...one, startMin: one.startMin + 5 }));
    expect(whyGone(taskWith(parted), parted, moved)).toEqual([]);
  });

  it('is the rule that it would break where it was', () => {
    const after = [talk, parted[1]!];
    const ready = { curriculum: SHIPPED, staff: { instructors: 1, assistants: 0 } };
    const [gone, ...others] = whyGone(taskWith(parted, ready), parted, after);
    expect(others).toEqual([]);
    expect(gone?.blockIds).toEqual(['tuck-over/10/1']);
    const faults = judgeOf(taskWith(parted, ready))(parted).faults.map(({ rule }) => rule);
    expect(faults).toContain('supervision');
    expect(faults).toContain(gone?.breaks);
  });

  it('is only what stands there now, where nothing would be broken', () => {
    const before = [talk, block('grip-and-stance', 10, 10), block('stop-and-say', 25, 10)];
    const after = [talk, block('stop-and-say', 25, 10)];
    const task = taskWith(before);
    const [gone] = whyGone(task, before, after);
    expect(gone).toMatchObject({ blockIds: ['grip-and-stance/10/null'], breaks: null, needs: [] });
    const { score } = judgeOf(task)(after);
    expect(gone?.byPoints).toBeCloseTo(score.total - judgeOf(task)(before).score.total, 9);
    // Nothing stands there: the plan would be better with it.
    expect(gone?.byPoints).toBeLessThan(0);
  });

  it('is never that it was planned too long: for as long as it is good it could be there', () => {
    const most = SHIPPED.drills.get('grip-and-stance').minutes.max;
    const before = [talk, block('grip-and-stance', 10, most + 30)];
    const [gone] = whyGone(taskWith(before), before, [talk]);
    expect(judgeOf(taskWith(before))(before).faults.map(({ rule }) => rule)).toContain('minutes');
    expect(gone?.breaks).toBeNull();
  });

  it('names what it rests on, as long as nothing teaches that before', () => {
    const before = [talk, block('count-the-pause', 10, 15)];
    const [alone] = whyGone(taskWith(before), before, [talk]);
    expect(alone).toMatchObject({ breaks: 'rests-on', needs: ['casting.stop'] });
    const taught = [talk, { ...block('stop-and-say', 5, 5), id: 'new' }];
    expect(whyGone(taskWith(before), before, taught)[0]?.needs).toEqual([]);
  });

  it('says nothing of what is no drill, and of a drill that others still do only theirs', () => {
    const before = [talk, block('count-the-pause', 10, 20, 0), block('count-the-pause', 10, 20, 1)];
    const after = [talk, before[2]!, block('stop-and-say', 10, 20, 0)];
    const gone = whyGone(taskWith(before), before, after);
    expect(gone.map(({ blockIds }) => blockIds)).toEqual([['count-the-pause/10/0']]);
  });
});
