import { type CommandName, commands } from '@doceo/contract';
import {
  buildRig,
  classKit,
  countdown,
  countdownTable,
  faultRates,
  floatMargin,
  flyMass,
  freeSink,
  planSnags,
  rigFigures,
  rigSnags,
  SKILLS,
  skillState,
  sunTimes,
  taperOf,
  type TemplateParameters,
  traceSkill,
} from '@doceo/core';
import { DateTime } from 'luxon';
import { z } from 'zod';

type Runners = {
  [Name in CommandName]: (
    input: z.output<(typeof commands)[Name]['input']>,
  ) => z.input<(typeof commands)[Name]['output']>;
};

/** Parameters that are there; those left out take the template's default. */
function withoutGaps(parameters: {
  [Key in keyof TemplateParameters]?: TemplateParameters[Key] | undefined;
}): Partial<TemplateParameters> {
  return Object.fromEntries(Object.entries(parameters).filter(([, value]) => value !== undefined));
}

/** What each command computes. */
export const runners: Runners = {
  'rig-figures': ({ rig, water, units }) => ({
    figures: rigFigures(rig, water?.rules.maxHooks ?? null, units).map((figure) => ({ ...figure })),
    snags: rigSnags(rig, { water, system: units }).map((snag) => ({ ...snag })),
  }),
  'rig-template': ({ template, parameters }) => ({ rig: buildRig(template, withoutGaps(parameters)) }),
  'float-margin': ({ rig, floatant, fishedMin }) => {
    const float = floatMargin(rig, { floatant, fishedMin });
    return { float: float && { ...float, margin: Number.isFinite(float.margin) ? float.margin : null } };
  },
  'fly-mass': ({ fly }) => flyMass(fly),
  'free-sink': ({ fly, depthM }) => {
    const { terminalMs, timeTo } = freeSink(fly);
    return { terminalMs, seconds: terminalMs > 0 ? timeTo(depthM) : null };
  },
  countdown: ({ depthM, line }) => ({
    lines: line === null ? countdownTable(depthM) : [countdown(line, depthM)].flatMap((one) => one ?? []),
  }),
  taper: ({ rig }) => taperOf(rig),
  'class-kit': ({ uses }) => ({ items: classKit(uses) }),
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
