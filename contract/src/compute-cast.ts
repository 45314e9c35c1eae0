import { z } from 'zod';

const throwSchema = {
  lineM: z.number().min(0.5).max(40).optional(),
  speedMs: z.number().min(1).max(60).optional(),
  massPerM: z.number().min(0.0001).max(0.01).optional(),
  diameterM: z.number().min(0.0002).max(0.005).optional(),
  skinFriction: z.number().min(0).max(1).optional(),
  flyDragAreaM2: z.number().min(0).max(0.01).optional(),
  loopDrag: z.number().min(0).max(3).optional(),
  loopHeightM: z.number().min(0).max(5).optional(),
  headWindMs: z.number().min(-20).max(20).optional(),
};

/** Commands about the cast. What is left out is a five-weight line with a small dry fly, thrown by a beginner. */
export const castCommands = {
  unroll: {
    summary:
      'How long a loop takes to unroll with air, at constant speed, and with its energy kept; and the pause for each length of a table.',
    input: z.strictObject({
      ...throwSchema,
      /** Lengths of a table of pauses, metres. */
      table: z.array(z.number().min(0.5).max(40)).max(60).default([]),
    }),
    output: z.strictObject({
      seconds: z.number().nullable(),
      constantSpeedS: z.number(),
      energyKeptS: z.number(),
      endSpeedMs: z.number(),
      unrolledM: z.number(),
      table: z.array(
        z.strictObject({
          lineM: z.number(),
          pauseS: z.number().nullable(),
          beatsPerMin: z.number().nullable(),
        }),
      ),
    }),
  },
} as const;
