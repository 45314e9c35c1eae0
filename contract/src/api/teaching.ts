import * as z from 'zod';
import { idSchema } from '../common';
import { drillSchema } from '../curriculum/entries';
import { layerUpdateSchema, MAX_LAYER_BYTES, shownLayerSchema, teachingSchema } from '../curriculum/layer';
import { fitStatusSchema } from '../people/skill-fit';
import { endpoint, byId } from './endpoint';

/** Drills. */
export const drillsApi = {
  list: endpoint('get', '/drills', 'The drills I teach', { reply: z.array(drillSchema) }),
};

/** What is taught. */
export const teachingApi = {
  get: endpoint('get', '/teaching', 'What I teach, over what my circle and Doceo do', {
    reply: teachingSchema,
  }),
  update: endpoint('put', '/teaching', 'Save what I teach', {
    body: layerUpdateSchema,
    reply: teachingSchema,
    maxBytes: MAX_LAYER_BYTES,
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
    maxBytes: MAX_LAYER_BYTES,
  }),
};

/** Learning parameters. */
export const skillFitApi = {
  get: endpoint('get', '/skill-fit', 'Learning parameters fitted to all records of this installation', {
    reply: fitStatusSchema,
  }),
  start: endpoint('post', '/skill-fit', 'Fit them anew; a fit that runs already goes on', {
    reply: fitStatusSchema,
  }),
};
