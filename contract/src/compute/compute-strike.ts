import { NOISE_KINDS, TAKE_KINDS } from '@doceo/core';
import * as z from 'zod';

const degrees = z.number().min(-360).max(360).optional();
const timeSchema = z.number().min(0).max(3_600_000);

/** Commands about the set. What is left out of a set is that of a short cast across the stream. */
export const strikeCommands = {
  'set-geometry': {
    summary:
      'How far a set moves the fly and whither, and how hard it pulls against what breaks. Degrees from downstream.',
    input: z.strictObject({
      awayM: z.number().min(0.5).max(40).optional(),
      lineDeg: degrees,
      sweepDeg: degrees,
      sweepM: z.number().min(0).max(6).optional(),
      slackM: z.number().min(0).max(20).optional(),
      facingDeg: degrees,
      breaksAtN: z.number().min(0.1).max(500).optional(),
      rodNPerM: z.number().min(0.1).max(200).optional(),
    }),
    output: z.strictObject({
      takenM: z.number(),
      movesM: z.number(),
      movesDeg: z.number(),
      intoMouth: z.number(),
      pullN: z.number(),
      load: z.number(),
      verdict: z.enum(['nothing-tight', 'out-of-the-mouth', 'across', 'into-the-mouth', 'breaks']),
    }),
  },
  'take-score': {
    summary:
      'Hits, misses, false alarms, d′, bias and reaction, from what an indicator did and when it was set.',
    input: z.strictObject({
      stimuli: z
        .array(z.strictObject({ atMs: timeSchema, kind: z.enum([...TAKE_KINDS, ...NOISE_KINDS]) }))
        .max(10_000),
      setsMs: z.array(timeSchema).max(10_000),
      latestMs: z.number().min(50).max(10_000).default(1500),
    }),
    output: z.strictObject({
      hits: z.number(),
      misses: z.number(),
      falseAlarms: z.number(),
      passed: z.number(),
      onNothing: z.number(),
      dPrime: z.number(),
      bias: z.number(),
      medianMs: z.number().nullable(),
      fromMs: z.number().nullable(),
      toMs: z.number().nullable(),
      kinds: z.array(
        z.strictObject({
          kind: z.enum(TAKE_KINDS),
          shown: z.number(),
          hits: z.number(),
          dPrime: z.number(),
          bias: z.number(),
          medianMs: z.number().nullable(),
        }),
      ),
    }),
  },
} as const;
