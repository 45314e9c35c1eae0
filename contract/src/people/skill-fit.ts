import type { FittedSkills } from '@doceo/core';
import * as z from 'zod';
import { instantSchema } from '../common';

const probabilitySchema = z.number().min(0).max(1);

export const tracingParametersSchema = z.strictObject({
  initial: probabilitySchema,
  learn: probabilitySchema,
  slip: probabilitySchema,
  guess: probabilitySchema,
});

export const skillFitSchema = z.strictObject({
  enough: z.boolean(),
  students: z.int().min(0),
  attempts: z.int().min(0),
  mean: tracingParametersSchema,
  spread: tracingParametersSchema,
});

/** How far what was done at home is believed: the share that is left of the trust in the same in a lesson. */
export const homeTrustSchema = z.strictObject({
  /** Whether there was enough to learn it from; else it is a rule of thumb. */
  enough: z.boolean(),
  students: z.int().min(0),
  attempts: z.int().min(0),
  trust: probabilitySchema,
  spread: probabilitySchema,
});

/** How the fit of the installation's own records stands: the job, and what the last one that ended found. */
export const fitStatusSchema = z.strictObject({
  state: z.enum(['never', 'running', 'done', 'failed']),
  /** Skills done of all. */
  done: z.int().min(0),
  of: z.int().min(0),
  startedAt: instantSchema.nullable(),
  endedAt: instantSchema.nullable(),
  /** By skill id; those with too few records are told too, with their counts. */
  skills: z.record(z.string(), skillFitSchema),
  /** Null before the first fit. */
  home: homeTrustSchema.nullable(),
});
export type FitStatus = z.infer<typeof fitStatusSchema>;

/** The parameters that estimates take: those of the skills, with how far home is believed where that was learned. */
export function fittedOf({ skills, home }: Pick<FitStatus, 'skills' | 'home'>): FittedSkills {
  if (!home?.enough) return skills;
  return Object.fromEntries(Object.entries(skills).map(([id, fit]) => [id, { ...fit, home: home.trust }]));
}
