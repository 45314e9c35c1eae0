import * as z from 'zod';
import { kitUpdateSchema, savedKitSchema } from '../lesson/kit';
import { idSchema, okSchema, versionSchema } from '../common';
import { flyBoxUpdateSchema, savedFlyBoxSchema } from '../rig/fly-box';
import { savedReadingSchema, takenReadingSchema } from '../rig/reading';
import { rigNameSchema, rigSchema, savedRigSchema } from '../rig/rig';
import { endpoint, byId } from './endpoint';

/** The student whose knots a rig has; left out for none. */
const tiedBySchema = idSchema.nullable().default(null);

/** Rigs. */
export const rigsApi = {
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
};

/** What was measured of tackle. */
export const readingsApi = {
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
};

/** Fly boxes. */
export const flyBoxApi = {
  get: endpoint('get', '/fly-box', 'My fly box', { reply: savedFlyBoxSchema }),
  update: endpoint('put', '/fly-box', 'Save my fly box', {
    body: flyBoxUpdateSchema,
    reply: savedFlyBoxSchema,
  }),
};

/** What there is to teach with. */
export const kitApi = {
  get: endpoint('get', '/kit', 'What I have to teach with', { reply: savedKitSchema }),
  update: endpoint('put', '/kit', 'Save what I have to teach with', {
    body: kitUpdateSchema,
    reply: savedKitSchema,
  }),
};
