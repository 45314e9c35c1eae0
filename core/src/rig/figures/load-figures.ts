import { castingLoad } from '../cast/casting-load';
import { pointFly, spans } from '../leader/leader-geometry';
import { countdown, countdownTable } from '../sink/countdown';
import { DRESSINGS } from '../tackle/dressings';
import type { FigureOf } from './figure';
import { dressAgainMin, floatMargin } from '../sink/float-margin';
import { flyMass } from '../tackle/fly-mass';
import type { Rig } from '../rig';
import { freeSink } from '../sink/sink';
import { tangleRisk } from '../cast/tangle';
import { taperOf } from '../leader/taper';
import { turnover } from '../cast/turnover';
import { startingX } from '../tackle/x-size';

/** Depth to which the sink of a fly is told when the water is no guide, metres. */
const SINK_DEPTH_M = 1;

/** Whether the dry fly or the indicator carries what hangs from it; null when nothing floats. */
export function floatFigure(rig: Rig): FigureOf<'float-margin'> | null {
  const float = floatMargin(rig);
  if (!float) return null;
  return {
    id: 'float-margin',
    value: Number.isFinite(float.margin) ? float.margin : 0,
    ...{ unit: 'ratio', limit: null },
    ...{ certainty: float.measured ? 'measured' : 'estimate', measured: float.measured },
    facts: { float, dressAgainMin: dressAgainMin(rig) },
  };
}

/** How fast the point fly sinks on slack; null for a fly that does not. */
export function sinkFigure(rig: Rig): FigureOf<'sink'> | null {
  const fly = pointFly(rig);
  if (!fly || ['adult', 'practice'].includes(DRESSINGS[fly.dressing].stage)) return null;
  const sink = freeSink(fly, rig.measured);
  if (sink.terminalMs === 0) return null;
  const mass = flyMass(fly, rig.measured);
  const measured = sink.measured ?? mass.measured;
  const depthM = rig.line.kind === 'floating' ? rig.waterDepthM : SINK_DEPTH_M;
  return {
    ...{ id: 'sink', value: sink.terminalMs, unit: 'm/s', limit: null },
    ...{ certainty: measured ? 'measured' : 'estimate', measured },
    facts: {
      ...{ fly: fly.name, massKg: mass.totalKg, submergedN: mass.submergedN },
      ...{ depthM, seconds: sink.timeTo(depthM) },
    },
  };
}

/** How long to count until the line has sunk; null for a line that floats. */
export function countFigure(rig: Rig): FigureOf<'count-to-depth'> | null {
  const count = countdown(rig.line.kind, rig.waterDepthM, rig.measured);
  if (!count) return null;
  return {
    ...{ id: 'count-to-depth', value: count.seconds, unit: 's', limit: null },
    ...{ certainty: count.measured ? 'measured' : 'rule-of-thumb', measured: count.measured },
    facts: { depthM: rig.waterDepthM, count, others: countdownTable(rig.waterDepthM, rig.measured) },
  };
}

/** The steepest fall of stiffness in the leader; null when it has no hinge. */
export function hingeFigure(rig: Rig): FigureOf<'hinge'> | null {
  const { steps } = taperOf(rig);
  const steepest = steps
    .filter(({ hinge }) => hinge !== 'none')
    .sort((a, b) => b.stiffnessRatio - a.stiffnessRatio)[0];
  if (!steepest) return null;
  const chain = spans(rig).map(({ section }) => section);
  const at = chain.findIndex(({ id }) => id === steepest.sectionId);
  const around = [chain[at - 1], chain[at]];
  const measured =
    rig.measured.find(
      ({ kind, key }) => kind === 'material-stiffness' && around.some((section) => section?.material === key),
    ) ?? null;
  const nameOf = (sectionId: string): string => chain.find(({ id }) => id === sectionId)?.name ?? sectionId;
  return {
    ...{ id: 'hinge', value: steepest.stiffnessRatio, unit: 'ratio', limit: null },
    ...{ certainty: measured ? 'measured' : 'estimate', measured },
    facts: {
      above: chain[at - 1]?.name ?? '',
      below: nameOf(steepest.sectionId),
      isMeant: steepest.hinge === 'meant',
      steps: steps.map(({ sectionId, stiffnessRatio }) => ({ into: nameOf(sectionId), stiffnessRatio })),
    },
  };
}

/** The X size that the hook asks for; null without a hook. */
export function startingXFigure(rig: Rig): FigureOf<'starting-x'> | null {
  const fly = pointFly(rig);
  const last = rig.sections.at(-1);
  if (!fly || !last || !DRESSINGS[fly.dressing].hook) return null;
  return {
    ...{ id: 'starting-x', value: startingX(fly.hookSize), unit: 'X', limit: null },
    ...{ certainty: 'rule-of-thumb', measured: null },
    facts: { hookSize: fly.hookSize, tippetM: last.diameterM },
  };
}

/** What flies and fittings weigh against the head of the line, and how to cast it. */
export function loadFigure(rig: Rig): FigureOf<'casting-load'> {
  const load = castingLoad(rig);
  return {
    ...{ id: 'casting-load', value: load.share, unit: 'ratio', limit: null },
    ...{ certainty: 'rule-of-thumb', measured: null },
    facts: { load, lineWeight: rig.line.weight },
  };
}

/** Head wind to which turnover is told too, m/s. */
const HEAD_WIND_MS = 5;

/** Whether the leader lays the flies out, in calm air and into a wind; null when it pushes no air aside. */
export function turnoverFigure(rig: Rig): FigureOf<'turnover'> | null {
  const calm = turnover(rig);
  if (!Number.isFinite(calm.ratio)) return null;
  return {
    ...{ id: 'turnover', value: calm.ratio, unit: 'ratio', limit: null },
    ...{ certainty: 'rule-of-thumb', measured: null },
    facts: { calm, windy: turnover(rig, HEAD_WIND_MS), windMs: HEAD_WIND_MS },
  };
}

/** Tangles of a beginner with this rig, by what adds to them. */
export function tangleFigure(rig: Rig): FigureOf<'tangle-risk'> {
  const risk = tangleRisk(rig);
  return {
    ...{ id: 'tangle-risk', value: risk.perHour, unit: 'tangles/h', limit: null },
    ...{ certainty: 'rule-of-thumb', measured: null },
    facts: { risk },
  };
}
