import * as z from 'zod';
import { idSchema, lineSchema } from '../common';
import { rigSchoolsSchema } from '../rig/rig';

export const emailSchema = z
  .email('write it like name@example.org')
  .max(190)
  .transform((email) => email.toLowerCase());
export const passwordSchema = z.string().min(10, 'ten characters or more').max(200);

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
  /** May do what concerns the whole installation. */
  admin: z.boolean(),
  settings: settingsSchema,
});
export type User = z.infer<typeof userSchema>;

export const demoAccountSchema = z.strictObject({ email: z.string(), password: z.string(), who: z.string() });
export type DemoAccount = z.infer<typeof demoAccountSchema>;
export const sessionSchema = z.strictObject({
  user: userSchema.nullable(),
  demo: z.array(demoAccountSchema),
  /** Whether strangers may make accounts. */
  registration: z.enum(['open', 'closed']),
  /** Seals what waits on a device while nobody is signed in there: 32 bytes in base64, null for a stranger. */
  deviceKey: z.string().nullable(),
});
export type Session = z.infer<typeof sessionSchema>;

export const signInSchema = z.strictObject({ email: emailSchema, password: z.string().min(1).max(200) });
export const registerSchema = z.strictObject({
  email: emailSchema,
  password: passwordSchema,
  name: lineSchema(80),
});

export const passwordChangeSchema = z.strictObject({
  current: z.string().min(1).max(200),
  next: passwordSchema,
});

/** What goes, and what others keep, when an account is deleted. */
export const accountEffectSchema = z.strictObject({
  students: z.int(),
  lessons: z.int(),
  events: z.int(),
  plans: z.int(),
  rigs: z.int(),
  waters: z.int(),
  /** Circles that end, since nobody else is in them. */
  circlesEnding: z.array(z.string()),
  /** Circles that need another owner first. */
  circlesWithoutOwner: z.array(z.string()),
  /** What circles keep, with who has it then. */
  kept: z.array(z.strictObject({ what: z.enum(['plan', 'water']), name: z.string(), keeper: z.string() })),
  /** Entries about students of fellows; they stay in those records. */
  eventsKept: z.int(),
});
export type AccountEffect = z.infer<typeof accountEffectSchema>;
export const accountDeletionSchema = z.strictObject({ password: z.string().min(1).max(200) });
