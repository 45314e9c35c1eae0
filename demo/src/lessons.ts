import type { Course, Lesson } from '@doceo/contract';
import {
  type BankEvent,
  type BankEventBody,
  deterministicId,
  normal,
  seededRandom,
  simulateStudent,
  type SimulatedBout,
} from '@doceo/core';
import { SHIPPED_CURRICULUM } from '@doceo/core/shipped';
import type { DateTime } from 'luxon';
import { type DemoStudent, FELLOW } from './people';
import { FIRST_NYMPHS, GRASS_DAY, STILL_WATER } from './plans';
import type { DemoWater } from './waters';

const SEED = 'corvane';
const DEVICE = deterministicId('device:demo-tablet');

export interface DemoLesson {
  id: string;
  lesson: Lesson;
}

/** Who teaches along in a lesson, and whom he has. */
interface DemoAlong {
  lessonId: string;
  userId: string;
  studentIds: string[];
}

/** Drills and attempts of one past lesson, per student. */
const PAST: { daysAgo: number; water: string; who: string[]; bouts: [string, number][] }[] = [
  {
    daysAgo: 70,
    water: 'River Ostrel',
    who: ['Petra Holm', 'Jonas Wren', 'Sam Okande', 'Noor Hadley', 'Lidia Moreau', 'Emil Starck'],
    bouts: [
      ['hats-and-glasses', 1],
      ['grip-and-stance', 6],
      ['draw-the-line', 14],
      ['stop-and-say', 16],
      ['count-the-pause', 14],
      ['wet-and-pull', 4],
      ['clinch-race', 7],
    ],
  },
  {
    daysAgo: 49,
    water: 'Tollgate Pond',
    who: ['Petra Holm', 'Jonas Wren', 'Sam Okande', 'Noor Hadley', 'Emil Starck'],
    bouts: [
      ['stop-and-say', 12],
      ['count-the-pause', 18],
      ['lay-it-down', 16],
      ['clinch-race', 6],
      ['surgeon-pairs', 6],
      ['finger-trap', 10],
      ['read-the-card', 3],
    ],
  },
  {
    daysAgo: 28,
    water: 'River Ostrel',
    who: ['Petra Holm', 'Jonas Wren', 'Sam Okande', 'Noor Hadley', 'Lidia Moreau'],
    bouts: [
      ['count-the-pause', 12],
      ['lay-it-down', 16],
      ['hoops', 14],
      ['roll-the-d', 12],
      ['name-the-water', 5],
      ['strip-the-slack', 12],
      ['partner-takes', 16],
      ['indicator-rig', 3],
      ['wet-hands-net', 3],
    ],
  },
  {
    daysAgo: 13,
    water: 'River Ostrel',
    who: ['Petra Holm', 'Jonas Wren', 'Sam Okande', 'Noor Hadley', 'Lidia Moreau', 'Emil Starck'],
    bouts: [
      ['lay-it-down', 12],
      ['hoops', 12],
      ['water-load', 14],
      ['find-the-seam', 6],
      ['partner-takes', 10],
      ['set-on-anything', 18],
      ['sweep-low', 10],
      ['mend-both-ways', 8],
      ['wet-hands-net', 2],
    ],
  },
];

const COURSE_GROUP = ['Petra Holm', 'Jonas Wren', 'Sam Okande', 'Noor Hadley'];
/** Days from now on which they come again after their next lesson. */
const COURSE_DAYS = [17, 31];

/** What the four of the next lesson want to be able to do in five weeks; it began with the last one. */
export function demoCourses(
  now: DateTime,
  students: readonly DemoStudent[],
): { id: string; course: Course }[] {
  const day = (days: number): string => now.plus({ days }).toISODate() ?? '';
  return [
    {
      id: deterministicId('course:first-fish'),
      course: {
        name: 'From grass to first fish',
        fromOn: day(-13),
        untilOn: day(35),
        goals: ['casting.roll', 'water.mend-up', 'hook-setting.set-timing', 'water.find-seam'],
        studentIds: COURSE_GROUP.flatMap((name) => students.find(({ key }) => key === name)?.id ?? []),
      },
    },
  ];
}

