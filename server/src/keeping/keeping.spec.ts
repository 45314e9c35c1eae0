import type { Keeping, KeepingRule } from '@doceo/contract';
import { demoScenario, LEAD, SCHOOL } from '@doceo/demo';
import { pino } from 'pino';
import { rows, write } from '../db/pool';
import { type Agent, type TestApp, testApp } from '../testing/test-app';
import { clearDue } from './keeping';
import { KeepingJob } from './keeping-job';

const named = (name: string) =>
  demoScenario(new Date()).students.list.find(({ student }) => student.name === name)!;
const sam = named('Sam Okande');
const noor = named('Noor Hadley');
const TODAY = new Date().toISOString().slice(0, 10);
const RULE: KeepingRule = { entryMonths: 24, studentMonths: 36 };

describe('how long records are kept', () => {
  let test: TestApp;
  let lead: Agent;
  let fellow: Agent;
  let other: Agent;
  beforeEach(async () => {
    test = await testApp('keeping');
    [lead, fellow, other] = await test.everybody();
    await write(test.pool, 'UPDATE circles SET entry_months = NULL, student_months = NULL');
  });
  afterEach(() => test.close());

  const keeping = async (by: Agent = lead): Promise<Keeping> =>
    (await by.get('/api/keeping').expect(200)).body;
  const set = (rule: KeepingRule | null, by: Agent = lead) => by.put('/api/keeping').send({ rule });
  const setCircle = (rule: KeepingRule | null, by: Agent = lead) =>
    by.put(`/api/circles/${SCHOOL.id}/keeping`).send({ rule });
  /** Makes a student's entries older by so many days. */
  const age = async (studentId: string, days: number, onlyFirst = false): Promise<void> => {
    await write(
      test.pool,
      `UPDATE events SET at_ms = at_ms - ? WHERE student_id = ?${onlyFirst ? ' ORDER BY seq LIMIT 1' : ''}`,
      [days * 86_400_000, studentId],
    );
  };
  const longAway = async (studentId: string): Promise<void> => {
    await age(studentId, 1300);
    await write(test.pool, 'DELETE FROM lesson_students WHERE student_id = ?', [studentId]);
    await write(test.pool, 'DELETE FROM readings WHERE student_id = ?', [studentId]);
    await write(test.pool, 'UPDATE students SET added_at = added_at - INTERVAL 1400 DAY WHERE id = ?', [
      studentId,
    ]);
  };
  const noticeIsOver = () =>
    write(test.pool, 'UPDATE users SET keeping_since = keeping_since - INTERVAL 14 DAY');
  const count = async (studentId: string): Promise<number> =>
    Number(
      (
        await rows<{ n: number }>(test.pool, 'SELECT COUNT(*) AS n FROM events WHERE student_id = ?', [
          studentId,
        ])
      )[0]?.n,
    );

  it('is for ever until somebody says so, and then by the shortest rule', async () => {
    expect(await keeping()).toMatchObject({ own: null, rule: null, goes: [] });
    await set(RULE).expect(200);
    expect((await keeping()).rule).toEqual(RULE);
    await setCircle({ entryMonths: 12, studentMonths: 48 }).expect(200);
    const now = await keeping();
    expect(now.rule).toEqual({ entryMonths: 12, studentMonths: 36 });
    expect(now.circles.find(({ circleId }) => circleId === SCHOOL.id)).toMatchObject({
      ...{ mine: true, rule: { entryMonths: 12, studentMonths: 48 } },
    });
    expect((await keeping(fellow)).rule).toEqual({ entryMonths: 12, studentMonths: 48 });
    expect((await keeping(other)).rule).toBeNull();
    await set(null).expect(200);
    await setCircle(null).expect(200);
    expect((await keeping()).rule).toBeNull();
  });

  it('is set for a circle by its owners, and makes sense', async () => {
    await setCircle(RULE, fellow).expect(403);
    await setCircle(RULE, other).expect(404);
    const { body } = await set({ entryMonths: 24, studentMonths: 12 }).expect(400);
    expect(body.error.issues[0]).toMatchObject({ path: 'rule.studentMonths' });
    await set({ entryMonths: 0, studentMonths: 12 }).expect(400);
  });

  it('shows what goes, two weeks at least before it goes', async () => {
    await age(sam.id, 800, true);
    await set(RULE).expect(200);
    const { goes } = await keeping();
    const firstOn = new Date(Date.now() + 14 * 86_400_000).toISOString().slice(0, 10);
    expect(goes).toEqual([
      { studentId: sam.id, name: 'Sam Okande', what: 'entries', on: firstOn, entries: 1 },
    ]);
    const before = await count(sam.id);
    expect(await clearDue(test.pool, LEAD.id, TODAY)).toEqual({ entries: 0, students: 0 });
    await noticeIsOver();
    expect(await clearDue(test.pool, LEAD.id, TODAY)).toEqual({ entries: 1, students: 0 });
    expect(await count(sam.id)).toBe(before - 1);
    expect((await keeping()).goes).toEqual([]);
  });

  it('has a student go who has long not come, but none with a lesson to come', async () => {
    await longAway(sam.id);
    await longAway(noor.id);
    await set(RULE).expect(200);
    await noticeIsOver();
    const [lesson] = await rows<{ id: string }>(
      test.pool,
      'SELECT id FROM lessons WHERE owner_id = ? ORDER BY starts_at DESC LIMIT 1',
      [LEAD.id],
    );
    await write(test.pool, 'INSERT INTO lesson_students (lesson_id, student_id, lane) VALUES (?, ?, 11)', [
      lesson?.id,
      noor.id,
    ]);
    const told = (await keeping()).goes.map(({ name, what }) => `${name}: ${what}`);
    expect(told.sort()).toEqual(['Noor Hadley: entries', 'Sam Okande: student']);
    await new KeepingJob(test.pool, pino({ level: 'silent' })).clearAll(TODAY);
    await lead.get(`/api/students/${sam.id}`).expect(404);
    await lead.get(`/api/students/${noor.id}`).expect(200);
    expect(await count(noor.id)).toBe(0);
  });

  it('begins anew with a rule that is set anew, and not with one that stays', async () => {
    await age(sam.id, 800, true);
    await set(RULE).expect(200);
    await noticeIsOver();
    await set(RULE).expect(200);
    expect((await keeping()).goes[0]?.on).toBe(TODAY);
    await set({ ...RULE, entryMonths: 25 }).expect(200);
    const firstOn = new Date(Date.now() + 14 * 86_400_000).toISOString().slice(0, 10);
    expect((await keeping()).goes[0]?.on).toBe(firstOn);
  });

  it('is cleared by two processes at once without harm, and touches nobody else’s', async () => {
    await longAway(sam.id);
    await age(noor.id, 800, true);
    await set(RULE).expect(200);
    await noticeIsOver();
    const others = (await fellow.get('/api/students')).body.length as number;
    const job = () => new KeepingJob(test.pool, pino({ level: 'silent' })).clearAll(TODAY);
    await Promise.all([job(), job()]);
    await lead.get(`/api/students/${sam.id}`).expect(404);
    expect((await fellow.get('/api/students')).body.length).toBe(others);
  });
});
