import { z } from 'zod';

const number = (min: number, max: number) => z.number().min(min).max(max).optional();

/** Commands about the drift. What is left out is a nine-metre cast a little up the stream, held. */
export const driftCommands = {
  'surface-drift': {
    summary:
      'The line on the water from above: when drag sets in, metres of clean drift, slip, positions and tensions over time; with a mend also the same line fed as slack, and without it.',
    input: z.strictObject({
      lanes: z
        .array(z.strictObject({ toM: z.number().min(0).max(200), speedMs: z.number().min(-4).max(4) }))
        .min(1)
        .max(9)
        .optional(),
      blendM: number(0, 5),
      castM: number(1, 30),
      castDeg: number(-180, 180),
      slackShare: number(0, 2),
      leaderM: number(0, 30),
      acrossNsM2: number(1e-4, 100),
      ratio: number(1, 200),
      leaderShare: number(0.01, 1),
      tip: z
        .strictObject({
          startM: z.number().min(-10).max(10),
          speedMs: z.number().min(-4).max(4),
          untilS: z.number().min(0).max(60),
        })
        .optional(),
      mend: z
        .strictObject({
          atS: z.number().min(0).max(60),
          way: z.enum(['up', 'down']),
          sizeM: z.number().min(0).max(5),
          from: z.number().min(0).max(0.98),
          to: z.number().min(0.02).max(1),
        })
        .nullable()
        .optional(),
      nodes: z.int().min(4).max(400).optional(),
      stepS: number(0.001, 0.1),
      durationS: number(0.001, 60),
    }),
    output: z.strictObject({
      onsetS: z.number().nullable(),
      cleanM: z.number(),
      overStretch: z.number(),
      /** Of a mend: metres of clean drift of the same line fed as slack, and without either. */
      fedCleanM: z.number().nullable(),
      leftCleanM: z.number().nullable(),
      frames: z.array(
        z.strictObject({
          atS: z.number(),
          xs: z.array(z.number()),
          ys: z.array(z.number()),
          tensions: z.array(z.number()),
          slipMs: z.number(),
        }),
      ),
    }),
  },
} as const;
