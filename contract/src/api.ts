import * as z from 'zod';
import { kitUpdateSchema, savedKitSchema } from './lesson/kit';
import { courseSchema, savedCourseSchema } from './lesson/course';
import { circleNameSchema, circleSchema, invitationSchema, ROLES } from './people/circle';
import { emptySchema, idSchema, okSchema, versionSchema } from './common';
import { beatSchema, savedBeatSchema } from './water/beat';
import {
  conditionDaySchema,
  conditionReadingSchema,
  conditionsQuerySchema,
  MAX_READINGS,
  outlookQuerySchema,
} from './water/conditions';
import { lakeSchema, savedLakeSchema } from './water/lake';
import { drillSchema } from './curriculum/entries';
import { layerUpdateSchema, shownLayerSchema, teachingSchema } from './curriculum/layer';
import type { Endpoint } from './http/endpoint';
import {
  describedEventBatchSchema,
  eventBatchSchema,
  eventQuerySchema,
  eventReceiptSchema,
  eventSchema,
} from './lesson/event';
import { calendarSchema, flyBoxUpdateSchema, savedFlyBoxSchema } from './rig/fly-box';
import { lessonPlanSchema, lessonSchema, savedLessonSchema } from './lesson/lesson';
import { planBodySchema, planSummarySchema, planTitleSchema, savedPlanSchema } from './lesson/plan';
import { savedReadingSchema, takenReadingSchema } from './rig/reading';
import { rigNameSchema, rigSchema, savedRigSchema } from './rig/rig';
import {
  accountDeletionSchema,
  accountEffectSchema,
  emailSchema,
  passwordChangeSchema,
  registerSchema,
  sessionSchema,
  settingsSchema,
  signInSchema,
} from './people/session';
import { fitStatusSchema } from './people/skill-fit';
import { savedStudentSchema, studentSchema } from './people/student';
import { deletionEffectSchema, lookSchema, studentFileSchema } from './people/student-file';
import { savedWaterSchema, waterChangeSchema, waterDeletionSchema, waterSchema } from './water/water';

/** The student whose knots a rig has; left out for none. */
const tiedBySchema = idSchema.nullable().default(null);

const byId = z.strictObject({ id: idSchema });

function endpoint<
  P = Record<string, never>,
  Q = Record<string, never>,
  B = Record<string, never>,
  R = unknown,
>(
  method: Endpoint['method'],
  path: string,
  summary: string,
  parts: {
    access?: 'public';
    params?: z.ZodType<P>;
    query?: z.ZodType<Q>;
    body?: z.ZodType<B>;
    describedBody?: z.ZodType;
    reply: z.ZodType<R>;
    slow?: true;
  },
): Endpoint<P, Q, B, R> {
  return {
    method,
    path: `/api${path}`,
    summary,
    access: parts.access ?? 'user',
    params: parts.params ?? (emptySchema as unknown as z.ZodType<P>),
    query: parts.query ?? (emptySchema as unknown as z.ZodType<Q>),
    body: parts.body ?? (emptySchema as unknown as z.ZodType<B>),
    describedBody: parts.describedBody,
    reply: parts.reply,
    slow: parts.slow,
  };
}

