import * as z from 'zod';
import type { Endpoint } from '../http/endpoint';
import { endpoint } from './endpoint';
import { sessionApi, accountApi, mailboxApi } from './accounts';
import { drillsApi, teachingApi, skillFitApi } from './teaching';
import { watersApi } from './waters';
import { accessApi, studentsApi } from './students';
import { recordsApi } from './records';
import { assistantsApi } from './assistants';
import { myPageApi, pagesApi } from './pages';
import { consentsApi, guardianApi, keepingApi } from './consents';
import { rigsApi, readingsApi, flyBoxApi, kitApi } from './tackle';
import { plansApi } from './plans';
import { lessonsApi, coursesApi, eventsApi } from './lessons';
import { linksApi, planFilesApi } from './leaving';
import { commentsApi, newsApi, proposalsApi, versionsApi } from './sharing';
import { circlesApi } from './circles';

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
  session: sessionApi,
  account: accountApi,
  mailbox: mailboxApi,
  drills: drillsApi,
  teaching: teachingApi,
  waters: watersApi,
  students: studentsApi,
  records: recordsApi,
  access: accessApi,
  consents: consentsApi,
  guardian: guardianApi,
  keeping: keepingApi,
  pages: pagesApi,
  myPage: myPageApi,
  assistants: assistantsApi,
  skillFit: skillFitApi,
  rigs: rigsApi,
  readings: readingsApi,
  flyBox: flyBoxApi,
  kit: kitApi,
  plans: plansApi,
  planFiles: planFilesApi,
  links: linksApi,
  versions: versionsApi,
  proposals: proposalsApi,
  comments: commentsApi,
  news: newsApi,
  lessons: lessonsApi,
  courses: coursesApi,
  events: eventsApi,
  circles: circlesApi,
};

/** All endpoints in one list. */
export function allEndpoints(): Endpoint[] {
  return Object.values(api).flatMap((entry) =>
    'method' in entry ? [entry] : Object.values(entry),
  ) as Endpoint[];
}
