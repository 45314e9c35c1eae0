import { HANDLINGS, LANDINGS, PROFILES } from '@doceo/core';
import * as z from 'zod';
import { actSchema, currentLaneSchema, driftSceneSchema } from '../lesson/drift';

const number = (min: number, max: number) => z.number().min(min).max(max).optional();
const waySchema = z.enum(['up', 'down']);

const loadSchema = z.strictObject({
  belowFloatM: z.number().min(0).max(12),
  submergedN: z.number().min(-0.1).max(0.5),
  massKg: z.number().min(0).max(0.05),
  dragAreaM2: z.number().min(0).max(0.01),
});

/** Commands about the drift. What is left out is a nine-metre cast a little up the stream, held. */
export const driftCommands = {
  'surface-drift': {
    summary:
      'The line on the water from above: when drag sets in, metres of clean drift, slip, positions and tensions over time; with mends also the same line fed as slack, and without them.',
    input: z.strictObject({
      lanes: z.array(currentLaneSchema).min(1).max(9).optional(),
      blendM: number(0, 5),
      castM: number(1, 30),
      castDeg: number(-180, 180),
      slackShare: number(0, 2),
      slackWaveM: number(0, 5),
      leaderM: number(0, 30),
      acrossNsM2: number(1e-4, 100),
      ratio: number(1, 200),
      leaderShare: number(0.01, 1),
      quadratic: z.boolean().optional(),
      tip: z
        .strictObject({
          startM: z.number().min(-10).max(10),
          speedMs: z.number().min(-4).max(4),
          untilS: z.number().min(0).max(60),
          outM: number(0, 30),
        })
        .optional(),
      liftedM: number(0, 30),
      /** The first mend, in short. */
      mend: z
        .strictObject({
          atS: z.number().min(0).max(60),
          way: waySchema,
          sizeM: z.number().min(0).max(5),
          from: z.number().min(0).max(0.98),
          to: z.number().min(0.02).max(1),
        })
        .nullable()
        .optional(),
      acts: z.array(actSchema).max(12).default([]),
      nodes: z.int().min(4).max(400).optional(),
      stepS: number(0.001, 0.1),
      durationS: number(0.001, 60),
    }),
    output: z.strictObject({
      onsetS: z.number().nullable(),
      cleanM: z.number(),
      cleanS: z.number(),
      overStretch: z.number(),
      /** With mends: metres of clean drift of the same line fed as slack, and without them. */
      fedCleanM: z.number().nullable(),
      leftCleanM: z.number().nullable(),
      frames: z.array(
        z.strictObject({
          atS: z.number(),
          xs: z.array(z.number()),
          ys: z.array(z.number()),
          tensions: z.array(z.number()),
          slipMs: z.number(),
          flyMs: z.number(),
        }),
      ),
    }),
  },
  'side-drift': {
    summary:
      'The leader below its float from the side: depth over time, when the fly is in the zone, how deep and at what angle it comes to hang, ticks on the bed, and how much the float is slowed.',
    input: z.strictObject({
      depthM: number(0.05, 10),
      surfaceMs: number(0, 4),
      profile: z.enum(PROFILES).optional(),
      roughnessM: number(1e-6, 0.5),
      leaderM: number(0.1, 12),
      diameterM: number(5e-5, 0.002),
      densityKgM3: number(500, 3000),
      loads: z.array(loadSchema).max(8).optional(),
      top: z
        .strictObject({
          ledMs: z.number().min(-4).max(4).nullable().default(null),
          dragAreaM2: z.number().min(0).max(0.1),
          massKg: z.number().min(0).max(0.1),
          liftN: z.number().min(0).max(10).nullable().default(null),
        })
        .optional(),
      landing: z.enum(LANDINGS).optional(),
      acrossDrag: number(0, 10),
      alongShare: number(0, 1),
      byReynolds: z.boolean().optional(),
      stonesM: number(0, 5),
      seed: z.string().max(80).optional(),
      friction: number(0, 2),
      zoneM: number(0.01, 10),
      nodes: z.int().min(4).max(400).optional(),
      stepS: number(0.001, 0.05),
      durationS: number(0.1, 60),
    }),
    output: z.strictObject({
      toZoneS: z.number().nullable(),
      inZoneS: z.number(),
      clearS: z.number(),
      steadyDepthM: z.number(),
      steadyDeg: z.number(),
      floatSlipMs: z.number(),
      leadsFromS: z.number().nullable(),
      ticks: z.int(),
      contactShare: z.number(),
      pullN: z.number(),
      goesUnder: z.boolean(),
      overStretch: z.number(),
      frames: z.array(
        z.strictObject({
          atS: z.number(),
          xs: z.array(z.number()),
          ys: z.array(z.number()),
          floatMs: z.number(),
          touches: z.boolean(),
        }),
      ),
    }),
  },
  'drift-rank': {
    summary:
      'What an angler may do to put a fly over a lie, ranked by metres of clean drift: median of nine runs over slack and speed, and their spread.',
    input: z.strictObject({
      scene: driftSceneSchema,
      /** The best so many; all when left out. */
      most: z.int().min(1).max(200).default(200),
    }),
    output: z.strictObject({
      tried: z.int(),
      ranked: z.array(
        z.strictObject({
          id: z.string(),
          standM: z.number(),
          handling: z.enum(HANDLINGS),
          mend: z.strictObject({ way: waySchema, atS: z.number(), sizeM: z.number() }).nullable(),
          skills: z.array(z.string()),
          cleanM: z.number(),
          fromM: z.number(),
          toM: z.number(),
          cleanS: z.number(),
          fromS: z.number(),
          toS: z.number(),
        }),
      ),
    }),
  },
} as const;
