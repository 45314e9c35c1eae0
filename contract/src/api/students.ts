import * as z from 'zod';
import { idSchema, okSchema } from '../common';
import {
  MAX_LISTED_STUDENTS,
  savedStudentSchema,
  studentQuerySchema,
  studentSchema,
} from '../people/student';
import {
  accessGrantSchema,
  handOverSchema,
  incomingStudentSchema,
  studentAccessSchema,
} from '../people/access';
import {
  deletionEffectSchema,
  lookSchema,
  MAX_STUDENT_FILE,
  studentFileSchema,
} from '../people/student-file';
import { endpoint, byId } from './endpoint';

/** Students and their records. */
export const studentsApi = {
  list: endpoint('get', '/students', 'Students I may see, by name, a page at a time', {
    query: studentQuerySchema,
    reply: z.array(savedStudentSchema).max(MAX_LISTED_STUDENTS),
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
    maxBytes: MAX_STUDENT_FILE,
  }),
  deletionPreview: endpoint('get', '/students/:id/deletion-preview', 'What goes when a student is deleted', {
    params: byId,
    reply: deletionEffectSchema,
  }),
  remove: endpoint('delete', '/students/:id', 'Delete a student with the whole record', {
    params: byId,
    reply: okSchema,
  }),
  accessLog: endpoint('get', '/students/:id/access-log', 'Who looked at the record', {
    params: byId,
    reply: z.array(lookSchema),
  }),
};

const ofSomebody = z.strictObject({ id: idSchema, userId: idSchema });

/** Who else sees a student's record, and to whom he goes over. */
export const accessApi = {
  get: endpoint('get', '/students/:id/access', 'Who else may see a record', {
    params: byId,
    reply: studentAccessSchema,
  }),
  give: endpoint('put', '/students/:id/access/:userId', 'Let a fellow see a record, for a time', {
    params: ofSomebody,
    body: accessGrantSchema,
    reply: studentAccessSchema,
  }),
  end: endpoint('delete', '/students/:id/access/:userId', 'End what a fellow may see', {
    params: ofSomebody,
    reply: studentAccessSchema,
  }),
  handOver: endpoint('post', '/students/:id/hand-over', 'Hand a student over, with who agreed to it', {
    params: byId,
    body: handOverSchema,
    reply: studentAccessSchema,
  }),
  keep: endpoint('delete', '/students/:id/hand-over', 'Keep a student who was to go over', {
    params: byId,
    reply: studentAccessSchema,
  }),
  incoming: endpoint('get', '/hand-overs', 'Students whom others hand over to me', {
    reply: z.array(incomingStudentSchema),
  }),
  answer: endpoint('post', '/hand-overs/:id', 'Take a student over, or decline', {
    params: byId,
    body: z.strictObject({ accept: z.boolean() }),
    reply: okSchema,
  }),
};
