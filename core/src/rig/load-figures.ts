import { formatMass, formatSpeed, formatWeight, type UnitSystem } from '../units';
import { castingLoad, type LoopAdvice } from './casting-load';
import { pointFly, spans } from './chain';
import { countdown } from './countdown';
import { DRESSINGS } from './dressings';
import type { Figure } from './figures';
import { FLOAT_MARGINAL, floatMargin } from './float-margin';
import { flyMass } from './fly-mass';
import { LINE_NAMES } from './lines';
import type { Rig } from './rig';
import { freeSink } from './sink';
import { tangleRisk } from './tangle';
import { HINGE_RATIO, taperOf } from './taper';
import { formatTippet, startingX } from './x-size';

/** Depth to which the sink of a fly is told when the water is no guide, metres. */
const SINK_DEPTH_M = 1;

export function floatFigure(rig: Rig): Figure | null {
  const float = floatMargin(rig);
  if (!float) return null;
  const shown = Number.isFinite(float.margin) ? float.margin : 0;
  return {
    id: 'float-margin',
    label: float.kind === 'dry' ? 'Dry carries its load' : 'Indicator carries its load',
    value: shown,
    unit: 'ratio',
    limit: null,
    text: Number.isFinite(float.margin) ? `${float.margin.toFixed(1)} ×` : 'nothing to carry',
    inputs: [
      { label: `lift of the ${float.floatName}`, text: formatWeight(float.liftN) },
      { label: 'its own weight', text: formatWeight(float.ownN) },
      ...float.parts.map(({ name, submergedN }) => ({
        label: `${name}, under water`,
        text: formatWeight(submergedN),
      })),
    ],
    rule: `Lift left for the load ÷ load. Below 1 it sinks, below ${FLOAT_MARGINAL} it is marginal for beginners. Fresh and dressed; hackle tires with fishing, foam does not.`,
    certainty: float.measured ? 'measured' : 'estimate',
  };
}

export function sinkFigure(rig: Rig, system: UnitSystem): Figure | null {
  const fly = pointFly(rig);
  if (!fly || ['adult', 'practice'].includes(DRESSINGS[fly.dressing].stage)) return null;
  const { terminalMs, timeTo } = freeSink(fly);
  const depthM = rig.line.kind === 'floating' ? rig.waterDepthM : SINK_DEPTH_M;
  if (terminalMs === 0) return null;
  const mass = flyMass(fly);
  return {
    id: 'sink',
    label: 'Point fly sinks',
    value: terminalMs,
    unit: 'm/s',
    limit: null,
    text: formatSpeed(terminalMs, system),
    inputs: [
      { label: fly.name, text: formatMass(mass.totalKg, system) },
      { label: 'weight under water', text: formatWeight(mass.submergedN) },
      { label: `to ${depthM.toFixed(1)} m, free`, text: `${timeTo(depthM).toFixed(1)} s` },
    ],
    rule: 'Free sink on slack: weight under water = ½ρ·C·A·v². A fly on tight tippet sinks slower.',
    certainty: mass.measured ? 'measured' : 'estimate',
  };
}

export function countFigure(rig: Rig, length: (metres: number) => string): Figure | null {
  const count = countdown(rig.line.kind, rig.waterDepthM);
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
    ],
    rule: 'Depth ÷ sink rate; type n sinks about n inches a second. Count one more each cast until weed, then one less.',
    certainty: 'rule of thumb',
  };
}

export function hingeFigure(rig: Rig): Figure | null {
  const { steps } = taperOf(rig);
  const steepest = steps
    .filter(({ hinge }) => hinge !== 'none')
    .sort((a, b) => b.stiffnessRatio - a.stiffnessRatio)[0];
  if (!steepest) return null;
  const chain = spans(rig);
  const at = chain.findIndex(({ section }) => section.id === steepest.sectionId);
  const [above, below] = [chain[at - 1]?.section.name ?? '', chain[at]?.section.name ?? ''];
  return {
    id: 'hinge',
    label: `Hinge, ${above} to ${below}`,
    value: steepest.stiffnessRatio,
    unit: 'ratio',
    limit: null,
    text: `${steepest.stiffnessRatio.toFixed(1)} : 1`,
    inputs: steps.map(({ sectionId, stiffnessRatio }) => ({
      label: `into ${chain.find(({ section }) => section.id === sectionId)?.section.name ?? sectionId}`,
      text: `${stiffnessRatio.toFixed(1)} : 1`,
    })),
    rule: `Bending stiffness goes with E·d⁴. A fall of ${HINGE_RATIO} or more in one knot folds the leader there; ${steepest.hinge === 'meant' ? 'here it is meant' : 'here it was not meant'}.`,
    certainty: 'estimate',
  };
}

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

const ADVICE: Record<LoopAdvice, string> = {
  any: 'any loop',
  open: 'open the loop',
  'water-load': 'let the water load it',
};

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
