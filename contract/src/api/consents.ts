import * as z from 'zod';
import { idSchema, okSchema } from '../common';
import {
  askConsentSchema,
  askedConsentSchema,
  consentAnswerSchema,
  consentNewsSchema,
  consentPageSchema,
  consentRemovalSchema,
  consentTokenSchema,
} from '../people/consent';
import { letterTokenSchema } from '../people/session';
import { keepingChangeSchema, keepingSchema } from '../people/keeping';
import { studentFileSchema } from '../people/student-file';
import { byId, endpoint } from './endpoint';

const ofStudent = z.strictObject({ id: idSchema, consentId: idSchema });

/** Whether guardians agree that a record is kept, asked by the instructor. */
export const consentsApi = {
  news: endpoint('get', '/consents', 'Where the consent of a guardian waits or changed', {
    reply: z.array(consentNewsSchema),
  }),
  list: endpoint('get', '/students/:id/consents', 'What guardians of a student were asked, newest first', {
    params: byId,
    reply: z.array(askedConsentSchema),
  }),
  ask: endpoint('post', '/students/:id/consents', 'Ask a guardian by a letter or a link', {
    params: byId,
    body: askConsentSchema,
    /** The token of a link that is handed over; null when a letter brings it. */
    reply: z.strictObject({ asked: z.array(askedConsentSchema), token: letterTokenSchema.nullable() }),
  }),
  know: endpoint('post', '/students/:id/consents/:consentId', 'Say that whoever answered is the guardian', {
    params: ofStudent,
    reply: z.array(askedConsentSchema),
  }),
  withdraw: endpoint('delete', '/students/:id/consents/:consentId', 'Close a question that nobody answered', {
    params: ofStudent,
    reply: z.array(askedConsentSchema),
  }),
};

/** The same from the guardian's side, by the token of the link and without an account. */
export const guardianApi = {
  look: endpoint('post', '/consent/look', 'What is kept of a student, for how long, and who sees it', {
    access: 'public',
    body: consentTokenSchema,
    reply: consentPageSchema,
  }),
  answer: endpoint('post', '/consent/answer', 'Agree to it, or not', {
    access: 'public',
    body: consentAnswerSchema,
    reply: consentPageSchema,
  }),
  takeBack: endpoint('post', '/consent/take-back', 'Take a consent back, which ends the recording', {
    access: 'public',
    body: consentTokenSchema,
    reply: consentPageSchema,
  }),
  file: endpoint('post', '/consent/file', 'Everything there is about the student, for the guardian', {
    access: 'public',
    body: consentTokenSchema,
    reply: studentFileSchema,
    slow: true,
  }),
  remove: endpoint('post', '/consent/remove', 'Have the student deleted with the whole record', {
    access: 'public',
    body: consentRemovalSchema,
    reply: okSchema,
  }),
};

/** How long records are kept. */
export const keepingApi = {
  get: endpoint('get', '/keeping', 'How long my records are kept, and what goes next', {
    reply: keepingSchema,
  }),
  own: endpoint('put', '/keeping', 'Set how long my records are kept', {
    body: keepingChangeSchema,
    reply: keepingSchema,
  }),
  ofCircle: endpoint(
    'put',
    '/circles/:id/keeping',
    'Set how long records of a circle’s instructors are kept',
    {
      params: byId,
      body: keepingChangeSchema,
      reply: keepingSchema,
    },
  ),
};
