import * as z from 'zod';
import { idSchema, okSchema } from '../common';
import { letterTokenSchema } from '../people/session';
import {
  homeJudgementSchema,
  homeSendingSchema,
  homeWaitingSchema,
  newStudentLinkSchema,
  openedPageSchema,
  pageGuardianSchema,
  pageTokenSchema,
  studentLinkSchema,
} from '../people/student-page';
import { byId, endpoint } from './endpoint';

/** Pages of students: links to them, and what comes back. */
export const pagesApi = {
  list: endpoint('get', '/students/:id/pages', 'Links to a student’s page, newest first', {
    params: byId,
    reply: z.array(studentLinkSchema),
  }),
  make: endpoint('post', '/students/:id/pages', 'A link to a student’s page', {
    params: byId,
    body: newStudentLinkSchema,
    reply: z.strictObject({ links: z.array(studentLinkSchema), token: letterTokenSchema }),
  }),
  close: endpoint('delete', '/students/:id/pages/:pageId', 'Close a link to a student’s page', {
    params: z.strictObject({ id: idSchema, pageId: idSchema }),
    reply: z.array(studentLinkSchema),
  }),
  news: endpoint('get', '/home', 'How much of my students waits to be looked at', {
    reply: z.array(z.strictObject({ studentId: idSchema, entries: z.int() })),
  }),
  waiting: endpoint('get', '/students/:id/home', 'What a student did at home and nobody has looked at', {
    params: byId,
    reply: z.array(homeWaitingSchema),
  }),
  judge: endpoint('post', '/students/:id/home', 'Let what was done at home count, or not', {
    params: byId,
    body: homeJudgementSchema,
    reply: z.array(homeWaitingSchema),
  }),
};

/** The same from the student's side, by the token of the link and without an account. */
export const myPageApi = {
  look: endpoint('post', '/my/look', 'A student’s own page', {
    access: 'public',
    body: pageTokenSchema,
    reply: openedPageSchema,
  }),
  open: endpoint('post', '/my/open', 'Open the page of a minor as the guardian', {
    access: 'public',
    body: pageGuardianSchema,
    reply: openedPageSchema,
  }),
  send: endpoint('post', '/my/send', 'Send back what was done at home', {
    access: 'public',
    body: homeSendingSchema,
    reply: okSchema,
  }),
};
