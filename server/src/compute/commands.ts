import { type CommandName, commands } from '@doceo/contract';
import {
  faultRates,
  planSnags,
  rigFigures,
  rigSnags,
  SKILLS,
  skillState,
  sunTimes,
  traceSkill,
} from '@doceo/core';
import { DateTime } from 'luxon';
import { z } from 'zod';

type Runners = {
  [Name in CommandName]: (
    input: z.output<(typeof commands)[Name]['input']>,
  ) => z.input<(typeof commands)[Name]['output']>;
};

/** What each command computes. */
export const runners: Runners = {
  'rig-figures': ({ rig, water, units }) => ({
    figures: rigFigures(rig, water?.rules.maxHooks ?? null, units).map((figure) => ({ ...figure })),
    snags: rigSnags(rig, { water, system: units }).map((snag) => ({ ...snag })),
  }),
  'skill-trace': ({ attempts, nowMs }) => traceSkill(attempts, nowMs),
  'fault-rates': ({ attempts }) => ({ attempts: attempts.length, rates: faultRates(attempts) }),
  'plan-check': ({ plan, lesson }) => ({
    snags: planSnags(
      plan,
      lesson && {
        ...lesson,
        students: lesson.students.map(({ attempts, ...student }) => ({
          ...student,
          skills: skillState(SKILLS, attempts, lesson.startMs),
        })),
      },
    ).map((snag) => ({ ...snag })),
  }),
  'sun-times': ({ latitude, longitude, date, timeZone }) => {
    const times = sunTimes(latitude, longitude, Date.parse(`${date}T12:00:00Z`));
    const text = (ms: number | null): string | null =>
      ms === null
        ? null
        : DateTime.fromMillis(ms, { zone: timeZone })
            .set({ millisecond: 0 })
            .toISO({ suppressMilliseconds: true });
    return {
      dawn: text(times.dawnMs),
      sunrise: text(times.sunriseMs),
      sunset: text(times.sunsetMs),
      dusk: text(times.duskMs),
    };
  },
};
