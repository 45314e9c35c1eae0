import { hash } from '@node-rs/argon2';
import { DEMO_OUTCOMES, DEMO_PASSWORD, demoScenario, LEAD, OTHER, SCHOOL, type Scenario } from '@doceo/demo';
import { insertCircle, upsertMember } from '../circles/circles.sql';
import { setRule } from '../keeping/keeping.sql';
import { insertOutcomes, updateTells } from '../circles/outcomes.sql';
import { insertCourse } from '../courses/courses.sql';
import { saveOwnDocument } from '../db/own-document';
import { type Db, rows, write } from '../db/pool';
import { insertEvents } from '../events/events.sql';
import { setInstructors } from '../lessons/instructors.sql';
import { insertLesson } from '../lessons/lessons.sql';
import { insertPlan, updatePlanCircle } from '../plans/plans.sql';
import { saveFlyBox } from '../fly-box/fly-box.sql';
import { insertReading } from '../readings/readings.sql';
import { insertLineageStep, noteTaught } from './seed-lineage';
import { insertRig } from '../rigs/rigs.sql';
import { insertUser, updateSettings } from '../session/users.sql';
import { giveAccess } from '../students/access.sql';
import { insertStudent } from '../students/students.sql';
import { insertBeat } from '../waters/beats.sql';
import { insertLake } from '../waters/lakes.sql';
import { insertWater } from '../waters/waters.sql';

const BATCH = 500;

/**
 * Loads the demo scenario unless that was done before, all of it or nothing. Call it under the lock of
 * `prepareDatabase`, on its connection.
 *
 * @returns whether it was loaded
 */
export async function seedDemo(db: Db, now: Date): Promise<boolean> {
  if ((await rows(db, "SELECT what FROM loaded WHERE what = 'demo'")).length > 0) return false;
  const passwordHash = await hash(DEMO_PASSWORD);
  const scenario = demoScenario(now);
  await write(db, 'START TRANSACTION');
  await insertScenario(db, scenario, passwordHash);
  await write(db, "INSERT INTO loaded (what) VALUES ('demo')");
  await write(db, 'COMMIT');
  return true;
}

async function insertScenario(db: Db, scenario: Scenario, passwordHash: string): Promise<void> {
  for (const user of scenario.users)
    await insertUser(db, { ...user, passwordHash, admin: user.id === LEAD.id });
  for (const [userId, schools] of Object.entries(scenario.schools))
    await updateSettings(db, userId, { units: 'metric', bankHand: 'right', schools });
  for (const circle of scenario.circles) {
    await insertCircle(db, circle.id, circle.name);
    for (const member of circle.members) await upsertMember(db, circle.id, member.userId, member.role);
  }
  await setRule(db, 'circles', SCHOOL.id, scenario.keeping);
  for (const { id, water } of scenario.waters.list)
    await insertWater(db, scenario.waters.ownerId, id, water, scenario.waters.circleId);
  for (const beat of scenario.beats) await insertBeat(db, beat);
  for (const lake of scenario.lakes) await insertLake(db, lake);
  for (const { id, student } of scenario.students.list)
    await insertStudent(db, scenario.students.ownerId, id, student);
  for (const { userId, studentIds } of scenario.students.seenBy)
    for (const id of studentIds) await giveAccess(db, id, userId);
  for (const rig of scenario.rigs.list)
    await insertRig(db, scenario.rigs.ownerId, { ...rig, studentId: null });
  for (const reading of scenario.readings.list) await insertReading(db, scenario.readings.ownerId, reading);
  await saveOwnDocument(db, 'kits', scenario.kit.ownerId, scenario.kit.kit, 0);
  await saveFlyBox(db, scenario.flyBox.ownerId, scenario.flyBox.box, 0);
  for (const { ownerId, circleId, plan } of scenario.plans) {
    await insertPlan(db, ownerId, plan);
    if (circleId) await updatePlanCircle(db, plan.id, circleId);
  }
  for (const step of scenario.lineage) await insertLineageStep(db, step);
  const { ownerId, lessons, along, events } = scenario.lessons;
  for (const { id, lesson } of lessons) {
    const taught = scenario.plans.find(({ plan }) => plan.id === lesson.planId)?.plan;
    if (taught) await insertLesson(db, ownerId, id, lesson, { ...taught, version: 1 });
  }
  for (const { lessonId, ...one } of along) await setInstructors(db, lessonId, [one]);
  for (const { id, course } of scenario.courses) await insertCourse(db, ownerId, id, course);
  for (let i = 0; i < events.length; i += BATCH) await insertEvents(db, ownerId, events.slice(i, i + BATCH));
  await noteTaught(db);
  for (const circle of scenario.circles) await updateTells(db, circle.id, true);
  for (const { circleId, outcomes } of DEMO_OUTCOMES) await insertOutcomes(db, OTHER.id, circleId, outcomes);
}
