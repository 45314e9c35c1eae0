import { randomUUID } from 'node:crypto';
import type { SavedStudent } from '@doceo/contract';
import { demoScenario, FELLOW } from '@doceo/demo';
import { write } from '../db/pool';
import { type Agent, type TestApp, testApp } from '../testing/test-app';
import { insertStudent } from './students.sql';

const like = demoScenario(new Date()).students.list[0]!.student;

describe('pages of students', () => {
  let test: TestApp;
  let kim: Agent;
  let kimId: string;
  beforeAll(async () => {
    test = await testApp('student_pages');
    kim = await test.newcomer('kim');
    kimId = (await kim.get('/api/session')).body.user.id;
    // Names that many have: what comes after somebody is told by his id as well.
    for (let i = 0; i < 430; i++)
      await insertStudent(test.pool, kimId, randomUUID(), { ...like, name: `Robin ${Math.floor(i / 150)}` });
  });
  afterAll(() => test.close());

  const page = async (after?: SavedStudent): Promise<SavedStudent[]> =>
    (
      await kim
        .get('/api/students')
        .query(after ? { afterName: after.student.name, afterId: after.id } : {})
        .expect(200)
    ).body;
  const all = async (): Promise<SavedStudent[]> => {
    const found = await page();
    for (let more = found; more.length === 200; found.push(...more)) more = await page(found.at(-1));
    return found;
  };

  it('tell each one once, by name', async () => {
    const found = await all();
    expect(found).toHaveLength(430);
    expect(new Set(found.map(({ id }) => id)).size).toBe(430);
    const names = found.map(({ student }) => student.name);
    expect(names).toEqual([...names].sort());
  });

  it('go on after somebody who is gone meanwhile', async () => {
    const first = await page();
    const last = first.at(-1)!;
    const next = await page(last);
    await kim.delete(`/api/students/${last.id}`).expect(200);
    expect((await page(last)).map(({ id }) => id)).toEqual(next.map(({ id }) => id));
  });

  it('have those in them who are given by others, as long as they are', async () => {
    const given = randomUUID();
    await insertStudent(test.pool, FELLOW.id, given, { ...like, name: 'Robin 1' });
    await write(test.pool, 'INSERT INTO student_access (student_id, user_id) VALUES (?, ?)', [given, kimId]);
    const found = (await all()).find(({ id }) => id === given);
    expect([found?.student.name, found?.mine]).toEqual(['Robin 1', false]);
    await write(test.pool, 'DELETE FROM student_access WHERE student_id = ?', [given]);
    expect((await all()).map(({ id }) => id)).not.toContain(given);
  });

  it('refuse half of what tells where to go on', async () => {
    const { body } = await kim.get('/api/students').query({ afterName: 'Robin 1' }).expect(400);
    expect(body.error.issues[0].message).toBe('needs afterName with afterId');
  });
});
