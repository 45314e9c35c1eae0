import {
  adapt,
  beatFaults,
  buildRig,
  type Chop,
  chopOf,
  classKit,
  comfortBand,
  conditionAlerts,
  CoreError,
  countdown,
  countdownTable,
  curriculumFaults,
  depthGrid,
  faultRates,
  findSeams,
  fishWindow,
  fitSkill,
  floatMargin,
  flyMass,
  freeSink,
  lakeFaults,
  loopCast,
  mendCompared,
  pauseTable,
  planProblems,
  presentations,
  rankPresentation,
  rigFigures,
  rigProblems,
  setGeometry,
  sideDrift,
  simulateSchool,
  skillsOf,
  skillState,
  stationHours,
  strokeOf,
  suggestLake,
  suggestStands,
  sunTimes,
  surfaceDrift,
  takeScore,
  taperOf,
  tapTempo,
  type TemplateParameters,
  traceSkill,
  unroll,
  wading,
  whatNext,
} from '@doceo/core';
import {
  alertText,
  CHOP_TEXTS,
  kitInWords,
  planProblemInWords,
  rigFigureInWords,
  rigPartText,
  rigProblemInWords,
  WADING_REASONS,
  whatNextText,
} from '@doceo/texts';
import { type Runners, taught, withSkills } from './runner';
import { peopleRunners } from './people-runners';
import { scheduleRunners } from './schedule-runners';
import { shareRunners } from './share-runners';
import { DateTime } from 'luxon';

/** Parameters that are there; those left out take the template's default. */
function withoutGaps(parameters: {
  [Key in keyof TemplateParameters]?: TemplateParameters[Key] | undefined;
}): Partial<TemplateParameters> {
  return Object.fromEntries(Object.entries(parameters).filter(([, value]) => value !== undefined));
}

/** The surface of still water by its kind, and in words. */
function chopInWords(kind: Chop): { kind: Chop; words: string } {
  return { kind, words: CHOP_TEXTS[kind] };
}

