import * as z from 'zod';
import { courseSchema, savedCourseSchema } from '../lesson/course';
import { idSchema, okSchema } from '../common';
import {
  describedEventBatchSchema,
  eventBatchSchema,
  eventQuerySchema,
  eventReceiptSchema,
  eventSchema,
  MAX_EVENTS_BYTES,
} from '../lesson/event';
import {
  alongSchema,
  fellowInstructorsSchema,
  lessonPlanSchema,
  lessonSchema,
  savedLessonSchema,
} from '../lesson/lesson';
import { lessonQuerySchema, MAX_LISTED_LESSONS } from '../lesson/lesson-query';
import { endpoint, byId } from './endpoint';

/** Lessons. */
export const lessonsApi = {
  list: endpoint('get', '/lessons', 'My lessons around now, of a time, of a plan, or by ids; by date', {
    query: lessonQuerySchema,
    reply: z.array(savedLessonSchema).max(MAX_LISTED_LESSONS),
  }),
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
  fellows: endpoint('get', '/lessons/:id/fellows', 'Who could teach along in a lesson', {
    params: byId,
    reply: fellowInstructorsSchema,
  }),
  setInstructors: endpoint('put', '/lessons/:id/instructors', 'Say who teaches along, and whom each has', {
    params: byId,
    body: alongSchema,
    reply: savedLessonSchema,
  }),
  leave: endpoint('post', '/lessons/:id/leave', 'Teach along no more', {
    params: byId,
    body: z.strictObject({}),
    reply: okSchema,
  }),
};

/** Courses. */
export const coursesApi = {
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
};

/** The log of lessons. */
export const eventsApi = {
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
    maxBytes: MAX_EVENTS_BYTES,
  }),
};
