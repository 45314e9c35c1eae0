import {
  formatLength,
  GRAVITY,
  formatMass,
  formatSpeed,
  formatWeight,
  formatWind,
  type UnitSystem,
} from '../../units';
import { castingLoad, type LoopAdvice } from '../cast/casting-load';
import { pointFly, spans } from '../leader/leader-geometry';
import { countdown, countdownTable } from '../sink/countdown';
import { DRESSINGS } from '../tackle/dressings';
import type { Figure } from './figure';
import { dressAgainMin, FLOAT_MARGINAL, floatMargin } from '../sink/float-margin';
import { flyMass } from '../tackle/fly-mass';
import { LINE_NAMES } from '../tackle/lines';
import { measuredLine } from '../measured/measured-line';
import type { Rig } from '../rig';
import { freeSink } from '../sink/sink';
import { tangleRisk } from '../cast/tangle';
import { HINGE_RATIO, taperOf } from '../leader/taper';
import { FALLS_SHORT, TURNS_OVER, turnover } from '../cast/turnover';
import { formatTippet, startingX } from '../tackle/x-size';

/** Depth to which the sink of a fly is told when the water is no guide, metres. */
const SINK_DEPTH_M = 1;

/** Whether the dry fly or the indicator carries what hangs from it; null when nothing floats. */
export function floatFigure(rig: Rig, system: UnitSystem): Figure | null {
  const float = floatMargin(rig);
  if (!float) return null;
  const shown = Number.isFinite(float.margin) ? float.margin : 0;
  const dressMin = dressAgainMin(rig);
  return {
    id: 'float-margin',
    label: float.kind === 'dry' ? 'Dry carries its load' : 'Indicator carries its load',
    value: shown,
    unit: 'ratio',
    limit: null,
    text: Number.isFinite(float.margin) ? `${float.margin.toFixed(1)} ×` : 'nothing to carry',
    inputs: [
      { label: `lift of the ${float.floatName}`, text: formatWeight(float.liftN, system) },
      { label: 'its own weight', text: formatWeight(float.ownN, system) },
      ...float.parts.map(({ name, submergedN }) => ({
        label: `${name}, under water`,
        text: formatWeight(submergedN, system),
      })),
      ...(dressMin === null ? [] : [{ label: 'dry and dress it again after', text: `${dressMin} min` }]),
      ...measuredLine(float.measured),
    ],
    rule: `Lift left for the load ÷ load. Below 1 it sinks, below ${FLOAT_MARGINAL} it is marginal for beginners. Fresh and dressed; hackle and yarn tire with fishing, foam does not.`,
    certainty: float.measured ? 'measured' : 'estimate',
  };
}

/** How fast the point fly sinks on slack; null for a fly that does not. */
export function sinkFigure(rig: Rig, system: UnitSystem): Figure | null {
  const fly = pointFly(rig);
  if (!fly || ['adult', 'practice'].includes(DRESSINGS[fly.dressing].stage)) return null;
  const { terminalMs, timeTo, measured } = freeSink(fly, rig.measured);
  const depthM = rig.line.kind === 'floating' ? rig.waterDepthM : SINK_DEPTH_M;
  if (terminalMs === 0) return null;
  const mass = flyMass(fly, rig.measured);
  return {
    id: 'sink',
    label: 'Point fly sinks',
    value: terminalMs,
    unit: 'm/s',
    limit: null,
    text: formatSpeed(terminalMs, system),
    inputs: [
      { label: fly.name, text: formatMass(mass.totalKg, system) },
      { label: 'weight under water', text: formatWeight(mass.submergedN, system) },
      { label: `to ${formatLength(depthM, system)}, free`, text: `${timeTo(depthM).toFixed(1)} s` },
      ...measuredLine(measured ?? mass.measured),
    ],
    rule: 'Free sink on slack: weight under water = ½ρ·C·A·v². A fly on tight tippet sinks slower.',
    certainty: measured || mass.measured ? 'measured' : 'estimate',
  };
}

/** How long to count until the line has sunk; null for a line that floats. */
export function countFigure(rig: Rig, length: (metres: number) => string): Figure | null {
  const count = countdown(rig.line.kind, rig.waterDepthM, rig.measured);
  if (!count) return null;
  return {
    id: 'count-to-depth',
    label: `Count to ${length(rig.waterDepthM)}`,
    value: count.seconds,
    unit: 's',
    limit: null,
    text: `${count.fromSeconds.toFixed(0)} to ${count.toSeconds.toFixed(0)} s`,
    inputs: [
      { label: 'line', text: LINE_NAMES[rig.line.kind] },
      { label: 'depth ÷ sink rate', text: `${count.seconds.toFixed(0)} s` },
      ...measuredLine(count.measured),
      ...countdownTable(rig.waterDepthM, rig.measured).map(({ line, seconds }) => ({
        label: `with a ${LINE_NAMES[line]} line`,
        text: `${seconds.toFixed(0)} s`,
      })),
    ],
    rule: 'Depth ÷ sink rate; type n sinks about n inches a second. Count one more each cast until weed, then one less.',
    certainty: count.measured ? 'measured' : 'rule of thumb',
  };
}