/** Past lessons with their records, played by simulated students, and lessons to come. */
export function demoLessons(
  now: DateTime,
  students: readonly DemoStudent[],
  waters: readonly DemoWater[],
): { lessons: DemoLesson[]; along: DemoAlong[]; events: BankEvent[] } {
  const waterId = (name: string): string => waters.find(({ water }) => water.name === name)?.id ?? '';
  const idsOf = (names: readonly string[]): string[] =>
    names.flatMap((name) => students.find(({ key }) => key === name)?.id ?? []);
  const morning = (days: number): DateTime =>
    now.plus({ days }).set({ hour: 9, minute: 30, second: 0, millisecond: 0 });
  const make = (
    key: string,
    start: DateTime,
    planId: string,
    water: string,
    who: readonly string[],
  ): DemoLesson => ({
    id: deterministicId(`lesson:${key}`),
    lesson: {
      planId,
      waterId: waterId(water),
      startsAt: start.toUTC().toISO() ?? '',
      studentIds: idsOf(who),
    },
  });

  const past = PAST.map((row) =>
    make(
      `past-${row.daysAgo}`,
      morning(-row.daysAgo),
      row.daysAgo > 40 ? GRASS_DAY.id : FIRST_NYMPHS.id,
      row.water,
      row.who,
    ),
  );
  const events = students.flatMap((student) => recordOf(student, past));
  const later = make('later', morning(11), STILL_WATER.id, 'Merrow Lake', ['Lidia Moreau', 'Emil Starck']);
  return {
    lessons: [
      ...past,
      ...COURSE_DAYS.map((days) =>
        make(`course-${days}`, morning(days), FIRST_NYMPHS.id, 'River Ostrel', COURSE_GROUP),
      ),
      make('next', morning(3), FIRST_NYMPHS.id, 'River Ostrel', COURSE_GROUP),
      later,
    ],
    along: [{ lessonId: later.id, userId: FELLOW.id, studentIds: idsOf(['Emil Starck']) }],
    events,
  };
}

function recordOf(student: DemoStudent, past: readonly DemoLesson[]): BankEvent[] {
  const attended = PAST.map((row, index) => ({ row, lesson: past[index] as DemoLesson })).filter(({ row }) =>
    row.who.includes(student.key),
  );
  const startOf = ({ lesson }: DemoLesson): number => Date.parse(lesson.startsAt);
  const bouts = attended.flatMap(({ row, lesson }) => {
    let atMs = startOf(lesson) + 10 * 60_000;
    return row.bouts.map(([drillId, attempts]): SimulatedBout => {
      const bout = { drillId, startMs: atMs, attempts };
      atMs += attempts * 20_000 + 6 * 60_000;
      return bout;
    });
  });
  const { attempts } = simulateStudent(SHIPPED_CURRICULUM, SEED, student, bouts);
  const lessonAt = (atMs: number): DemoLesson =>
    [...attended].reverse().find(({ lesson }) => startOf(lesson) <= atMs)?.lesson ??
    (attended[0]?.lesson as DemoLesson);
  const drillOf = (atMs: number): string | null =>
    [...bouts].reverse().find((bout) => bout.startMs <= atMs)?.drillId ?? null;
  const event = (id: string, atMs: number, body: BankEventBody): BankEvent => ({
    id,
    lessonId: lessonAt(atMs).id,
    studentId: student.id,
    blockId: null,
    deviceId: DEVICE,
    atMs,
    body,
  });
  return [
    ...attempts.map(({ id, atMs, skillId, good, faultId }) =>
      event(id, atMs, {
        kind: 'attempt',
        skillId,
        drillId: drillOf(atMs),
        good,
        faultId,
      }),
    ),
    ...attended.flatMap(({ row, lesson }) =>
      row.daysAgo < 40 ? extras(student, row.daysAgo, startOf(lesson), event) : [],
    ),
  ];
}

/** Fish and tangles of a day on the water. */
function extras(
  student: DemoStudent,
  daysAgo: number,
  startMs: number,
  event: (id: string, atMs: number, body: BankEventBody) => BankEvent,
): BankEvent[] {
  const random = seededRandom(`${SEED}/extras/${student.key}/${daysAgo}`);
  const id = (what: string): string => deterministicId(`${student.key}/${daysAgo}/${what}`);
  const minutes = (n: number): number => Math.round(startMs + n * 60_000);
  const tangles = 2 + Math.floor(random() * 4);
  const made = Array.from({ length: tangles }, (_, i) =>
    event(id(`tangle-${i}`), minutes(50 + ((i + random()) / tangles) * 120), {
      kind: 'tangle',
      seconds: Math.round(30 + random() * 150),
    }),
  );
  if (random() < 0.6) {
    const lengthCm = Math.round(27 + normal(random) * 4);
    made.push(
      event(id('fish'), minutes(150 + random() * 40), {
        kind: 'fish',
        species: random() < 0.5 ? 'grayling' : 'brown trout',
        lengthCm,
        outcome: random() < 0.7 ? 'to-hand' : 'lost',
      }),
    );
  }
  return made;
}
