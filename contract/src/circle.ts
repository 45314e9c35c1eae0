import * as z from 'zod';
import { idSchema, lineSchema } from './common';

export const ROLES = ['owner', 'editor', 'reader'] as const;
export const circleSchema = z.strictObject({
  id: idSchema,
  name: z.string(),
  role: z.enum(ROLES),
  members: z.array(z.strictObject({ userId: idSchema, name: z.string(), role: z.enum(ROLES) })),
});
export type Circle = z.infer<typeof circleSchema>;
export const circleNameSchema = lineSchema(80);
