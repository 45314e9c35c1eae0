import { type Drill, GROUND_KINDS, STRANDS } from '@doceo/core';
import * as z from 'zod';

/** A drill of the library that ships. */
export const drillSchema = z.strictObject({
  id: z.string(),
  name: z.string(),
  strand: z.enum(STRANDS),
  skills: z.array(z.string()),
  minutes: z.strictObject({ min: z.number(), likely: z.number(), max: z.number() }),
  ground: z.enum(GROUND_KINDS),
  gear: z.array(z.string()),
  cue: z.string(),
  how: z.string(),
  success: z.strictObject({ good: z.number(), of: z.number(), at: z.string() }),
  watchFor: z.array(z.string()),
  lineOutM: z.number(),
  attemptsPerMin: z.number(),
  adaptation: z.string(),
}) satisfies z.ZodType<Drill>;
