import { SHIPPED_CURRICULUM as SHIPPED } from '../../curriculum/shipped';
import { seededRandom } from '../../random';
import { drawnStudent, FORD } from '../../testing/schedule-task';
import { blockFromDrill, plainBlock } from '../edits';
import { type Block, emptyPlan, type PlanBody } from '../plan';
import { planEnd } from '../timing';
import { judgeOf, type PlanDay, type PlanUse, schedule, taskFor } from '.';

const random = seededRandom('uses');
const STUDENTS = [0, 1, 2].map((i) => drawnStudent(i, random));
const DAY: PlanDay = {
  curriculum: SHIPPED,
  lesson: { startMs: 0, date: '2026-06-01', water: FORD, students: STUDENTS },
  closed: [],
};
const drill = (id: string, drillId: string, startMin: number, change: Partial<Block> = {}): Block => ({
  ...blockFromDrill(SHIPPED.drills.get(drillId), id, startMin),
  ...change,
});
const PLAN: PlanBody = {
  ...emptyPlan(),
  groupSize: 3,
  lengthMin: 120,
  blocks: [
    drill('talk', 'hats-and-glasses', 0, { durationMin: 10 }),
    drill('hoops', 'hoops', 10, { durationMin: 10, note: 'mind the wind', cue: 'Mine.' }),
    drill('pause', 'count-the-pause', 20, { durationMin: 10, locked: true }),
    plainBlock('break', 'Tea', 'tea', 60, 10),
    plainBlock('debrief', 'What went well', 'back', 110, 10),
  ],
};
const made = (use: PlanUse, plan = PLAN, day = DAY): PlanBody | null =>
  schedule(taskFor(plan, use, day), { seed: 'uses', tries: 300 })?.plan ?? null;
const find = (plan: PlanBody | null, id: string): Block | undefined =>
  plan?.blocks.find((one) => one.id === id);

describe('what the machine is asked to do with a plan', () => {
  it('makes it better for the group: what is locked stays, talks and breaks are kept, words go along', () => {
    const plan = made({ use: 'for-group' });
    expect(find(plan, 'pause')).toEqual(PLAN.blocks[2]);
    expect(find(plan, 'tea')?.title).toBe('Tea');
    const back = find(plan, 'back')!;
    expect(back.startMin + back.durationMin).toBe(planEnd(plan!));
    const hoops = find(plan, 'hoops');
    if (hoops) expect([hoops.note, hoops.cue]).toEqual(['mind the wind', 'Mine.']);
    const judge = judgeOf(taskFor(PLAN, { use: 'for-group' }, DAY));
    expect(judge(plan!.blocks).score.total).toBeGreaterThan(judge(PLAN.blocks).score.total);
  });

  it('fills it anew around what is locked, and the rest around what is there', () => {
    const anew = made({ use: 'fill' });
    expect(find(anew, 'pause')).toEqual(PLAN.blocks[2]);
    expect(find(anew, 'tea')).toBeUndefined();
    expect(anew!.blocks.length).toBeGreaterThan(3);
    const rest = made({ use: 'fill-rest' });
    for (const block of PLAN.blocks) expect(find(rest, block.id)).toEqual(block);
    expect(rest!.blocks.length).toBeGreaterThan(PLAN.blocks.length);
  });

  it('makes it shorter, so that it ends in time', () => {
    const plan = made(
      { use: 'shorter', byMin: 30 },
      { ...PLAN, blocks: PLAN.blocks.filter(({ locked }) => !locked) },
    );
    expect(plan?.lengthMin).toBe(90);
    expect(planEnd(plan!)).toBeLessThanOrEqual(90);
  });

  it('leaves nobody out but who does not come, and keeps the places of the others', () => {
    const plan = made({ use: 'without', studentIds: [STUDENTS[1]!.id] });
    expect(plan!.blocks.some(({ lane }) => lane === 1)).toBe(false);
    expect(plan!.blocks.every(({ lane }) => lane === null || lane === 0 || lane === 2)).toBe(true);
  });

  it('keeps groups apart but for the talk on safety', () => {
    const groups = [[STUDENTS[0]!.id, STUDENTS[2]!.id], [STUDENTS[1]!.id]];
    const two = { ...PLAN, staff: { instructors: 2, assistants: 0 }, blocks: [] };
    const plan = made({ use: 'groups', groups }, two)!;
    expect(plan.blocks.length).toBeGreaterThan(4);
    const together = plan.blocks.filter(({ lane, kind }) => lane === null && kind === 'drill');
    expect(together).toEqual([]);
  });

  it('stands in for a day with a typical group, and counts what the plan is about', () => {
    const task = taskFor(PLAN, { use: 'fill' }, { ...DAY, lesson: null });
    expect(task.lesson.students.map(({ name }) => name)).toEqual(['Student 1', 'Student 2', 'Student 3']);
    expect(task.goals['casting.pause']).toBe(1);
    expect(task.goals['hook-setting.play-fish']).toBe(0.3);
    expect(taskFor({ ...PLAN, blocks: [] }, { use: 'fill' }, DAY).goals).toEqual({});
    expect(taskFor(PLAN, { use: 'with-assistant' }, DAY).staff).toEqual({ instructors: 1, assistants: 1 });
  });
});
