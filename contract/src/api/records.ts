import * as z from 'zod';
import { effectsSchema, recordQuerySchema, progressSchema, studentColumnsSchema } from '../people/record';
import { endpoint } from './endpoint';

/** What records come to, without remarks, fish or names: for lists, groups and plans. */
export const recordsApi = {
  list: endpoint('get', '/records', 'What counts for estimates, of some students whom I may see', {
    query: recordQuerySchema,
    reply: z.array(studentColumnsSchema),
  }),
  progress: endpoint('get', '/records/progress', 'Where each student stands whom I may see', {
    reply: z.array(progressSchema),
    slow: true,
  }),
  effects: endpoint(
    'get',
    '/records/effects',
    'How well drills and plans worked with the students I may see',
    {
      reply: effectsSchema,
      slow: true,
    },
  ),
};
