import { shapeOf } from '@doceo/contract';
import { type BankEvent, deterministicId, seededRandom } from '@doceo/core';
import { demoScenario, FELLOW, LEAD, SCHOOL } from '@doceo/demo';
import { type Db, rows, write } from '../db/pool';
import { insertEvents } from '../events/events.sql';
import { insertStudent } from '../students/students.sql';

/** How large a school's data becomes. */
export interface Size {
  plans: number;
  students: number;
  lessons: number;
  events: number;
}

/** What a large school has after some years. */
export const GROWN: Size = { plans: 10_000, students: 500, lessons: 300, events: 200_000 };

const BATCH = 500;
const GROUP = 6;
const DAY_MS = 86_400_000;

/** Makes the demo's data so large, the same at every time: of the lead instructor, and plans of both in their circle. */
export async function grow(db: Db, now: Date, size: Size = GROWN): Promise<void> {
  const scenario = demoScenario(now);
  const random = seededRandom('grow');
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const ids = (what: string, count: number): string[] =>
    Array.from({ length: count }, (_, i) => deterministicId(`grown-${what}:${i}`));
  const instant = (daysAgo: number): Date => new Date(now.getTime() - daysAgo * DAY_MS);
  const plans = ids('plan', size.plans);
  await inBatches(plans, (batch, from) =>
    write(db, 'INSERT INTO plans (id, owner_id, circle_id, title, body, shape, updated_at) VALUES ?', [
      batch.map((id, i) => {
        const { plan } = one(scenario.plans);
        const owner = one([LEAD.id, FELLOW.id]);
        const title = `${plan.title.slice(0, 60)}, ${from + i + 1}`;
        const at = instant(random() * 1500);
        return [id, owner, SCHOOL.id, title, JSON.stringify(plan.body), shapeOf('plan'), at];
      }),
    ]),
  );
  const students = ids('student', size.students);
  const like = scenario.students.list[0]!.student;
  for (const [i, id] of students.entries())
    await insertStudent(db, LEAD.id, id, { ...like, name: `Student ${String(i + 1).padStart(3, '0')}` });
  const lessons = ids('lesson', size.lessons);
  const water = scenario.waters.list[0]!.id;
  const taught = scenario.plans[0]!.plan;
  const groups = lessons.map(() => Array.from({ length: GROUP }, () => one(students)));
  const startOf = (i: number): Date => instant(1 + (1000 * (i + 1)) / size.lessons);
  await inBatches(lessons, (batch, from) =>
    write(
      db,
      `INSERT INTO lessons (id, owner_id, plan_id, water_id, starts_at, plan_title, plan_body, plan_shape, plan_version, length_min)
       VALUES ?`,
      [
        batch.map((id, i) => [
          ...[id, LEAD.id, taught.id, water, startOf(from + i), taught.title, JSON.stringify(taught.body)],
          ...[shapeOf('plan'), 1, taught.body.lengthMin],
        ]),
      ],
    ),
  );
  await inBatches(lessons, (batch, from) =>
    write(db, 'INSERT IGNORE INTO lesson_students (lesson_id, student_id, lane) VALUES ?', [
      batch.flatMap((id, i) => groups[from + i]!.map((student, lane) => [id, student, lane])),
    ]),
  );
  const tried = scenario.lessons.events.flatMap(({ body }) => (body.kind === 'attempt' ? [body] : []));
  const events = Array.from({ length: size.events }, (_, i): BankEvent => {
    const at = Math.floor((i * size.lessons) / size.events);
    return {
      id: deterministicId(`grown-event:${i}`),
      lessonId: lessons[at] as string,
      studentId: one(groups[at] as string[]),
      blockId: null,
      deviceId: LEAD.id,
      atMs: startOf(at).getTime() + (i % 700) * 15_000,
      body: one(tried),
    };
  });
  await inBatches(events, (batch) => insertEvents(db, LEAD.id, batch));
  for (const table of ['plans', 'students', 'lessons', 'lesson_students', 'events'])
    await rows(db, `ANALYZE TABLE ${table}`);
}

async function inBatches<T>(
  list: readonly T[],
  put: (batch: T[], from: number) => Promise<unknown>,
): Promise<void> {
  for (let from = 0; from < list.length; from += BATCH) await put(list.slice(from, from + BATCH), from);
}