/** The steepest fall of stiffness in the leader; null when it has no hinge. */
export function hingeFigure(rig: Rig): Figure | null {
  const { steps } = taperOf(rig);
  const steepest = steps
    .filter(({ hinge }) => hinge !== 'none')
    .sort((a, b) => b.stiffnessRatio - a.stiffnessRatio)[0];
  if (!steepest) return null;
  const chain = spans(rig);
  const at = chain.findIndex(({ section }) => section.id === steepest.sectionId);
  const [above, below] = [chain[at - 1]?.section.name ?? '', chain[at]?.section.name ?? ''];
  const around = [chain[at - 1], chain[at]].map((span) => span?.section.material);
  const bent = rig.measured.find(
    ({ kind, key }) => kind === 'material-stiffness' && around.some((material) => material === key),
  );
  return {
    id: 'hinge',
    label: `Hinge, ${above} to ${below}`,
    value: steepest.stiffnessRatio,
    unit: 'ratio',
    limit: null,
    text: `${steepest.stiffnessRatio.toFixed(1)} : 1`,
    inputs: [
      ...steps.map(({ sectionId, stiffnessRatio }) => ({
        label: `into ${chain.find(({ section }) => section.id === sectionId)?.section.name ?? sectionId}`,
        text: `${stiffnessRatio.toFixed(1)} : 1`,
      })),
      ...measuredLine(bent),
    ],
    rule: `Bending stiffness goes with E·d⁴. A fall of ${HINGE_RATIO} or more in one knot folds the leader there; ${steepest.hinge === 'meant' ? 'here it is meant' : 'here it was not meant'}.`,
    certainty: bent ? 'measured' : 'estimate',
  };
}

/** The X size that the hook asks for; null without a hook. */
export function startingXFigure(rig: Rig, system: UnitSystem): Figure | null {
  const fly = pointFly(rig);
  const last = rig.sections.at(-1);
  if (!fly || !last || !DRESSINGS[fly.dressing].hook) return null;
  const x = startingX(fly.hookSize);
  return {
    id: 'starting-x',
    label: 'X to start with',
    value: x,
    unit: 'X',
    limit: null,
    text: `${x}X, tied: ${formatTippet(last.diameterM, system)}`,
    inputs: [
      { label: 'hook', text: `#${fly.hookSize}` },
      { label: 'hook ÷ 3', text: (fly.hookSize / 3).toFixed(1) },
      { label: 'hook ÷ 4', text: (fly.hookSize / 4).toFixed(1) },
    ],
    rule: 'Hook size ÷ 3 gives the X to start with, ÷ 4 for bushy flies and strong fish.',
    certainty: 'rule of thumb',
  };
}

/** Head wind to which turnover is told too, m/s. */
const HEAD_WIND_MS = 5;

const ADVICE: Record<LoopAdvice, string> = {
  any: 'any loop',
  open: 'open the loop',
  'water-load': 'let the water load it',
};

/** What flies and fittings weigh against the head of the line, and how to cast it. */
export function loadFigure(rig: Rig, system: UnitSystem): Figure {
  const load = castingLoad(rig);
  return {
    id: 'casting-load',
    label: 'What the cast must carry',
    value: load.share,
    unit: 'ratio',
    limit: null,
    text: `${formatMass(load.massKg, system)}, ${ADVICE[load.advice]}`,
    inputs: [
      { label: `head of a ${rig.line.weight} line`, text: formatMass(load.headKg, system) },
      { label: 'flies and fittings ÷ head', text: `${(load.share * 100).toFixed(0)} %` },
      { label: 'area in the wind', text: `${(load.windAreaM2 * 1e4).toFixed(1)} cm²` },
    ],
    rule: 'Weight on the leader or two flies: open, oval loop. Beyond a seventh of the head: let the water load the rod. Hats and glasses either way.',
    certainty: 'rule of thumb',
  };
}

/** Whether the leader lays the flies out, in calm air and into a wind; null when it pushes no air aside. */
export function turnoverFigure(rig: Rig, system: UnitSystem): Figure | null {
  const calm = turnover(rig);
  if (!Number.isFinite(calm.ratio)) return null;
  const windy = turnover(rig, HEAD_WIND_MS);
  return {
    id: 'turnover',
    label: 'Does it turn over?',
    value: calm.ratio,
    unit: 'ratio',
    limit: null,
    text: `${calm.verdict}, ${calm.ratio.toFixed(1)} : 1`,
    inputs: [
      { label: 'leader', text: formatWeight(calm.leaderKg * GRAVITY, system) },
      { label: 'air pushed aside, same measure', text: formatWeight(calm.airKg * GRAVITY, system) },
      {
        label: `into a wind of ${formatWind(HEAD_WIND_MS, system)}`,
        text: `${windy.verdict}, ${windy.ratio.toFixed(1)} : 1`,
      },
    ],
    rule: `Energy of the leader against the drag of flies and fittings while it unrolls. From ${TURNS_OVER} it lays out, below ${FALLS_SHORT} it falls in a heap. Compare two leaders by it.`,
    certainty: 'rule of thumb',
  };
}

/** Tangles of a beginner with this rig, by what adds to them. */
export function tangleFigure(rig: Rig): Figure {
  const risk = tangleRisk(rig);
  return {
    id: 'tangle-risk',
    label: 'Tangles of a beginner',
    value: risk.perHour,
    unit: 'tangles/h',
    limit: null,
    text: `${risk.perHour.toFixed(1)} an hour, ${risk.level}`,
    inputs: risk.parts.map(({ name, adds }) => ({ label: name, text: `+${adds.toFixed(1)}` })),
    rule: 'A sum of what flies, tags, indicator, shot, hinges and length add, without wind.',
    certainty: 'rule of thumb',
  };
}
