import * as z from 'zod';
import { idSchema, okSchema } from '../common';
import { beatSchema, savedBeatSchema } from '../water/beat';
import {
  conditionDaySchema,
  conditionReadingSchema,
  conditionsQuerySchema,
  MAX_READINGS,
  outlookQuerySchema,
} from '../water/conditions';
import { lakeSchema, MAX_LAKE_BYTES, savedLakeSchema } from '../water/lake';
import { calendarSchema } from '../rig/fly-box';
import { savedWaterSchema, waterChangeSchema, waterDeletionSchema, waterSchema } from '../water/water';
import { endpoint, byId } from './endpoint';

/** Waters, their drawings and readings. */
export const watersApi = {
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
    maxBytes: MAX_LAKE_BYTES,
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
};
