import { STROKES } from '@doceo/core';
import * as z from 'zod';

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
  loop: {
    summary:
      'A line thrown by a way of the rod tip, seen from the side: where it is over time, and the faults it shows.',
    input: z.strictObject({
      /** A named way of the tip, or one of your own. */
      stroke: z.union([
        z.enum(STROKES),
        z.strictObject({
          points: z
            .array(z.strictObject({ x: z.number().min(-6).max(6), y: z.number().min(-4).max(4) }))
            .min(2)
            .max(40),
          speedMs: z.number().min(2).max(40),
          power: z.number().min(1.1).max(6).default(2),
          stopS: z.number().min(0.01).max(1).default(0.025),
          dropM: z.number().min(0).max(3).default(0.6),
          backShare: z.number().min(0.3).max(1).default(1),
        }),
      ]),
      lineM: z.number().min(2).max(25).optional(),
      massPerM: z.number().min(0.0002).max(0.01).optional(),
      diameterM: z.number().min(0.0002).max(0.005).optional(),
      flyKg: z.number().min(0).max(0.005).optional(),
      flyDragAreaM2: z.number().min(0).max(0.01).optional(),
      acrossDrag: z.number().min(0).max(10).optional(),
      skinFriction: z.number().min(0).max(1).optional(),
      headWindMs: z.number().min(-20).max(20).optional(),
      tipHeightM: z.number().min(0.5).max(10).optional(),
      gravity: z.number().min(0).max(20).optional(),
      nodes: z.int().min(10).max(200).optional(),
      stepS: z.number().min(0.0002).max(0.002).optional(),
      durationS: z.number().min(0.1).max(6).optional(),
    }),
    output: z.strictObject({
      strokeS: z.number(),
      unrollS: z.number().nullable(),
      signs: z.strictObject({
        loopM: z.number().nullable(),
        crossesM: z.number(),
        whip: z.number(),
        laidShare: z.number().nullable(),
        nearestM: z.number(),
        faults: z.array(z.string()),
      }),
      overStretch: z.number(),
      frames: z.array(z.strictObject({ atS: z.number(), xs: z.array(z.number()), ys: z.array(z.number()) })),
    }),
  },
} as const;
