import { DateTime } from 'luxon';
import { demoBeats } from './beats';
import { DEMO_KIT } from './kit';
import { demoLineage } from './lineage';
import { demoLakes } from './lakes';
import { demoCourses, demoLessons } from './lessons';
import { CLUB, EVENING_CLASS, demoStudents, FELLOW, LEAD, OTHER, SCHOOL } from './people';
import { DEMO_RIGS, FIRST_NYMPHS, GRASS_DAY, JETTY_EVENING, RIFFLE_NYMPHS, STILL_WATER } from './plans';
import { DEMO_FLY_BOX, demoReadings, FELLOW_SCHOOLS } from './rig-bench';
import { demoWaters } from './waters';

const TIME_ZONE = 'Europe/Copenhagen';

/** The whole made-up scenario, with all dates relative to now and everything else from a fixed seed. */
export function demoScenario(now: Date) {
  const today = DateTime.fromJSDate(now, { zone: TIME_ZONE });
  const students = demoStudents(today);
  const waters = demoWaters(today);
  return {
    users: [LEAD, FELLOW, OTHER],
    circles: [
      {
        ...SCHOOL,
        members: [
          { userId: LEAD.id, role: 'owner' as const },
          { userId: FELLOW.id, role: 'editor' as const },
        ],
      },
      { ...CLUB, members: [{ userId: OTHER.id, role: 'owner' as const }] },
      { ...EVENING_CLASS, members: [{ userId: OTHER.id, role: 'owner' as const }] },
    ],
    /** How long the school keeps records, months. */
    keeping: { entryMonths: 24, studentMonths: 36 },
    waters: { ownerId: LEAD.id, circleId: SCHOOL.id, list: waters },
    beats: demoBeats(waters),
    lakes: demoLakes(waters),
    students: {
      ownerId: LEAD.id,
      list: students,
      seenBy: [{ userId: FELLOW.id, studentIds: students.slice(0, 2).map(({ id }) => id) }],
    },
    rigs: { ownerId: LEAD.id, list: DEMO_RIGS },
    readings: { ownerId: LEAD.id, list: demoReadings(today, students) },
    flyBox: { ownerId: LEAD.id, box: DEMO_FLY_BOX },
    kit: { ownerId: LEAD.id, kit: DEMO_KIT },
    schools: { [FELLOW.id]: FELLOW_SCHOOLS },
    plans: [
      { ownerId: LEAD.id, circleId: null, plan: FIRST_NYMPHS },
      { ownerId: LEAD.id, circleId: SCHOOL.id, plan: GRASS_DAY },
      { ownerId: FELLOW.id, circleId: SCHOOL.id, plan: STILL_WATER },
      { ownerId: FELLOW.id, circleId: SCHOOL.id, plan: RIFFLE_NYMPHS },
      { ownerId: OTHER.id, circleId: CLUB.id, plan: JETTY_EVENING },
    ],
    lineage: demoLineage(today),
    courses: demoCourses(today, students),
    lessons: { ownerId: LEAD.id, ...demoLessons(today, students, waters) },
  };
}

export type Scenario = ReturnType<typeof demoScenario>;
