import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import type {
  Circle,
  EventReceipt,
  LessonPlan,
  PlanSummary,
  SavedLesson,
  SavedPlan,
  SavedRig,
  SavedStudent,
  SavedWater,
  Session,
} from '@doceo/contract';
import {
  type BankEvent,
  type BankEventBody,
  blockFromDrill,
  buildRig,
  DEFAULT_SCHOOLS,
  emptyPlan,
  type KitEntry,
} from '@doceo/core';

/** A morning in June, an hour and a half before the lesson. */
export const NOW = Date.parse('2026-06-10T06:00:00Z');

/** Where this device keeps something of the one who is signed in. */
export const keptKey = (key: string): string => `doceo/${uuid(71)}/${key}`;

/** The n-th made-up id. */
export const uuid = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

export const WATER: SavedWater = {
  id: uuid(1),
  mine: true,
  editable: true,
  circleId: null,
  water: {
    name: 'River Ostrel',
    kind: 'river',
    latitude: 57.9,
    longitude: 9.1,
    timeZone: 'Europe/Copenhagen',
    places: [
      { id: 'glide', name: 'Long Glide', kind: 'run', lengthM: 120, lengthFrom: 'measured' },
      { id: 'meadow', name: 'School meadow', kind: 'grass', lengthM: 90, lengthFrom: 'measured' },
    ],
    rules: {
      licence: 'Day ticket',
      seasonFrom: '01-01',
      seasonTo: '12-31',
      maxHooks: 2,
      barbless: true,
      leadAllowed: false,
      release: 'All back',
      hours: 'daylight',
      other: '',
      whoSaysSo: 'warden’s hut',
      checkedOn: '2026-06-01',
      checkedBy: 'Maren Voss',
    },
    species: ['brown-trout', 'grayling'],
    said: {},
    calendar: null,
  },
};

export const student = (
  n: number,
  name: string,
  rest: Partial<SavedStudent['student']> = {},
): SavedStudent => ({
  id: uuid(n),
  mine: true,
  student: {
    name,
    bornOn: '1985-01-01',
    saidAdult: false,
    hand: 'right',
    heightM: null,
    needs: [],
    note: '',
    guardianName: '',
    guardianContact: '',
    guardianConsentOn: null,
    ...rest,
  },
});
export const SAM = student(11, 'Sam Okande', { note: 'hurries the pause' });
export const JONAS = student(12, 'Jonas Wren', { bornOn: '2012-02-02' });

export const RIG: SavedRig = {
  id: uuid(31),
  name: 'Two nymphs',
  rig: buildRig('indicator-nymph'),
  studentId: null,
  version: 3,
  updatedAt: '2026-06-01T10:00:00Z',
};

const summary: PlanSummary = {
  id: uuid(21),
  title: 'First nymphs',
  aim: 'One drift each',
  lengthMin: 120,
  blockCount: 2,
  strands: ['safety', 'casting'],
  version: 1,
  updatedAt: '2026-06-01T10:00:00Z',
  mine: true,
  ownerName: 'Maren Voss',
  circleId: null,
  circleName: null,
  origin: null,
};

/** Safety talk, then the pause for everybody. */
export const PLAN: SavedPlan = {
  ...summary,
  toldVersion: null,
  body: {
    ...emptyPlan(),
    aim: 'One drift each',
    groupSize: 2,
    lengthMin: 120,
    blocks: [
      blockFromDrill(SHIPPED.drills.get('hats-and-glasses'), uuid(41), 0),
      blockFromDrill(SHIPPED.drills.get('count-the-pause'), uuid(42), 15),
    ],
  },
};

/** The same plan as it is taught in the lesson. */
export const TAUGHT: LessonPlan = { lessonId: uuid(51), title: PLAN.title, body: PLAN.body };

export const LESSON: SavedLesson = {
  id: uuid(51),
  planId: PLAN.id,
  waterId: WATER.id,
  startsAt: '2026-06-10T07:30:00Z',
  studentIds: [SAM.id, JONAS.id],
  planTitle: PLAN.title,
  lengthMin: 120,
  waterName: WATER.water.name,
  mine: true,
  instructors: [{ userId: uuid(71), name: 'Maren Voss', studentIds: [SAM.id, JONAS.id] }],
};

/** The lesson of a fellow, in which one has the second student. */
export const ALONG: SavedLesson = {
  ...LESSON,
  ...{ mine: false, planId: null },
  instructors: [
    { userId: uuid(72), name: 'Tobias Lind', studentIds: [SAM.id] },
    { userId: uuid(71), name: 'Maren Voss', studentIds: [JONAS.id] },
  ],
};

export const CIRCLE: Circle = {
  id: uuid(61),
  name: 'Tern & Alder River School',
  role: 'owner',
  members: [
    { userId: uuid(71), name: 'Maren Voss', role: 'owner' },
    { userId: uuid(72), name: 'Tobias Lind', role: 'editor' },
  ],
  invited: [],
  links: [],
};

export const SESSION: Session = {
  user: {
    id: uuid(71),
    name: 'Maren Voss',
    email: 'lead@ternalder.example',
    admin: true,
    assists: null,
    settings: { units: 'metric', bankHand: 'right', schools: DEFAULT_SCHOOLS },
  },
  demo: [],
  registration: 'open',
  mail: 'server',
  deviceKey: 'AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA=',
  installation: { life: 'first', backTo: null },
};

/** Nobody is signed in. */
export const STRANGER: Session = {
  user: null,
  demo: [],
  registration: 'open',
  mail: 'server',
  deviceKey: null,
  installation: null,
};

/** What the server says of events that came: all are stored, unless told otherwise. */
export function receipt(
  body: unknown,
  rest: Partial<Omit<EventReceipt, 'refused'>> & {
    refused?: Partial<EventReceipt['refused'][number]>[];
  } = {},
): EventReceipt {
  const ids = (body as { events: { id: string }[] }).events.map(({ id }) => id);
  const refused = (rest.refused ?? []).map((one) => ({
    id: '',
    index: ids.indexOf(one.id ?? ''),
    code: 'invalid' as const,
    message: '',
    issues: [],
    ...one,
  }));
  const gone = new Set([...refused.map(({ id }) => id), ...(rest.known ?? [])]);
  return { stored: ids.filter((id) => !gone.has(id)), known: [], clockAheadMs: 0, ...rest, refused };
}

let events = 0;

/** An event of the lesson, a second after the one before. */
export function event(body: BankEventBody, rest: Partial<BankEvent> = {}): BankEvent {
  events += 1;
  return {
    id: uuid(1000 + events),
    lessonId: LESSON.id,
    studentId: SAM.id,
    blockId: null,
    deviceId: uuid(81),
    atMs: NOW + events * 1000,
    body,
    ...rest,
  };
}

export const attempt = (skillId: string, faultId: string | null, rest: Partial<BankEvent> = {}): BankEvent =>
  event({ kind: 'attempt', skillId, drillId: null, good: faultId === null, faultId }, rest);

/** Attempts of a day: six good stops, and three pauses that were too short. */
export const dayOfAttempts = (): ReturnType<typeof attempt>[] => [
  ...Array.from({ length: 6 }, () => attempt('casting.stop', null)),
  ...Array.from({ length: 3 }, () => attempt('casting.pause', 'cast.crack')),
];

/** A thing of the kit on hand, of which nothing else was said. */
export const kitEntry = (item: string, count: number, rest: Partial<KitEntry> = {}): KitEntry => ({
  ...{ item, count, priceEach: null, lengthM: null, rodFor: 'anybody', reelHand: 'either', note: '' },
  ...rest,
});
