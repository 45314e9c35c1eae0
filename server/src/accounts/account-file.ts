import {
  ACCOUNT_FILE_FORMAT,
  ACCOUNT_FILE_VERSION,
  type AccountFile,
  type SavedWater,
} from '@doceo/contract';
import { findCircles } from '../circles/circles.sql';
import { findCourses } from '../courses/courses.sql';
import type { Db } from '../db/pool';
import { findFlyBox } from '../fly-box/fly-box.sql';
import { findKit } from '../kit/kit.routes';
import { findLessons } from '../lessons/taught-lessons.sql';
import { findOwnPlans } from '../plans/plans.sql';
import { findReadings } from '../readings/readings.sql';
import { findRigs } from '../rigs/rigs.sql';
import { toUser, type UserRow } from '../session/users.sql';
import { findCommentsBy } from '../sharing/comments.sql';
import { takenStudentFile } from '../students/student-file';
import { findStudents } from '../students/students.sql';
import { findLayer } from '../teaching/teaching.sql';
import { findBeats } from '../waters/beats.sql';
import { findLake } from '../waters/lakes.sql';
import { findWaters } from '../waters/waters.sql';

/** Everything that is somebody's own. What others gave him to see is theirs, and not in it. */
export async function accountFile(db: Db, user: UserRow): Promise<AccountFile> {
  const { name, email, settings } = toUser(user);
  const students = (await findStudents(db, user.id)).filter(({ mine }) => mine);
  const waters = (await findWaters(db, user.id)).filter(({ mine }) => mine);
  return {
    format: ACCOUNT_FILE_FORMAT,
    version: ACCOUNT_FILE_VERSION,
    writtenAt: new Date().toISOString(),
    account: { name, email, settings },
    circles: (await findCircles(db, user.id)).map(({ name, role }) => ({ name, role })),
    students: await oneByOne(students, (student) => takenStudentFile(db, user.id, student)),
    plans: await findOwnPlans(db, user.id),
    lessons: await findLessons(db, user.id),
    courses: await findCourses(db, user.id),
    waters: await oneByOne(waters, async (water: SavedWater) => ({
      water,
      beats: await findBeats(db, water.id),
      lake: await findLake(db, water.id),
    })),
    rigs: await findRigs(db, user.id),
    readings: (await findReadings(db, user.id)).filter(({ mine }) => mine),
    flyBox: await findFlyBox(db, user.id),
    kit: await findKit(db, user.id),
    teaching: await findLayer(db, { userId: user.id }),
    comments: await findCommentsBy(db, user.id),
  };
}

/** A record after the other: all at once would take every connection. */
async function oneByOne<T, R>(list: readonly T[], of: (one: T) => Promise<R>): Promise<R[]> {
  const done: R[] = [];
  for (const one of list) done.push(await of(one));
  return done;
}
