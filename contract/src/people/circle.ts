import * as z from 'zod';
import { idSchema, instantSchema, lineSchema } from '../common';

export const ROLES = ['owner', 'editor', 'reader'] as const;
export const circleSchema = z.strictObject({
  id: idSchema,
  name: z.string(),
  role: z.enum(ROLES),
  members: z.array(z.strictObject({ userId: idSchema, name: z.string(), role: z.enum(ROLES) })),
  /** Who was asked and has not answered; told to owners only. */
  invited: z.array(z.strictObject({ email: z.string(), role: z.enum(ROLES), at: instantSchema })),
  /** Links by which somebody may still join; told to owners only. */
  links: z.array(z.strictObject({ id: idSchema, role: z.enum(ROLES), until: instantSchema })),
});
export type Circle = z.infer<typeof circleSchema>;
export const circleNameSchema = lineSchema(80);

/** A circle that asks the user to join. */
export const invitationSchema = z.strictObject({
  circleId: idSchema,
  circleName: z.string(),
  role: z.enum(ROLES),
  invitedBy: z.string(),
  at: instantSchema,
});
export type Invitation = z.infer<typeof invitationSchema>;

/** What a link offers whoever brings its token. */
export const offerSchema = z.strictObject({
  circleName: z.string(),
  role: z.enum(ROLES),
  invitedBy: z.string(),
  /** Whether he is in it already. */
  member: z.boolean(),
});
