import { type LessonQuery, MAX_LISTED_BEGUN, MAX_LISTED_LESSONS, type SavedLesson } from '@doceo/contract';
import { type Db, rows } from '../db/pool';
import { HttpError } from '../http/errors';
import { OPEN_ACCESS } from '../students/access.sql';

interface LessonRow {
  id: string;
  plan_id: string | null;
  water_id: string;
  starts_at: Date;
  plan_title: string;
  length_min: number;
  water_name: string;
  mine: number;
  keeper_id: string;
  keeper_name: string;
  /** Each with who has him in the lesson: `student/instructor`. */
  students: string | null;
  /** Who teaches along, as JSON. */
  along: string | null;
}

/** Whether a user `t` teaches in a lesson `l`, alone or along, or helps in it. */
export const TEACHES = `(l.owner_id = t.id OR l.id = t.assists_lesson_id
  OR EXISTS (SELECT 1 FROM lesson_instructors i WHERE i.lesson_id = l.id AND i.user_id = t.id))`;

const SEEN_PLAN = 'IF(l.owner_id = t.id OR p.owner_id = t.id OR m.user_id IS NOT NULL, l.plan_id, NULL)';

/** Lessons of which somebody teaches or helps in each kind; by lessons_owner, lesson_instructors_user and primary keys. */
const TAUGHT_BY = [
  'lessons l WHERE l.owner_id = ?',
  'lesson_instructors i JOIN lessons l ON l.id = i.lesson_id WHERE i.user_id = ?',
  'users a JOIN lessons l ON l.id = a.assists_lesson_id WHERE a.id = ?',
];

/** All of these. */
const ALL_TAUGHT = TAUGHT_BY.map((one) => `SELECT l.id FROM ${one}`).join(' UNION ');

/** Those with a plan; others came with a student's file and are not taught here. */
const WITH_PLAN = 'l.taken_title IS NULL AND l.plan_body IS NOT NULL';

/** Lessons with a plan and a water, of some that are chosen, as somebody may see them; he is named last. */
const taughtOf = (chosen: string): string => `FROM users t
    JOIN (${chosen}) taught
    JOIN lessons l ON l.id = taught.id JOIN waters w ON w.id = l.water_id JOIN users k ON k.id = l.owner_id
    LEFT JOIN plans p ON p.id = l.plan_id LEFT JOIN circle_members m ON m.circle_id = p.circle_id AND m.user_id = t.id
  WHERE t.id = ? AND ${WITH_PLAN}`;

const COLUMNS = `l.id, l.water_id, l.starts_at, l.plan_title, l.length_min, w.name AS water_name,
    ${SEEN_PLAN} AS plan_id,
    l.owner_id = t.id AS mine, l.owner_id AS keeper_id, k.name AS keeper_name,
    (SELECT GROUP_CONCAT(s.student_id, '/', COALESCE(s.instructor_id, l.owner_id)
        ORDER BY s.lane, s.student_id SEPARATOR ',')
       FROM lesson_students s JOIN students one ON one.id = s.student_id
       LEFT JOIN student_access a ON a.student_id = one.id AND a.user_id = t.id AND ${OPEN_ACCESS}
      WHERE s.lesson_id = l.id AND (one.owner_id = t.id OR a.user_id IS NOT NULL)) AS students,
    (SELECT JSON_ARRAYAGG(JSON_OBJECT('userId', u.id, 'name', u.name) ORDER BY u.name, u.id)
       FROM lesson_instructors i JOIN users u ON u.id = i.user_id WHERE i.lesson_id = l.id) AS along`;

const SELECT = `SELECT ${COLUMNS} ${taughtOf(ALL_TAUGHT)}`;

function toLesson(row: LessonRow): SavedLesson {
  const students = row.students?.split(',').map((one) => one.split('/') as [string, string]) ?? [];
  const along = JSON.parse(row.along ?? '[]') as { userId: string; name: string }[];
  return {
    id: row.id,
    planId: row.plan_id,
    waterId: row.water_id,
    startsAt: row.starts_at.toISOString(),
    studentIds: students.map(([id]) => id),
    planTitle: row.plan_title,
    lengthMin: Number(row.length_min),
    waterName: row.water_name,
    mine: Boolean(row.mine),
    instructors: [{ userId: row.keeper_id, name: row.keeper_name }, ...along].map((one) => ({
      ...one,
      studentIds: students.flatMap(([id, instructor]) => (instructor === one.userId ? [id] : [])),
    })),
  };
}

