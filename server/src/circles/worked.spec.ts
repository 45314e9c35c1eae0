import { demoScenario, LEAD, SCHOOL } from '@doceo/demo';
import { randomUUID } from 'node:crypto';
import { rows, write } from '../db/pool';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());

describe('what worked, over the schools that tell', () => {
  let test: TestApp;
  let lead: Agent;
  let fellow: Agent;
  let other: Agent;
  beforeAll(async () => {
    test = await testApp('worked');
    [lead, fellow, other] = await test.everybody();
  });
  afterAll(() => test.close());

  const worked = async (by = lead) => (await by.get(`/api/circles/${SCHOOL.id}/worked`).expect(200)).body;
  const drill = (told: { drills: { drillId: string }[] }, id: string) =>
    told.drills.find(({ drillId }) => drillId === id) as unknown as Record<string, never> | undefined;

  it('is what my records say, pooled with two more schools', async () => {
    const told = await worked();
    expect(told.tells).toBe(true);
    const pause = drill(told, 'count-the-pause');
    // 14 and 11 of the others, and the six of this school’s own records.
    expect(pause).toMatchObject({ name: 'Count the pause', strand: 'casting', students: 31 });
    expect(pause?.['others']).toHaveLength(2);
    expect(pause?.['mine']).not.toBeNull();
    for (const { low, mean, high } of told.drills) expect(low < mean && mean < high).toBe(true);
    const means = told.drills.map(({ mean }: { mean: number }) => mean);
    expect(means).toEqual([...means].sort((a, b) => b - a));
  });

  it('counts and shows nothing below five students of three lessons', async () => {
    const told = await worked();
    // Eleven bouts of six students here, in two lessons; four students of the club.
    expect(drill(told, 'stop-and-say')).toBeUndefined();
    expect(told.few.map(({ drillId }: { drillId: string }) => drillId)).toContain('stop-and-say');
    expect(told.few.every((one: object) => Object.keys(one).join() === 'drillId,name')).toBe(true);
    // Six students of the club and ten of the class are enough; this school has one lesson of it.
    expect(drill(told, 'find-the-seam')).toMatchObject({ students: 16, mine: null });
  });

  it('has no student, no name of a school, and no instructor in it', async () => {
    const text = JSON.stringify(await worked());
    for (const { id, student } of scenario.students.list)
      expect([id, student.name].filter((one) => text.includes(one))).toEqual([]);
    for (const { id, name } of scenario.circles)
      expect([id, name].filter((one) => text.includes(one))).toEqual([]);
    for (const { id, name } of scenario.users)
      expect([id, name].filter((one) => text.includes(one))).toEqual([]);
  });

  it('is told only while the circle’s owner wants it', async () => {
    await fellow.put(`/api/circles/${SCHOOL.id}/telling`).send({ tells: false }).expect(403);
    await lead.put(`/api/circles/${SCHOOL.id}/telling`).send({ tells: false }).expect(200);
    const quiet = await worked();
    expect([quiet.tells, drill(quiet, 'count-the-pause')?.['mine'], quiet.few]).toEqual([false, null, []]);
    const kept = await rows(test.pool, 'SELECT * FROM drill_outcomes WHERE circle_id = ?', [SCHOOL.id]);
    expect(kept).toEqual([]);
    await lead.put(`/api/circles/${SCHOOL.id}/telling`).send({ tells: true }).expect(200);
    expect(drill(await worked(), 'count-the-pause')?.['mine']).not.toBeNull();
  });

  it('is added up anew when a student is gone', async () => {
    await worked();
    const [first] = scenario.students.list;
    await lead.delete(`/api/students/${first?.id}`).expect(200);
    expect(await rows(test.pool, 'SELECT * FROM drill_outcomes WHERE circle_id = ?', [SCHOOL.id])).toEqual(
      [],
    );
    const pause = drill(await worked(), 'count-the-pause');
    expect(pause?.['students']).toBe(30);
  });

  it('never keeps what it added up of a student who goes meanwhile', async () => {
    for (const { id } of scenario.students.list.slice(1, 4)) {
      // An entry more or a student less: each look adds up anew.
      await write(test.pool, 'UPDATE students SET record_no = record_no + 1 WHERE owner_id = ?', [LEAD.id]);
      await Promise.all([worked(), lead.delete(`/api/students/${id}`).expect(200)]);
      const [left] = await rows<{ count: number }>(
        test.pool,
        'SELECT COUNT(*) AS count FROM students WHERE owner_id = ?',
        [LEAD.id],
      );
      const kept = await rows<{ students: number }>(
        test.pool,
        'SELECT students FROM drill_outcomes WHERE user_id = ?',
        [LEAD.id],
      );
      expect(kept.filter(({ students }) => students > Number(left?.count))).toEqual([]);
    }
  });

  it('goes with the instructor who leaves the circle, and is nobody else’s to see', async () => {
    await other.get(`/api/circles/${SCHOOL.id}/worked`).expect(404);
    const made = randomUUID();
    await lead.post('/api/circles').send({ id: made, name: 'Another' }).expect(200);
    await write(test.pool, "UPDATE circle_members SET role = 'owner' WHERE circle_id = ?", [SCHOOL.id]);
    await lead.post(`/api/circles/${SCHOOL.id}/leave`).send({}).expect(200);
    expect(drill(await worked(fellow), 'count-the-pause')).toMatchObject({ students: 25, mine: null });
  });
});