/** Every route of the API. Server, web client, OpenAPI and the walk of all routes in the tests read this one table. */
export const api = {
  health: endpoint('get', '/health', 'Whether the server and its database answer', {
    access: 'public',
    reply: z.strictObject({
      ok: z.boolean(),
      database: z.enum(['up', 'troubled', 'down']),
      /** What the database lately refused its work with. */
      trouble: z.string().nullable(),
      version: z.string(),
    }),
  }),
  openapi: endpoint('get', '/openapi.json', 'This description', {
    access: 'public',
    reply: z.record(z.string(), z.unknown()),
  }),

  session: {
    get: endpoint('get', '/session', 'Who is signed in', { access: 'public', reply: sessionSchema }),
    signIn: endpoint('post', '/session', 'Sign in', {
      access: 'public',
      body: signInSchema,
      reply: sessionSchema,
    }),
    register: endpoint(
      'post',
      '/session/register',
      'Make an account; the answer is the same when the address has one',
      {
        access: 'public',
        body: registerSchema,
        reply: okSchema,
      },
    ),
    changePassword: endpoint('put', '/session/password', 'Change the password; ends all other sessions', {
      body: passwordChangeSchema,
      reply: okSchema,
    }),
    signOut: endpoint('delete', '/session', 'Sign out', { access: 'public', reply: okSchema }),
    settings: endpoint('put', '/session/settings', 'Keep units and bank layout', {
      body: settingsSchema,
      reply: settingsSchema,
    }),
  },
  account: {
    deletionPreview: endpoint(
      'get',
      '/account/deletion-preview',
      'What goes and what stays when I delete my account',
      {
        reply: accountEffectSchema,
      },
    ),
    remove: endpoint('post', '/account/removal', 'Delete my account', {
      body: accountDeletionSchema,
      reply: okSchema,
    }),
  },
  drills: { list: endpoint('get', '/drills', 'The drills I teach', { reply: z.array(drillSchema) }) },
  teaching: {
    get: endpoint('get', '/teaching', 'What I teach, over what my circle and Doceo do', {
      reply: teachingSchema,
    }),
    update: endpoint('put', '/teaching', 'Save what I teach', {
      body: layerUpdateSchema,
      reply: teachingSchema,
    }),
    show: endpoint('put', '/teaching/shown', 'Show what I teach to a circle; null for nobody', {
      body: z.strictObject({ circleId: idSchema.nullable() }),
      reply: teachingSchema,
    }),
    follow: endpoint('put', '/teaching/circle', 'Teach by what a circle teaches; null for none', {
      body: z.strictObject({ circleId: idSchema.nullable() }),
      reply: teachingSchema,
    }),
    shown: endpoint('get', '/teaching/shown', 'What fellows of my circles show', {
      reply: z.array(shownLayerSchema),
    }),
    updateCircle: endpoint('put', '/circles/:id/teaching', 'Save what a circle teaches', {
      params: byId,
      body: layerUpdateSchema,
      reply: teachingSchema,
    }),
  },
  waters: {
    list: endpoint('get', '/waters', 'Waters of mine and of my circles', {
      reply: z.array(savedWaterSchema),
    }),
    get: endpoint('get', '/waters/:id', 'One water', { params: byId, reply: savedWaterSchema }),
    create: endpoint('post', '/waters', 'Add a water', {
      body: z.strictObject({ id: idSchema, water: waterSchema }),
      reply: savedWaterSchema,
    }),
    change: endpoint('patch', '/waters/:id', 'Change a water or its rule card, field by field', {
      params: byId,
      body: waterChangeSchema,
      reply: savedWaterSchema,
    }),
    deletionPreview: endpoint('get', '/waters/:id/deletion-preview', 'What goes when a water is deleted', {
      params: byId,
      reply: waterDeletionSchema,
    }),
    remove: endpoint('delete', '/waters/:id', 'Delete a water at which there is no lesson', {
      params: byId,
      reply: okSchema,
    }),
    share: endpoint('post', '/waters/:id/share', 'Share a water with a circle, or keep it to oneself again', {
      params: byId,
      body: z.strictObject({ circleId: idSchema.nullable() }),
      reply: savedWaterSchema,
    }),
    give: endpoint('post', '/waters/:id/give', 'Give a water to a fellow of one of my circles', {
      params: byId,
      body: z.strictObject({ userId: idSchema }),
      reply: okSchema,
    }),
    setCalendar: endpoint(
      'put',
      '/waters/:id/calendar',
      'What lives in a water, by month; null for the usual',
      {
        params: byId,
        body: z.strictObject({ calendar: calendarSchema.nullable() }),
        reply: savedWaterSchema,
      },
    ),
    conditions: endpoint('get', '/waters/:id/conditions', 'Hourly conditions of a day at a water', {
      params: byId,
      query: conditionsQuerySchema,
      reply: conditionDaySchema,
    }),
    outlook: endpoint('get', '/waters/:id/outlook', 'Hourly conditions of up to fourteen days at a water', {
      params: byId,
      query: outlookQuerySchema,
      reply: z.array(conditionDaySchema),
    }),
    beats: endpoint('get', '/waters/:id/beats', 'River beats of a water, seen from above', {
      params: byId,
      reply: z.array(savedBeatSchema),
    }),
    saveBeat: endpoint('put', '/waters/:id/beats/:beatId', 'Add or change a beat; version 0 adds', {
      params: z.strictObject({ id: idSchema, beatId: idSchema }),
      body: z.strictObject({ beat: beatSchema, baseVersion: z.int().min(0) }),
      reply: savedBeatSchema,
    }),
    removeBeat: endpoint('delete', '/waters/:id/beats/:beatId', 'Take a beat out', {
      params: z.strictObject({ id: idSchema, beatId: idSchema }),
      reply: okSchema,
    }),
    lake: endpoint('get', '/waters/:id/lake', 'The drawing of a still water, null while there is none', {
      params: byId,
      reply: z.strictObject({ saved: savedLakeSchema.nullable() }),
    }),
    saveLake: endpoint('put', '/waters/:id/lake', 'Draw a still water; version 0 draws it first', {
      params: byId,
      body: z.strictObject({ lake: lakeSchema, baseVersion: z.int().min(0) }),
      reply: savedLakeSchema,
    }),
    saveReadings: endpoint('put', '/waters/:id/readings', 'Readings over the station; the same id replaces', {
      params: byId,
      body: z.strictObject({ readings: z.array(conditionReadingSchema).min(1).max(MAX_READINGS) }),
      reply: okSchema,
    }),
    removeReading: endpoint('delete', '/waters/:id/readings/:readingId', 'Take a reading back', {
      params: z.strictObject({ id: idSchema, readingId: idSchema }),
      reply: okSchema,
    }),
    readCard: endpoint('post', '/waters/:id/card-read', 'I read the rule card at its source today', {
      params: byId,
      reply: savedWaterSchema,
    }),
  },
  students: {
    list: endpoint('get', '/students', 'Students I may see', { reply: z.array(savedStudentSchema) }),
    overview: endpoint('get', '/students/overview', 'What counts for estimates, of all students I may see', {
      reply: z.array(eventSchema),
    }),
    get: endpoint('get', '/students/:id', 'One student', { params: byId, reply: savedStudentSchema }),
    create: endpoint('post', '/students', 'Add a student', {
      body: z.strictObject({ id: idSchema, student: studentSchema }),
      reply: savedStudentSchema,
    }),
    update: endpoint('put', '/students/:id', 'Change a student', {
      params: byId,
      body: studentSchema,
      reply: savedStudentSchema,
    }),
    export: endpoint('get', '/students/:id/export', 'Everything there is about one student', {
      params: byId,
      reply: studentFileSchema,
      slow: true,
    }),
    import: endpoint('post', '/students/import', 'Take in a student with the whole record from a file', {
      body: studentFileSchema,
      reply: savedStudentSchema,
      slow: true,
    }),
    deletionPreview: endpoint(
      'get',
      '/students/:id/deletion-preview',
      'What goes when a student is deleted',
      {
        params: byId,
        reply: deletionEffectSchema,
      },
    ),
    remove: endpoint('delete', '/students/:id', 'Delete a student with the whole record', {
      params: byId,
      reply: okSchema,
    }),
    accessLog: endpoint('get', '/students/:id/access-log', 'Who looked at the record', {
      params: byId,
      reply: z.array(lookSchema),
    }),
  },
  skillFit: {
    get: endpoint('get', '/skill-fit', 'Learning parameters fitted to all records of this installation', {
      reply: fitStatusSchema,
    }),
    start: endpoint('post', '/skill-fit', 'Fit them anew; a fit that runs already goes on', {
      reply: fitStatusSchema,
    }),
  },
  rigs: {
    list: endpoint('get', '/rigs', 'My rigs', { reply: z.array(savedRigSchema) }),
    get: endpoint('get', '/rigs/:id', 'One rig', { params: byId, reply: savedRigSchema }),
    create: endpoint('post', '/rigs', 'Save a new rig', {
      body: z.strictObject({ id: idSchema, name: rigNameSchema, rig: rigSchema, studentId: tiedBySchema }),
      reply: savedRigSchema,
    }),
    update: endpoint('put', '/rigs/:id', 'Save a rig', {
      params: byId,
      body: z.strictObject({
        name: rigNameSchema,
        rig: rigSchema,
        studentId: tiedBySchema,
        baseVersion: versionSchema,
      }),
      reply: savedRigSchema,
    }),
    remove: endpoint('delete', '/rigs/:id', 'Delete a rig', { params: byId, reply: okSchema }),
  },
  readings: {
    list: endpoint('get', '/readings', 'What I or my students’ instructors measured', {
      reply: z.array(savedReadingSchema),
    }),
    create: endpoint('post', '/readings', 'Keep a reading', {
      body: takenReadingSchema,
      reply: savedReadingSchema,
    }),
    remove: endpoint('delete', '/readings/:id', 'Strike a reading of mine', {
      params: byId,
      reply: okSchema,
    }),
  },
  flyBox: {
    get: endpoint('get', '/fly-box', 'My fly box', { reply: savedFlyBoxSchema }),
    update: endpoint('put', '/fly-box', 'Save my fly box', {
      body: flyBoxUpdateSchema,
      reply: savedFlyBoxSchema,
    }),
  },
  kit: {
    get: endpoint('get', '/kit', 'What I have to teach with', { reply: savedKitSchema }),
    update: endpoint('put', '/kit', 'Save what I have to teach with', {
      body: kitUpdateSchema,
      reply: savedKitSchema,
    }),
  },
  plans: {
    list: endpoint('get', '/plans', 'My plans and those shared with my circles', {
      reply: z.array(planSummarySchema),
    }),
    get: endpoint('get', '/plans/:id', 'One plan', { params: byId, reply: savedPlanSchema }),
    create: endpoint('post', '/plans', 'Make a plan', {
      body: z.strictObject({ id: idSchema, title: planTitleSchema, body: planBodySchema }),
      reply: savedPlanSchema,
    }),
    update: endpoint('put', '/plans/:id', 'Save a plan', {
      params: byId,
      body: z.strictObject({ title: planTitleSchema, body: planBodySchema, baseVersion: versionSchema }),
      reply: savedPlanSchema,
    }),
    remove: endpoint('delete', '/plans/:id', 'Delete a plan', { params: byId, reply: okSchema }),
    share: endpoint('post', '/plans/:id/share', 'Share with a circle, or make private again', {
      params: byId,
      body: z.strictObject({ circleId: idSchema.nullable() }),
      reply: savedPlanSchema,
    }),
    copy: endpoint('post', '/plans/:id/copy', 'Take my own copy', {
      params: byId,
      body: z.strictObject({ id: idSchema }),
      reply: savedPlanSchema,
    }),
  },
  lessons: {
    list: endpoint('get', '/lessons', 'My lessons, by date', { reply: z.array(savedLessonSchema) }),
    get: endpoint('get', '/lessons/:id', 'One lesson', { params: byId, reply: savedLessonSchema }),
    plan: endpoint('get', '/lessons/:id/plan', 'The plan as it is taught in a lesson', {
      params: byId,
      reply: lessonPlanSchema,
    }),
    create: endpoint('post', '/lessons', 'Put a plan on a day', {
      body: z.strictObject({ id: idSchema, lesson: lessonSchema }),
      reply: savedLessonSchema,
    }),
    update: endpoint('put', '/lessons/:id', 'Change day, water or students', {
      params: byId,
      body: lessonSchema,
      reply: savedLessonSchema,
    }),
    remove: endpoint('delete', '/lessons/:id', 'Take a lesson without records off the calendar', {
      params: byId,
      reply: okSchema,
    }),
  },
  courses: {
    list: endpoint('get', '/courses', 'My courses, the last to end first', {
      reply: z.array(savedCourseSchema),
    }),
    create: endpoint('post', '/courses', 'Set goals for a group by a day', {
      body: z.strictObject({ id: idSchema, course: courseSchema }),
      reply: savedCourseSchema,
    }),
    update: endpoint('put', '/courses/:id', 'Change goals, days or students', {
      params: byId,
      body: courseSchema,
      reply: savedCourseSchema,
    }),
    remove: endpoint('delete', '/courses/:id', 'Delete a course; its lessons stay', {
      params: byId,
      reply: okSchema,
    }),
  },
  events: {
    list: endpoint(
      'get',
      '/events',
      'Events of a student (an opened record), of a lesson, or what counts for estimates of all its students',
      { query: eventQuerySchema, reply: z.array(eventSchema) },
    ),
    add: endpoint('post', '/events', 'Store events; sending one twice stores it once', {
      body: eventBatchSchema,
      describedBody: describedEventBatchSchema,
      reply: eventReceiptSchema,
    }),
  },
  circles: {
    list: endpoint('get', '/circles', 'Circles I am in', { reply: z.array(circleSchema) }),
    create: endpoint('post', '/circles', 'Found a circle', {
      body: z.strictObject({ id: idSchema, name: circleNameSchema }),
      reply: circleSchema,
    }),
    invite: endpoint('post', '/circles/:id/invitations', 'Ask somebody to join, by e-mail', {
      params: byId,
      body: z.strictObject({ email: emailSchema, role: z.enum(ROLES) }),
      reply: circleSchema,
    }),
    withdraw: endpoint('delete', '/circles/:id/invitations/:email', 'Take an invitation back', {
      params: z.strictObject({ id: idSchema, email: emailSchema }),
      reply: circleSchema,
    }),
    invitations: endpoint('get', '/invitations', 'Circles that ask me to join', {
      reply: z.array(invitationSchema),
    }),
    answer: endpoint('post', '/invitations/:id', 'Join a circle that asked, or decline', {
      params: byId,
      body: z.strictObject({ accept: z.boolean() }),
      reply: okSchema,
    }),
    setRole: endpoint('put', '/circles/:id/members/:userId', 'Change what a member may do', {
      params: z.strictObject({ id: idSchema, userId: idSchema }),
      body: z.strictObject({ role: z.enum(ROLES) }),
      reply: circleSchema,
    }),
    removeMember: endpoint('delete', '/circles/:id/members/:userId', 'Take an instructor out', {
      params: z.strictObject({ id: idSchema, userId: idSchema }),
      reply: okSchema,
    }),
    leave: endpoint('post', '/circles/:id/leave', 'Leave a circle', { params: byId, reply: okSchema }),
  },
};

/** All endpoints in one list. */
export function allEndpoints(): Endpoint[] {
  return Object.values(api).flatMap((entry) =>
    'method' in entry ? [entry] : Object.values(entry),
  ) as Endpoint[];
}
