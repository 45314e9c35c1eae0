import { randomUUID } from 'node:crypto';
import type { Effects, StudentColumns, StudentProgress } from '@doceo/contract';
import { attemptsOf, type BankEvent, evidenceOf, fromColumns, READY, skillState, STRANDS } from '@doceo/core';
import { SHIPPED_CURRICULUM } from '@doceo/core/shipped';
import { demoScenario, FELLOW, LEAD } from '@doceo/demo';
import type supertest from 'supertest';
import { rows, write } from '../db/pool';
import { findCountingEvents } from '../events/events.sql';
import { raiseUncounted } from './records.sql';
import { type TestApp, testApp } from '../testing/test-app';

describe('what records come to', () => {
  const { students, lessons } = demoScenario(new Date());
  let test: TestApp;
  let lead: ReturnType<typeof supertest.agent>;
  beforeAll(async () => {
    test = await testApp('records');
    lead = await test.signedIn(LEAD.email);
  });
  afterAll(() => test.close());

  const progress = async (): Promise<StudentProgress[]> =>
    (await lead.get('/api/records/progress').expect(200)).body as StudentProgress[];
  const of = (list: StudentProgress[], id: string) => list.find((one) => one.id === id);
  const made = async (): Promise<Record<string, number>> =>
    Object.fromEntries(
      (
        await rows<{ id: string; no: number }>(
          test.pool,
          'SELECT student_id AS id, record_no AS no FROM student_records',
        )
      ).map(({ id, no }) => [id, no]),
    );
  const lesson = lessons.lessons.find(({ lesson: { startsAt } }) => Date.parse(startsAt) < Date.now())!;
  const studentId = lesson.lesson.studentIds[0]!;
  const attempt = (good = true): BankEvent => ({
    ...{ id: randomUUID(), lessonId: lesson.id, studentId, blockId: null, deviceId: LEAD.id },
    atMs: Date.now(),
    body: { kind: 'attempt', skillId: 'casting.pause', drillId: null, good, faultId: null },
  });
  const log = (...events: BankEvent[]) =>
    lead.post('/api/events').send({ events, sentAtMs: Date.now() }).expect(200);

  it('agrees, for each student, with the estimates of his whole record', async () => {
    const listed = await progress();
    expect(listed.map(({ id }) => id).sort()).toEqual(students.list.map(({ id }) => id).sort());
    for (const { id, attempts, ready } of listed) {
      const events = await findCountingEvents(test.pool, [id]);
      const evidence = evidenceOf(events, id);
      const state = skillState(SHIPPED_CURRICULUM.skills.all, evidence, Date.now());
      expect([id, attempts]).toEqual([id, attemptsOf(events, id).length]);
      for (const strand of STRANDS)
        expect([id, strand, ready[strand] ?? 0]).toEqual([
          ...[id, strand],
          SHIPPED_CURRICULUM.skills.all.filter(
            (skill) => skill.strand === strand && (state[skill.id]?.mastery ?? 0) >= READY,
          ).length,
        ]);
    }
    expect(listed.some(({ ready }) => (ready.casting ?? 0) > 0)).toBe(true);
  });

  it('is made once, and anew of those alone of whom something came', async () => {
    await progress();
    const before = await made();
    expect(Object.keys(before)).toHaveLength(students.list.length);
    const seen = of(await progress(), studentId)!;
    expect(await made()).toEqual(before);
    await log(attempt(), attempt(false));
    expect(await made()).toEqual(before);
    expect(of(await progress(), studentId)?.attempts).toBe(seen.attempts + 2);
    expect(await made()).toEqual({ ...before, [studentId]: before[studentId]! + 1 });
  });

  it('finds what a server of before wrote beside it, and makes nothing else anew', async () => {
    const seen = of(await progress(), studentId)!.attempts;
    const before = await made();
    await write(
      test.pool,
      `INSERT INTO events (id, lesson_id, student_id, device_id, recorded_by, at_ms, kind, shape, body)
       SELECT UUID(), lesson_id, student_id, device_id, recorded_by, at_ms + 1, kind, shape, body FROM events
       WHERE student_id = ? AND kind = 'attempt' ORDER BY seq DESC LIMIT 1`,
      [studentId],
    );
    expect(of(await progress(), studentId)?.attempts).toBe(seen);
    await raiseUncounted(test.pool);
    expect(of(await progress(), studentId)?.attempts).toBe(seen + 1);
    await raiseUncounted(test.pool);
    await progress();
    expect(await made()).toEqual({ ...before, [studentId]: before[studentId]! + 1 });
  });

  it('counts an entry once that came twice, and none that was taken back', async () => {
    const seen = of(await progress(), studentId)!.attempts;
    const one = attempt();
    await log(one);
    await log(one);
    expect(of(await progress(), studentId)?.attempts).toBe(seen + 1);
    await log({ ...attempt(), body: { kind: 'undo', targetId: one.id } });
    expect(of(await progress(), studentId)?.attempts).toBe(seen);
  });

  it('counts attempts alone: a missed fish speaks for a skill and was none', async () => {
    const seen = of(await progress(), studentId)!.attempts;
    await log({ ...attempt(), body: { kind: 'miss', cause: 'late' } });
    expect(of(await progress(), studentId)?.attempts).toBe(seen);
  });

  it('is made anew when the learning parameters are others', async () => {
    await progress();
    const names = async () =>
      rows<{ made_from: string }>(test.pool, 'SELECT DISTINCT made_from FROM student_records');
    const before = await names();
    await test.pool.query(`INSERT INTO skill_fits (skill_id, fit) VALUES ('casting.pause', ?)`, [
      JSON.stringify({
        ...{ enough: true, students: 20, attempts: 900 },
        mean: { initial: 0.2, learn: 0.05, slip: 0.1, guess: 0.2 },
        spread: { initial: 0.02, learn: 0.01, slip: 0.02, guess: 0.02 },
      }),
    ]);
    await progress();
    const after = await names();
    expect([before.length, after.length]).toEqual([1, 1]);
    expect(after).not.toEqual(before);
    await test.pool.query('DELETE FROM skill_fits', []);
  });

  it('is the same after many came at once', async () => {
    const many = Array.from({ length: 12 }, () => attempt());
    const seen = of(await progress(), studentId)!.attempts;
    await Promise.all([...many.map((one) => log(one)), progress(), progress()]);
    expect(of(await progress(), studentId)?.attempts).toBe(seen + 12);
  });

  it('gives the entries that count of a lesson’s students, or of some by name', async () => {
    const { body } = await lead.get(`/api/records?lessonId=${lesson.id}`).expect(200);
    const records = body as StudentColumns[];
    expect(records.map((one) => one.studentId).sort()).toEqual([...lesson.lesson.studentIds].sort());
    for (const { studentId: id, columns } of records)
      expect(evidenceOf(fromColumns(id, columns), id).length).toBe(
        evidenceOf(await findCountingEvents(test.pool, [id]), id).length,
      );
    const named = (await lead.get(`/api/records?ids=${studentId}`).expect(200)).body as StudentColumns[];
    expect(named).toEqual(records.filter((one) => one.studentId === studentId));
  });

  it('tells what went wrong before, to be spoken of, and no remark', async () => {
    await log({ ...attempt(), body: { kind: 'safety', what: 'slip', text: 'at the ledge' } });
    const { body } = await lead.get(`/api/records?ids=${studentId}`).expect(200);
    expect(JSON.stringify(body)).toContain('at the ledge');
  });

  it('refuses both a lesson and names, neither, and too many', async () => {
    for (const query of ['', `lessonId=${lesson.id}&ids=${studentId}`, 'ids=', 'ids=x', 'ids=,'])
      await lead.get(`/api/records?${query}`).expect(400);
    const many = Array.from({ length: 61 }, () => randomUUID()).join(',');
    await lead.get(`/api/records?ids=${many}`).expect(400);
  });

  it('tells how well drills and plans worked, and what the records name', async () => {
    const effects = (await lead.get('/api/records/effects').expect(200)).body as Effects;
    expect(effects.drills.length).toBeGreaterThan(3);
    expect(effects.drills.some(({ rise }) => rise !== null)).toBe(true);
    expect(effects.plans.some(({ planId }) => planId !== null)).toBe(true);
    expect(effects.named).toContain('casting.pause');
    expect(effects.named).toContain(effects.drills[0]?.drillId);
  });

  it('tells them anew when a record changed, or a lesson', async () => {
    const attempts = async (): Promise<number> =>
      ((await lead.get('/api/records/effects').expect(200)).body as Effects).drills.find(
        ({ drillId }) => drillId === 'count-the-pause',
      )?.attempts ?? 0;
    const before = await attempts();
    expect(await attempts()).toBe(before);
    const body = { ...attempt().body, drillId: 'count-the-pause' } as BankEvent['body'];
    await log({ ...attempt(), body });
    expect(await attempts()).toBe(before + 1);
  });

  it('is nothing of students whom one may not see', async () => {
    const fellow = await test.signedIn(FELLOW.email);
    const hidden = students.list.filter(({ id }) => id !== studentId).map(({ id }) => id);
    const seen = ((await fellow.get('/api/students').expect(200)).body as { id: string }[]).map(
      ({ id }) => id,
    );
    const named = (await fellow.get(`/api/records?ids=${hidden.join(',')}`).expect(200))
      .body as StudentColumns[];
    expect(named.map((one) => one.studentId).every((id) => seen.includes(id))).toBe(true);
    const listed = (await fellow.get('/api/records/progress').expect(200)).body as StudentProgress[];
    expect(listed.map(({ id }) => id).sort()).toEqual(seen.sort());
  });
});
