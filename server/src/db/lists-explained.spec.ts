import { LEAD } from '@doceo/demo';
import { findDeletions } from '../backup/deletions.sql';
import { findCourses } from '../courses/courses.sql';
import { grow } from '../grow/grow';
import { findLessonsPage, findPlansTaught } from '../lessons/taught-lessons.sql';
import { findInLibrary, findInLibraryWhole, findPlans } from '../plans/library.sql';
import { findReadings } from '../readings/readings.sql';
import { findPrint, findRecords } from '../records/records.sql';
import { findRigs } from '../rigs/rigs.sql';
import { findNews } from '../sharing/news.sql';
import { findStudentsPage } from '../students/students.sql';
import { type TestApp, testApp } from '../testing/test-app';
import { findWaters } from '../waters/waters.sql';
import { type Db, rows, write } from './pool';

/** What the database says of how it found the rows of one table. */
interface Step {
  table: string;
  type: string;
  key: string | null;
  /** About how many it would look at; a figure in letters. */
  rows: string;
  /** How many it had to look at, and how many in a hundred of them were left; null where it came to none. */
  r_rows: string | null;
  r_filtered: number | null;
  /** What it does with them besides. */
  Extra: string | null;
}

const DAY = '2026-06-10T00:00:00Z';
/** The most that one page has: so many may be sorted. */
const PAGE = 200;

describe('how lists are found in a grown database', () => {
  let test: TestApp;
  beforeAll(async () => {
    test = await testApp('explained');
    await grow(test.pool, new Date(), { plans: 600, students: 300, lessons: 200, events: 2000 });
    // What is somebody else's must not be looked at either: of each list he has much more.
    const other = 'ffffffff-0000-4000-8000-000000000000';
    await write(
      test.pool,
      "INSERT INTO users (id, email, name, password_hash) VALUES (?, 'many@example.org', 'Many', '')",
      [other],
    );
    for (const [table, rounds, columns] of [
      ['plans', 3, 'title, body, shape, updated_at'],
      ['students', 8, 'name, born_on, said_adult, hand, needs, note, guardian_name, guardian_contact'],
      ['lessons', 4, 'water_id, starts_at, plan_title, plan_body, plan_shape, plan_version, length_min'],
      ['waters', 8, 'name, body, shape'],
      ['rigs', 8, 'name, body, shape, version, updated_at'],
      ['courses', 9, 'name, from_on, until_on, goals'],
      ['readings', 14, 'taken_on, body, shape'],
    ] as const)
      for (let i = 0; i < rounds; i++)
        await write(
          test.pool,
          `INSERT INTO ${table} (id, owner_id, ${columns}) SELECT UUID(), ?, ${columns} FROM ${table} LIMIT 2000`,
          [other],
        );
    // What was measured is spread over his students.
    await write(
      test.pool,
      `UPDATE readings r
         JOIN (SELECT id, ROW_NUMBER() OVER (ORDER BY id) AS n FROM readings WHERE owner_id = ?) a ON a.id = r.id
         JOIN (SELECT id, ROW_NUMBER() OVER (ORDER BY id) AS n FROM students WHERE owner_id = ?) s ON s.n = a.n % 1000 + 1
       SET r.student_id = s.id`,
      [other, other],
    );
    for (const table of ['plans', 'students', 'lessons', 'waters', 'rigs', 'courses', 'readings'])
      await rows(test.pool, `ANALYZE TABLE ${table}`);
  });
  afterAll(() => test.close());

  /** The statements that a list sends, with how the database found what they ask for. */
  const explained = async (list: (db: Db) => Promise<unknown>): Promise<Step[]> => {
    const asked: [string, readonly unknown[]][] = [];
    await list({
      query: (sql, values) => {
        asked.push([sql, values]);
        return test.pool.query(sql, values);
      },
    });
    const steps = await Promise.all(
      asked.map(([sql, values]) => rows<Step>(test.pool, `ANALYZE ${sql}`, values)),
    );
    return steps.flat();
  };

  it.each<[string, (db: Db) => Promise<unknown>]>([
    ['plans', (db) => findPlans(db, LEAD.id)],
    ['a page of the library', (db) => findInLibrary(db, LEAD.id, { longest: 300 })],
    ['a page of the library, whole', (db) => findInLibraryWhole(db, LEAD.id, { longest: 300 })],
    ['words in the library', (db) => findInLibrary(db, LEAD.id, { words: 'nymphs riffle' })],
    ['lessons around now', (db) => findLessonsPage(db, LEAD.id, {})],
    ['lessons of a time', (db) => findLessonsPage(db, LEAD.id, { from: DAY, until: '2026-06-20T00:00:00Z' })],
    ['lessons of a plan', (db) => findLessonsPage(db, LEAD.id, { planId: LEAD.id })],
    ['lessons by ids', (db) => findLessonsPage(db, LEAD.id, { ids: LEAD.id })],
    ['students', (db) => findStudentsPage(db, LEAD.id, {})],
    ['students after one', (db) => findStudentsPage(db, LEAD.id, { afterName: 'K', afterId: LEAD.id })],
    ['waters', (db) => findWaters(db, LEAD.id)],
    ['rigs', (db) => findRigs(db, LEAD.id)],
    ['courses', (db) => findCourses(db, LEAD.id)],
    ['readings', (db) => findReadings(db, LEAD.id)],
    ['news', (db) => findNews(db, LEAD.id)],
    ['progress', (db) => findRecords(db, LEAD.id, 'progress', '', null)],
    ['what shows that records changed', (db) => findPrint(db, LEAD.id)],
    ['plans taught', (db) => findPlansTaught(db, LEAD.id)],
    ['deletions of the last minute', (db) => findDeletions(db, new Date())],
  ])('%s by an index, never by looking at all there are', async (_, list) => {
    const steps = await explained(list);
    expect(steps.length).toBeGreaterThan(0);
    const whole = steps.filter(
      ({ table, type }) => (type === 'ALL' || type === 'index') && table !== null && !table.startsWith('<'),
    );
    // A table of a few rows is read whole with good reason.
    expect(whole.filter((step) => Number(step.rows) > 100)).toEqual([]);
    const sorted = steps.filter(({ Extra }) => Extra?.includes('filesort'));
    expect(
      sorted.filter(({ r_rows, r_filtered }) => (Number(r_rows) * (r_filtered ?? 0)) / 100 > PAGE),
    ).toEqual([]);
  });
});