/** What each command computes. */
export const runners: Runners = {
  'rig-figures': ({ rig, water, units }) => ({
    figures: rigFigures(rig, water?.rules.maxHooks ?? null).map((figure) => {
      const { value, unit, limit } = figure;
      return { value, unit, limit, ...rigFigureInWords(figure, units) };
    }),
    problems: rigProblems(rig, { water }).map((problem) => ({ ...rigProblemInWords(problem, units) })),
  }),
  'rig-template': ({ template, parameters }) => ({ rig: buildRig(template, withoutGaps(parameters)) }),
  'float-margin': ({ rig, floatant, fishedMin }) => {
    const float = floatMargin(rig, { floatant, fishedMin });
    if (!float) return { float };
    const { float: part, parts, margin, ...rest } = float;
    return {
      float: {
        ...rest,
        floatName: rigPartText(part),
        margin: Number.isFinite(margin) ? margin : null,
        parts: parts.map((one) => ({ name: rigPartText(one.part), submergedN: one.submergedN })),
      },
    };
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
  'class-kit': ({ uses, units }) => ({ items: kitInWords(classKit(uses), units) }),
  'tap-tempo': ({ tapsMs, lineM }) => tapTempo(tapsMs, lineM),
  'skill-trace': ({ attempts, nowMs }) => traceSkill(attempts, nowMs),
  'skill-fit': ({ students }) => fitSkill(students),
  'what-next': ({ attempts, nowMs, grounds, minutes, layer }) => {
    const curriculum = taught(layer);
    const state = skillState(curriculum.skills.all, attempts, nowMs);
    return {
      advice: whatNext(curriculum, state, grounds, minutes).map(
        ({ drill, gain, gainPerMin, worth, opens, because }) => ({
          ...{ drillId: drill.id, gain, gainPerMin, worth, opens },
          reason: whatNextText({ because, opens }),
        }),
      ),
    };
  },
  'simulate-students': ({ seed, drillId, layer, ...plan }) => {
    const curriculum = taught(layer);
    if (!curriculum.drills.has(drillId)) throw new CoreError('unknown-id', { name: 'drill', value: drillId });
    return { students: simulateSchool(curriculum, seed, { ...plan, drillIds: [drillId] }) };
  },
  'curriculum-check': ({ layer }) => {
    const curriculum = taught(layer);
    const { version, skills, drills, questions } = curriculum;
    return {
      ...{ version, skills: skills.all.length, drills: drills.all.length, questions: questions.all.length },
      found: curriculumFaults(curriculum),
    };
  },
  adapt: ({ drillId, needs, layer }) => {
    const curriculum = taught(layer);
    const drill = curriculum.drills.find(drillId);
    if (!drill) throw new CoreError('unknown-id', { name: 'drill', value: drillId });
    const { limits, reasons, drill: done, ...adapted } = adapt(curriculum, drill, needs);
    return {
      drillId: done.id,
      ...adapted,
      ...{ wadeM: limits.wadeM, cueM: limits.cueM },
      reasons: reasons.map(({ need, rule }) => ({
        need,
        from: rule ? ('drill' as const) : ('need' as const),
        words: rule?.words ?? '',
      })),
    };
  },
  'fault-rates': ({ attempts }) => ({ attempts: attempts.length, rates: faultRates(attempts) }),
  'plan-check': ({ plan, lesson, layer }) => {
    const curriculum = taught(layer);
    const problems = planProblems(curriculum, plan, lesson && withSkills(curriculum, lesson));
    return { problems: problems.map((problem) => ({ ...planProblemInWords(problem, 'metric') })) };
  },
  ...scheduleRunners,
  ...shareRunners,
  ...peopleRunners,
  'fish-window': ({ fishDepthM, anglerHeightM, distanceM }) =>
    fishWindow(fishDepthM, anglerHeightM, distanceM),
  wading: ({ place, wader }) => {
    const found = wading(place, wader);
    return { ...found, reasons: found.reasons.map((reason) => WADING_REASONS[reason]) };
  },
  'comfort-band': ({ profile, species }) => comfortBand(profile, species),
  'beat-suggest': ({ beat, ...options }) => {
    const faults = beatFaults(beat);
    // A beat that cannot be is not computed with.
    return faults.length > 0
      ? { faults, seams: [], stands: [] }
      : { faults, seams: findSeams(beat), stands: suggestStands(beat, options) };
  },
  unroll: ({ table, ...line }) => ({
    ...unroll(line),
    table: table.length > 0 ? pauseTable(table, line) : [],
  }),
  loop: ({ stroke, ...given }) =>
    loopCast({ ...given, stroke: typeof stroke === 'string' ? strokeOf(stroke) : stroke }),
  'surface-drift': ({ mend, acts, ...given }) => {
    const all = [...(mend ? [{ kind: 'mend' as const, ...mend }] : []), ...acts];
    if (!all.some(({ kind }) => kind === 'mend'))
      return { ...surfaceDrift({ ...given, acts: all }), fedCleanM: null, leftCleanM: null };
    const { mended, fed, left } = mendCompared({ ...given, acts: all });
    return { ...mended, fedCleanM: fed.cleanM, leftCleanM: left.cleanM };
  },
  'side-drift': (given) => sideDrift(given),
  'drift-rank': ({ scene, most }) => {
    const ways = presentations(scene);
    const ranked = ways.flatMap((way) => {
      const found = rankPresentation(scene, way);
      return found ? [{ ...way, ...found, skills: skillsOf(way) }] : [];
    });
    return { tried: ways.length, ranked: ranked.sort((a, b) => b.cleanM - a.cleanM).slice(0, most) };
  },
  'set-geometry': (given) => setGeometry(given),
  'take-score': ({ stimuli, setsMs, latestMs }) => takeScore(stimuli, setsMs, latestMs),
  'lake-suggest': ({ lake, cells, students, people, leaderM, ...options }) => {
    const faults = lakeFaults(lake);
    if (faults.length > 0)
      return {
        ...{ faults, band: null, stop: false, chop: chopInWords(chopOf(options.windMs)) },
        ...{ lines: [], stands: [], without: [] },
      };
    const nobody = { hand: null, needs: [], reachM: null };
    const known =
      people.length > 0
        ? people
        : Array.from({ length: students }, (_, i) => ({ id: `${i + 1}`, ...nobody }));
    const casters = known.map((one) => ({ ...one, rodM: options.rodM, leaderM }));
    const share = cells / Math.max(lake.lengthM, lake.widthM);
    const count = (lengthM: number): number => Math.max(2, Math.round(lengthM * share));
    const grid = depthGrid(lake, count(lake.lengthM), count(lake.widthM));
    const advice = suggestLake(lake, grid, { ...options, people: casters });
    return { faults, ...advice, chop: chopInWords(advice.chop) };
  },
  conditions: ({ date, ...site }) => {
    const hours = stationHours(site, Date.parse(`${date}T00:00:00Z`), 24);
    const alerts = conditionAlerts(hours, site).map(({ still, from: _from, ...alert }) => ({
      ...alert,
      ...alertText({ kind: alert.kind, still }),
    }));
    return { hours, alerts };
  },
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
