import { ALERT_KINDS, BOTTOMS, LINE_KINDS, NEEDS, RETRIEVE_WAYS, SPECIES, WATER_KINDS } from '@doceo/core';
import * as z from 'zod';
import { beatSchema, pointSchema } from '../water/beat';
import { dateSchema, lineSchema } from '../common';
import { conditionHourSchema } from '../water/conditions';
import { lakeSchema } from '../water/lake';
import { timeZoneSchema } from '../water/water';

/** Commands about waters, their day, and where to stand. */
export const waterCommands = {
  'fish-window': {
    summary:
      'What a fish sees of an angler: window radius, leader needed, how low to stay. Metres and degrees.',
    input: z.strictObject({
      fishDepthM: z.number().min(0.01).max(30),
      anglerHeightM: z.number().min(0).max(5),
      distanceM: z.number().min(0).max(200),
    }),
    output: z.strictObject({
      radiusM: z.number(),
      leaderM: z.number(),
      arcDeg: z.number(),
      hiddenBelowM: z.number(),
      hiddenFromM: z.number(),
      seen: z.boolean(),
      crossesAtM: z.number(),
    }),
  },
  wading: {
    summary:
      'Depth in feet × speed in feet a second against a person’s limit. A caution, judged on the spot.',
    input: z.strictObject({
      place: z.strictObject({
        depthM: z.number().min(0).max(10),
        speedMs: z.number().min(0).max(6),
        bottom: z.enum(BOTTOMS).default('gravel'),
        waterC: z.number().min(-2).max(40).nullable().default(null),
        rising: z.boolean().default(false),
      }),
      wader: z.strictObject({
        heightM: z.number().min(0.8).max(2.3).default(1.75),
        ageYears: z.number().min(0).max(120).nullable().default(null),
        hasStaff: z.boolean().default(true),
      }),
    }),
    output: z.strictObject({
      product: z.number(),
      limit: z.number(),
      most: z.number(),
      verdict: z.enum(['look-closer', 'over-the-limit', 'do-not-wade']),
      reasons: z.array(z.string()),
    }),
  },
  'comfort-band': {
    summary: 'Depths at which a species is at ease, from thermometer readings by depth.',
    input: z.strictObject({
      profile: z
        .array(z.strictObject({ depthM: z.number().min(0).max(200), celsius: z.number().min(-2).max(40) }))
        .max(500),
      species: z.enum(SPECIES),
    }),
    output: z.strictObject({
      bands: z.array(z.strictObject({ fromM: z.number(), toM: z.number() })),
      nearestM: z.number().nullable(),
      stop: z.boolean(),
    }),
  },
  'beat-suggest': {
    summary:
      'Where students stand on a river beat and where they cast, with the parts of each score; its seams; what is wrong with it.',
    input: z.strictObject({
      beat: beatSchema,
      students: z.int().min(1).max(12).default(4),
      wader: z
        .strictObject({
          heightM: z.number().min(0.8).max(2.3),
          ageYears: z.number().min(0).max(120).nullable(),
          hasStaff: z.boolean(),
        })
        .default({ heightM: 1.75, ageYears: null, hasStaff: true }),
      bottom: z.enum(BOTTOMS).default('gravel'),
      waterC: z.number().min(-2).max(40).nullable().default(null),
      rising: z.boolean().default(false),
      rodM: z.number().min(1).max(5).default(2.7),
      leaderM: z.number().min(0.5).max(8).default(2.7),
    }),
    output: z.strictObject({
      faults: z.array(z.strictObject({ path: z.string(), message: z.string() })),
      seams: z.array(z.strictObject({ points: z.array(pointSchema), contrastMs: z.number() })),
      stands: z.array(
        z.strictObject({
          at: pointSchema,
          lie: z.strictObject({ at: pointSchema, what: z.string(), holding: z.number() }),
          castM: z.number(),
          parts: z.strictObject({
            holding: z.number(),
            unseen: z.number(),
            seen: z.number(),
            drift: z.number(),
            room: z.number(),
            wading: z.number(),
            teaches: z.number(),
          }),
          score: z.number(),
          backCast: z.boolean(),
          inWater: z.boolean(),
        }),
      ),
    }),
  },
  'lake-suggest': {
    summary:
      'Still water: depth band of a species, lines with count and time in the band, who stands where on the shore with which fan of casts; what is wrong with the lake.',
    input: z.strictObject({
      lake: lakeSchema,
      profile: z
        .array(z.strictObject({ depthM: z.number().min(0).max(200), celsius: z.number().min(-2).max(40) }))
        .min(1)
        .max(500),
      species: z.enum(SPECIES).default('brown-trout'),
      /** So many of whom nothing is known; not looked at where there are people. */
      students: z.int().min(1).max(12).default(4),
      people: z
        .array(
          z.strictObject({
            id: z.string().min(1).max(100),
            hand: z.enum(['left', 'right']).nullable().default(null),
            needs: z.array(z.enum(NEEDS)).max(NEEDS.length).default([]),
            /** The longest line he has shown that he casts. */
            reachM: z.number().min(0).max(60).nullable().default(null),
          }),
        )
        .max(12)
        .refine((people) => new Set(people.map(({ id }) => id)).size === people.length, {
          error: 'has an id twice',
        })
        .default([]),
      castM: z.number().min(4).max(30).default(12),
      rodM: z.number().min(1).max(5).default(2.9),
      leaderM: z.number().min(0.5).max(8).default(3.6),
      windMs: z.number().min(0).max(60).default(3),
      windFromDeg: z.number().min(0).max(360).default(250),
      way: z
        .strictObject({
          pullM: z.number().min(0.005).max(3),
          pullMs: z.number().min(0.005).max(3),
          pauseS: z.number().min(0).max(60),
        })
        .default(RETRIEVE_WAYS['hand-twist']),
      /** Cells of the grid of depths along its longer side. */
      cells: z.int().min(10).max(300).default(120),
    }),
    output: z.strictObject({
      faults: z.array(z.strictObject({ path: z.string(), message: z.string() })),
      band: z.strictObject({ fromM: z.number(), toM: z.number() }).nullable(),
      stop: z.boolean(),
      chop: z.strictObject({ kind: z.enum(['glass', 'ripple', 'light-chop', 'rough']), words: z.string() }),
      lines: z.array(
        z.strictObject({
          line: z.enum(LINE_KINDS),
          countS: z.number(),
          inBandS: z.number(),
          touched: z.boolean(),
        }),
      ),
      stands: z.array(
        z.strictObject({
          personId: z.string(),
          because: z.array(
            z.discriminatedUnion('why', [
              z.strictObject({ why: z.literal('reach'), reachM: z.number() }),
              z.strictObject({ why: z.literal('edge'), need: z.enum(NEEDS), depthM: z.number() }),
              z.strictObject({ why: z.literal('hand'), hand: z.enum(['left', 'right']) }),
              z.strictObject({ why: z.literal('wind'), hand: z.enum(['left', 'right']) }),
            ]),
          ),
          at: pointSchema,
          castM: z.number(),
          casts: z.array(
            z.strictObject({
              to: pointSchema,
              bearingDeg: z.number(),
              meanDepthM: z.number(),
              deepestM: z.number(),
            }),
          ),
          parts: z.strictObject({
            holding: z.number(),
            band: z.number(),
            wind: z.number(),
            room: z.number(),
            hand: z.number().optional(),
            edge: z.number().optional(),
          }),
          score: z.number(),
          coverage: z.number(),
          backCast: z.boolean(),
          windward: z.boolean(),
          windOn: z.enum(['behind', 'left', 'right', 'ahead']),
        }),
      ),
      /** Those for whom there is no place beside the others. */
      without: z.array(z.string()),
    }),
  },
  conditions: {
    summary: 'Hourly conditions of a simulated station for a day at a water, and what must be known of them.',
    input: z.strictObject({
      seed: lineSchema(80),
      kind: z.enum(WATER_KINDS),
      latitude: z.number().min(-90).max(90),
      species: z.array(z.enum(SPECIES)).max(SPECIES.length).default([]),
      date: dateSchema,
    }),
    output: z.strictObject({
      hours: z.array(conditionHourSchema),
      alerts: z.array(
        z.strictObject({
          kind: z.enum(ALERT_KINDS),
          level: z.enum(['must-fix', 'check', 'tip']),
          title: z.string(),
          reason: z.string(),
          fromMs: z.number(),
          toMs: z.number(),
          worst: z.number(),
        }),
      ),
    }),
  },
  'sun-times': {
    summary: 'First light, sunrise, sunset and last light of a day at a place.',
    input: z.strictObject({
      latitude: z.number().min(-90).max(90),
      longitude: z.number().min(-180).max(180),
      date: dateSchema,
      timeZone: timeZoneSchema.default('UTC'),
    }),
    output: z.strictObject({
      dawn: z.string().nullable(),
      sunrise: z.string().nullable(),
      sunset: z.string().nullable(),
      dusk: z.string().nullable(),
    }),
  },
} as const;
