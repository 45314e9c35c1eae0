import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import type { SavedLesson, StudentColumns, StudentFile } from '@doceo/contract';
import type { BankEvent } from '@doceo/core';
import { demoScenario, LEAD } from '@doceo/demo';
import { rows } from '../db/pool';
import { insertEvents } from '../events/events.sql';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());
const lessons = scenario.lessons.lessons;
const sam = scenario.students.list[2]!;
const lidia = scenario.students.list[4]!;

/** The file without the moment of its writing. */
// Courses are told in the file, and not taken in.
const content = ({ writtenAt: _at, courses: _courses, ...rest }: StudentFile): unknown => rest;

describe('a student who moves', () => {
  let here: TestApp;
  let elsewhere: TestApp;
  let lead: Agent;
  let stranger: Agent;
  beforeAll(async () => {
    here = await testApp('moving_here');
    elsewhere = await testApp('moving_there', { settings: { DOCEO_DEMO: '0' } });
    lead = await here.signedIn(LEAD.email);
    await elsewhere.pool.query('DELETE FROM users', []);
    stranger = await elsewhere.newcomer('stranger');
  });
  afterAll(async () => {
    await here.close();
    await elsewhere.close();
  });
  const exported = async (by: Agent, id: string): Promise<StudentFile> =>
    (await by.get(`/api/students/${id}/export`).expect(200)).body as StudentFile;

  it('takes 60 000 entries along, and is the same afterwards', async () => {
    const many = Array.from({ length: 60_000 }, (_, i): BankEvent => ({
      id: randomUUID(),
      lessonId: lessons[i % 4]!.id,
      studentId: sam.id,
      blockId: null,
      deviceId: sam.id,
      atMs: 1_700_000_000_000 + i * 7000,
      ...(i % 9 === 0 ? { clockAheadMs: 3_600_000 } : {}),
      body:
        i % 50 === 0
          ? { kind: 'note', text: `note ${i} ø 🎣`, aboutId: null }
          : {
              kind: 'attempt',
              skillId: i % 77 === 0 ? 'casting.gone' : 'casting.pause',
              drillId: null,
              good: i % 3 !== 0,
              faultId: i % 3 === 0 ? 'cast.crack' : null,
            },
    }));
    for (let from = 0; from < many.length; from += 2000)
      await insertEvents(here.pool, LEAD.id, many.slice(from, from + 2000));
    const file = await exported(lead, sam.id);
    expect(file.events.length).toBeGreaterThan(60_000);
    await stranger.post('/api/students/import').send(file).expect(200);
    // Not `toEqual`: its report of two files of 20 MB would take longer than the test.
    expect(isDeepStrictEqual(content(await exported(stranger, sam.id)), content(file))).toBe(true);
  });

  it('is exported with lessons that no longer name him', async () => {
    const [past] = lessons;
    await here.pool.query('DELETE FROM lesson_students WHERE lesson_id = ? AND student_id = ?', [
      past?.id,
      lidia.id,
    ]);
    const file = await exported(lead, lidia.id);
    expect(file.lessons.map(({ id }) => id)).toContain(past?.id);
    await stranger.post('/api/students/import').send(file).expect(200);
    expect(content(await exported(stranger, lidia.id))).toEqual(content(file));
  });

  it('does not make a lesson of nine: his records there stand under a lesson of their own', async () => {
    const full = lessons.at(-2)!;
    const eight = await Promise.all(
      Array.from({ length: 8 }, async (_, i) => {
        const id = randomUUID();
        const student = { ...lidia.student, name: `Number ${i}` };
        await lead.post('/api/students').send({ id, student }).expect(200);
        return id;
      }),
    );
    await lead
      .put(`/api/lessons/${full.id}`)
      .send({ ...full.lesson, studentIds: eight })
      .expect(200);
    const id = randomUUID();
    const file: StudentFile = {
      ...(await exported(lead, lidia.id)),
      student: { id, ...lidia.student, name: 'Ninth' },
      lessons: [{ id: full.id, title: 'x', water: 'y', startsAt: full.lesson.startsAt }],
      events: [],
      readings: [],
    };
    await lead.post('/api/students/import').send(file).expect(200);
    const listed = (await lead.get('/api/lessons').expect(200)).body as SavedLesson[];
    expect(listed.find((lesson) => lesson.id === full.id)?.studentIds).toEqual(eight);
    expect((await exported(lead, id)).lessons).toEqual([
      expect.objectContaining({ title: 'x', water: 'y', startsAt: full.lesson.startsAt }),
    ]);
  });

  it('leaves a line in the looks for each opened record and export, none for lists', async () => {
    const id = scenario.students.list[3]!.id;
    const looks = async (): Promise<string[]> =>
      ((await lead.get(`/api/students/${id}/access-log`)).body as { what: string }[]).map(({ what }) => what);
    for (const path of ['records/progress', 'records/effects', `records?lessonId=${lessons[0]!.id}`])
      await lead.get(`/api/${path}`).expect(200);
    expect(await looks()).toEqual([]);
    await lead.get('/api/events').query({ studentId: id }).expect(200);
    await exported(lead, id);
    expect((await looks()).sort()).toEqual(['export', 'record']);
  });

  it('shows no remark and no fish in what counts of records', async () => {
    const ids = scenario.students.list.map(({ id }) => id).join(',');
    const records = (await lead.get(`/api/records?ids=${ids}`).expect(200)).body as StudentColumns[];
    const kinds = new Set(records.flatMap(({ columns }) => columns.bodies.map(({ kind }) => kind)));
    expect([...kinds].sort()).toEqual(['attempt', 'tangle']);
    expect(
      (await rows(here.pool, "SELECT id FROM events WHERE kind IN ('note', 'fish')")).length,
    ).toBeGreaterThan(0);
  });
});
