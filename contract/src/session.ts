import * as z from 'zod';
import { idSchema, lineSchema } from './common';
import { rigSchoolsSchema } from './rig';

export const emailSchema = z
  .email()
  .max(190)
  .transform((email) => email.toLowerCase());
export const passwordSchema = z.string().min(10).max(200);

export const settingsSchema = z.strictObject({
  units: z.enum(['metric', 'imperial']),
  bankHand: z.enum(['right', 'left']),
  schools: rigSchoolsSchema,
});
export type Settings = z.infer<typeof settingsSchema>;

export const userSchema = z.strictObject({
  id: idSchema,
  name: z.string(),
  email: z.string(),
  settings: settingsSchema,
});
export type User = z.infer<typeof userSchema>;

export const demoAccountSchema = z.strictObject({ email: z.string(), password: z.string(), who: z.string() });
export type DemoAccount = z.infer<typeof demoAccountSchema>;
export const sessionSchema = z.strictObject({
  user: userSchema.nullable(),
  demo: z.array(demoAccountSchema),
});
export type Session = z.infer<typeof sessionSchema>;

export const signInSchema = z.strictObject({ email: emailSchema, password: z.string().min(1).max(200) });
export const registerSchema = z.strictObject({
  email: emailSchema,
  password: passwordSchema,
  name: lineSchema(80),
});