/** A condition on a lesson `l`, with what stands for its signs. */
type Condition = [sql: string, ...params: unknown[]];

/** The first or last lessons of somebody that meet some conditions, so many at most, by start; each kind in its order. */
async function findSome(
  db: Db,
  userId: string,
  which: 'first' | 'last',
  most: number,
  asked: readonly Condition[],
): Promise<SavedLesson[]> {
  const where = [WITH_PLAN, ...asked.map(([sql]) => sql)].join(' AND ');
  const way = which === 'first' ? 'ASC' : 'DESC';
  const page = `ORDER BY starts_at ${way}, id ${way} LIMIT ?`;
  const params = [userId, ...asked.flatMap(([, ...rest]) => rest), most];
  const chosen = TAUGHT_BY.map((one) => `(SELECT l.id, l.starts_at FROM ${one} AND ${where} ${page})`);
  const found = await rows<LessonRow>(
    db,
    `SELECT ${COLUMNS} ${taughtOf(`${chosen.join(' UNION ')} ${page}`)} ORDER BY taught.starts_at, taught.id`,
    [...chosen.flatMap(() => params), most, userId],
  );
  return found.map(toLesson);
}

/** A page of the lessons that somebody teaches, alone or along, or of the one in which he helps, by start. */
export async function findLessonsPage(db: Db, userId: string, query: LessonQuery): Promise<SavedLesson[]> {
  const { from, until, planId, ids } = query;
  if (Object.keys(query).length === 0) {
    const now = new Date();
    const toCome = MAX_LISTED_LESSONS - MAX_LISTED_BEGUN;
    return [
      ...(await findSome(db, userId, 'last', MAX_LISTED_BEGUN, [['l.starts_at < ?', now]])),
      ...(await findSome(db, userId, 'first', toCome, [['l.starts_at >= ?', now]])),
    ];
  }
  const found = await findSome(db, userId, from ? 'first' : 'last', MAX_LISTED_LESSONS, [
    ...(from ? [['l.starts_at >= ?', new Date(from)] as Condition] : []),
    ...(until ? [['l.starts_at < ?', new Date(until)] as Condition] : []),
    ...(planId ? [['l.plan_id = ?', planId] as Condition] : []),
    ...(ids ? [['l.id IN (?)', ids.split(',')] as Condition] : []),
  ]);
  // Which plan a lesson follows is told to those alone who see the plan.
  return planId ? found.filter((lesson) => lesson.planId === planId) : found;
}

/** All lessons that somebody teaches, alone or along, or the one in which he helps, by start. */
export async function findLessons(db: Db, userId: string): Promise<SavedLesson[]> {
  return (await rows<LessonRow>(db, `${SELECT} ORDER BY l.starts_at, l.id`, Array(4).fill(userId))).map(
    toLesson,
  );
}

/** The plan of each of these lessons, as far as he sees it; by the same keys. */
export async function findPlansTaught(
  db: Db,
  userId: string,
): Promise<{ lessonId: string; planId: string | null; title: string }[]> {
  const found = await rows<{ id: string; plan_id: string | null; plan_title: string }>(
    db,
    `SELECT l.id, l.plan_title, ${SEEN_PLAN} AS plan_id ${taughtOf(ALL_TAUGHT)}`,
    Array(4).fill(userId),
  );
  return found.map(({ id, plan_id, plan_title }) => ({ lessonId: id, planId: plan_id, title: plan_title }));
}

/** Null when it does not exist, or he has nothing to do with it. */
export async function findLesson(db: Db, userId: string, id: string): Promise<SavedLesson | null> {
  const [found] = await rows<LessonRow>(db, `${SELECT} AND l.id = ?`, [...Array(4).fill(userId), id]);
  return found ? toLesson(found) : null;
}

/** @throws HttpError 'not-found' */
export async function ownLesson(db: Db, userId: string, id: string): Promise<SavedLesson> {
  const lesson = await findLesson(db, userId, id);
  if (!lesson) throw new HttpError('not-found');
  return lesson;
}
