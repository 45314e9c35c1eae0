import * as z from 'zod';
import { circleNameSchema, circleSchema, invitationSchema, offerSchema, ROLES } from '../people/circle';
import { idSchema, okSchema } from '../common';
import { emailSchema, letterTokenBodySchema, letterTokenSchema } from '../people/session';
import { workedSchema } from '../people/worked';
import { endpoint, byId } from './endpoint';

/** Circles and who is in them. */
export const circlesApi = {
  list: endpoint('get', '/circles', 'Circles I am in', { reply: z.array(circleSchema) }),
  create: endpoint('post', '/circles', 'Found a circle', {
    body: z.strictObject({ id: idSchema, name: circleNameSchema }),
    reply: circleSchema,
  }),
  invite: endpoint('post', '/circles/:id/invitations', 'Ask somebody to join, by e-mail', {
    params: byId,
    body: z.strictObject({ email: emailSchema, role: z.enum(ROLES) }),
    reply: circleSchema,
  }),
  withdraw: endpoint('delete', '/circles/:id/invitations/:email', 'Take an invitation back', {
    params: z.strictObject({ id: idSchema, email: emailSchema }),
    reply: circleSchema,
  }),
  makeLink: endpoint('post', '/circles/:id/links', 'A link by which one person may join, for a week', {
    params: byId,
    body: z.strictObject({ id: idSchema, role: z.enum(ROLES) }),
    reply: z.strictObject({ circle: circleSchema, token: letterTokenSchema }),
  }),
  closeLink: endpoint('delete', '/circles/:id/links/:linkId', 'Close a link to a circle', {
    params: z.strictObject({ id: idSchema, linkId: idSchema }),
    reply: circleSchema,
  }),
  offer: endpoint('post', '/offers/look', 'What a link to a circle offers', {
    body: letterTokenBodySchema,
    reply: offerSchema,
  }),
  take: endpoint('post', '/offers/answer', 'Join by a link, or decline', {
    body: letterTokenBodySchema.extend({ accept: z.boolean() }),
    reply: okSchema,
  }),
  invitations: endpoint('get', '/invitations', 'Circles that ask me to join', {
    reply: z.array(invitationSchema),
  }),
  answer: endpoint('post', '/invitations/:id', 'Join a circle that asked, or decline', {
    params: byId,
    body: z.strictObject({ accept: z.boolean() }),
    reply: okSchema,
  }),
  setRole: endpoint('put', '/circles/:id/members/:userId', 'Change what a member may do', {
    params: z.strictObject({ id: idSchema, userId: idSchema }),
    body: z.strictObject({ role: z.enum(ROLES) }),
    reply: circleSchema,
  }),
  removeMember: endpoint('delete', '/circles/:id/members/:userId', 'Take an instructor out', {
    params: z.strictObject({ id: idSchema, userId: idSchema }),
    reply: okSchema,
  }),
  worked: endpoint('get', '/circles/:id/worked', 'How well drills worked, over the schools that tell', {
    params: byId,
    reply: workedSchema,
    slow: true,
  }),
  tell: endpoint('put', '/circles/:id/telling', 'Tell other schools how drills worked here, or do not', {
    params: byId,
    body: z.strictObject({ tells: z.boolean() }),
    reply: okSchema,
  }),
  leave: endpoint('post', '/circles/:id/leave', 'Leave a circle', { params: byId, reply: okSchema }),
};
