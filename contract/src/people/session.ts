import * as z from 'zod';
import { idSchema, instantSchema, lineSchema } from '../common';
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
  /** The one lesson in which somebody helps without an account; null for everybody else. */
  assists: z.strictObject({ lessonId: idSchema, until: instantSchema, over: z.boolean() }).nullable(),
  settings: settingsSchema,
});
export type User = z.infer<typeof userSchema>;

export const demoAccountSchema = z.strictObject({ email: z.string(), password: z.string(), who: z.string() });
export type DemoAccount = z.infer<typeof demoAccountSchema>;
/** Which life of the data a server has: a new one begins when a backup is brought back. */
export const installationSchema = z.strictObject({
  life: z.string(),
  /** When the backup was taken; what was stored after it is gone from the server. */
  backTo: instantSchema.nullable(),
});
export type Installation = z.infer<typeof installationSchema>;

export const sessionSchema = z.strictObject({
  user: userSchema.nullable(),
  demo: z.array(demoAccountSchema),
  /** Whether strangers may make accounts. */
  registration: z.enum(['open', 'closed']),
  /** Whether letters go out: by a mail server, into the demo's own mailbox, or not at all. */
  mail: z.enum(['server', 'stand-in', 'none']),
  /** Seals what waits on a device while nobody is signed in there: 32 bytes in base64, null for a stranger. */
  deviceKey: z.string().nullable(),
  /** Null for a stranger. */
  installation: installationSchema.nullable(),
});
export type Session = z.infer<typeof sessionSchema>;

/** A code of the phone, or a spare one. */
export const codeSchema = z.string().trim().min(1, 'the code is needed').max(40);
export const signInSchema = z.strictObject({
  email: emailSchema,
  password: z.string().min(1).max(200),
  /** Of the second step, where the account has one. */
  code: codeSchema.optional(),
});
export const registerSchema = z.strictObject({
  email: emailSchema,
  password: passwordSchema,
  name: lineSchema(80),
});

export const passwordChangeSchema = z.strictObject({
  current: z.string().min(1).max(200),
  next: passwordSchema,
});

/** Asks for a new password by a letter. */
export const lostPasswordSchema = z.strictObject({ email: emailSchema });
/** What comes behind the `#` of a link: 128 bits. */
export const letterTokenSchema = z
  .string()
  .regex(/^[\w-]{22}$/, 'is not all of the link; copy it whole from the letter');
export const letterTokenBodySchema = z.strictObject({ token: letterTokenSchema });
export const newPasswordSchema = z.strictObject({ token: letterTokenSchema, password: passwordSchema });
/** Whose password a link replaces. */
export const lostPasswordOfSchema = z.strictObject({ email: z.string(), name: z.string() });

/** One browser or program that is signed in. */
export const signInPlaceSchema = z.strictObject({
  id: z.string(),
  /** Like “Firefox on Windows”, as the browser says itself. */
  browser: z.string(),
  since: instantSchema,
  /** To the hour. */
  usedAt: instantSchema,
  here: z.boolean(),
});
export type SignInPlace = z.infer<typeof signInPlaceSchema>;

/** The second step of signing in. */
export const secondFactorSchema = z.strictObject({ on: z.boolean(), spareCodes: z.int() });
/** What a phone is set up with: the secret to be typed, and the address to be drawn. */
export const secondFactorOfferSchema = z.strictObject({ secret: z.string(), address: z.string() });
export const passwordOnlySchema = z.strictObject({ password: z.string().min(1, 'it is needed').max(200) });
export const codeOnlySchema = z.strictObject({ code: codeSchema });
export const spareCodesSchema = z.strictObject({ spareCodes: z.array(z.string()) });
export const secondFactorEndSchema = z.strictObject({
  password: z.string().min(1, 'it is needed').max(200),
  code: codeSchema,
});

/** A letter in the mailbox of the demo. */
export const standInMailSchema = z.strictObject({
  id: z.int(),
  to: z.string(),
  subject: z.string(),
  text: z.string(),
  at: instantSchema,
});
export type StandInMail = z.infer<typeof standInMailSchema>;

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
