import * as z from 'zod';
import { idSchema, okSchema } from '../common';
import {
  assistantsSchema,
  assistBeginSchema,
  assistOfferSchema,
  assistTokenSchema,
} from '../people/assistant';
import { letterTokenSchema } from '../people/session';
import { byId, endpoint } from './endpoint';

/** Helping in one lesson without an account. */
export const assistantsApi = {
  list: endpoint('get', '/lessons/:id/assistants', 'Who helps in a lesson', {
    params: byId,
    reply: assistantsSchema,
  }),
  open: endpoint('post', '/lessons/:id/assistants', 'A code by which somebody helps in a lesson', {
    params: byId,
    reply: z.strictObject({ assistants: assistantsSchema, token: letterTokenSchema }),
  }),
  close: endpoint('delete', '/lessons/:id/assistants', 'Close the code; who helps goes on', {
    params: byId,
    reply: assistantsSchema,
  }),
  end: endpoint('delete', '/lessons/:id/assistants/:userId', 'End that somebody helps', {
    params: z.strictObject({ id: idSchema, userId: idSchema }),
    reply: assistantsSchema,
  }),
  look: endpoint('post', '/assist/look', 'What a code leads to', {
    access: 'public',
    body: assistTokenSchema,
    reply: assistOfferSchema,
  }),
  begin: endpoint('post', '/assist/begin', 'Help in a lesson, by name', {
    access: 'public',
    body: assistBeginSchema,
    reply: okSchema,
  }),
};
