import {
  type Certainty,
  FALLS_SHORT,
  type Figure,
  type FigureId,
  type FigureOf,
  FLOAT_MARGINAL,
  formatForce,
  formatLength,
  formatMass,
  formatSpeed,
  formatTippet,
  formatWeight,
  formatWind,
  GRAVITY,
  HINGE_RATIO,
  INDICATOR_FACTORS,
  type LoopAdvice,
  type Measured,
  SUSPENDED_CLEARANCE_M,
  TURNS_OVER,
  type TurnoverVerdict,
  type UnitSystem,
} from '@doceo/core';
import type { Evidence } from './problem';
import { rigPartText } from './rig-parts';
import { KNOT_NAMES, LINE_NAMES } from './tackle';
import { tangleText } from './tangles';

/** A figure in words: its value, what it was made of, and the rule by which. */
export interface FigureInWords {
  id: FigureId;
  label: string;
  text: string;
  inputs: Evidence[];
  rule: string;
  /** How sure it is. */
  certainty: string;
}

const CERTAINTIES: Record<Certainty, string> = {
  measured: 'measured',
  computed: 'computed',
  'rule-of-thumb': 'rule of thumb',
  estimate: 'estimate',
};

const LOOPS: Record<LoopAdvice, string> = {
  any: 'any loop',
  open: 'open the loop',
  'water-load': 'let the water load it',
};

const VERDICTS: Record<TurnoverVerdict, string> = {
  'lays-out': 'lays out',
  'firm-stop': 'needs a firm stop',
  heap: 'falls in a heap',
};

type Words = Pick<FigureInWords, 'label' | 'text' | 'inputs' | 'rule'>;

const WORDS: { [Id in FigureId]: (figure: FigureOf<Id>, units: UnitSystem) => Words } = {
  'leader-length': ({ value, facts: { sections } }, units) => ({
    label: 'Leader',
    text: formatLength(value, units),
    inputs: sections.map(({ name, lengthM }) => ({ label: name, text: formatLength(lengthM, units) })),
    rule: 'Sum of the sections from fly line to point fly; tags are not counted.',
  }),
  'indicator-distance': ({ value, facts: { school, depthM } }, units) => ({
    label: 'Indicator above point fly',
    text: formatLength(value, units),
    inputs: [
      { label: 'water depth', text: formatLength(depthM, units) },
      { label: 'distance ÷ depth', text: (value / depthM).toFixed(2) },
    ],
    rule:
      school === 'suspended'
        ? `Suspended: the depth less ${formatLength(SUSPENDED_CLEARANCE_M, units)}, for slow water.`
        : `${INDICATOR_FACTORS[school]} × depth, for water that runs; it reaches too far in slow water.`,
  }),
  'breaks-first': ({ value, facts: { link, knots, flyKnot, flyKnotShare } }, units) => ({
    label: 'Breaks first',
    text: `${rigPartText(link.part)}, ${formatForce(value, units)}`,
    inputs: [
      ...knots.map(({ part, holdsN }) => ({ label: rigPartText(part), text: formatForce(holdsN, units) })),
      {
        label: 'lost if it parts there',
        text: `${link.lostFlies} ${link.lostFlies === 1 ? 'fly' : 'flies'}, ${formatLength(link.lostLengthM, units)} of leader`,
      },
    ],
    rule: `Each section holds stress × section area; each knot holds its share of the weaker line (${KNOT_NAMES[flyKnot]} ${Math.round(flyKnotShare * 100)} %). The smallest decides.`,
  }),
  'net-reach': ({ facts: { shortestM, reachM, stoppedBy, rodM } }, units) => ({
    label: 'Line left at the net',
    text: `${formatLength(shortestM, units)} of ${formatLength(reachM, units)}`,
    inputs: [
      { label: 'stops at the tip guide', text: stoppedBy ? rigPartText(stoppedBy) : 'nothing' },
      { label: 'rod', text: formatLength(rodM, units) },
      { label: 'rod + arm + net', text: formatLength(reachM, units) },
    ],
    rule: 'What cannot pass the tip guide sets the shortest line to the fish.',
  }),
  'hook-count': ({ value, limit, facts: { flies } }) => ({
    label: 'Hooks',
    text: limit === null ? `${value}` : `${value} of ${limit}`,
    inputs: flies.map(({ name, hookSize }) => ({ label: name, text: `#${hookSize}` })),
    rule: 'One hook a fly, against the rule card of the water.',
  }),
  'float-margin': ({ facts: { float, dressAgainMin } }, units) => ({
    label: float.kind === 'dry' ? 'Dry carries its load' : 'Indicator carries its load',
    text: Number.isFinite(float.margin) ? `${float.margin.toFixed(1)} ×` : 'nothing to carry',
    inputs: [
      { label: `lift of the ${rigPartText(float.float)}`, text: formatWeight(float.liftN, units) },
      { label: 'its own weight', text: formatWeight(float.ownN, units) },
      ...float.parts.map(({ part, submergedN }) => ({
        label: `${rigPartText(part)}, under water`,
        text: formatWeight(submergedN, units),
      })),
      ...(dressAgainMin === null
        ? []
        : [{ label: 'dry and dress it again after', text: `${dressAgainMin} min` }]),
    ],
    rule: `Lift left for the load ÷ load. Below 1 it sinks, below ${FLOAT_MARGINAL} it is marginal for beginners. Fresh and dressed; hackle and yarn tire with fishing, foam does not.`,
  }),
  sink: ({ value, facts: { fly, massKg, submergedN, depthM, seconds } }, units) => ({
    label: 'Point fly sinks',
    text: formatSpeed(value, units),
    inputs: [
      { label: fly, text: formatMass(massKg, units) },
      { label: 'weight under water', text: formatWeight(submergedN, units) },
      { label: `to ${formatLength(depthM, units)}, free`, text: `${seconds.toFixed(1)} s` },
    ],
    rule: 'Free sink on slack: weight under water = ½ρ·C·A·v². A fly on tight tippet sinks slower.',
  }),
  'count-to-depth': ({ facts: { depthM, count, others } }, units) => ({
    label: `Count to ${formatLength(depthM, units)}`,
    text: `${count.fromSeconds.toFixed(0)} to ${count.toSeconds.toFixed(0)} s`,
    inputs: [
      { label: 'line', text: LINE_NAMES[count.line] },
      { label: 'depth ÷ sink rate', text: `${count.seconds.toFixed(0)} s` },
      ...others.map(({ line, seconds }) => ({
        label: `with a ${LINE_NAMES[line]} line`,
        text: `${seconds.toFixed(0)} s`,
      })),
    ],
    rule: 'Depth ÷ sink rate; type n sinks about n inches a second. Count one more each cast until weed, then one less.',
  }),
  hinge: ({ value, facts: { above, below, isMeant, steps } }) => ({
    label: `Hinge, ${above} to ${below}`,
    text: `${value.toFixed(1)} : 1`,
    inputs: steps.map(({ into, stiffnessRatio }) => ({
      label: `into ${into}`,
      text: `${stiffnessRatio.toFixed(1)} : 1`,
    })),
    rule: `Bending stiffness goes with E·d⁴. A fall of ${HINGE_RATIO} or more in one knot folds the leader there; ${isMeant ? 'here it is meant' : 'here it was not meant'}.`,
  }),
  'starting-x': ({ value, facts: { hookSize, tippetM } }, units) => ({
    label: 'X to start with',
    text: `${value}X, tied: ${formatTippet(tippetM, units)}`,
    inputs: [
      { label: 'hook', text: `#${hookSize}` },
      { label: 'hook ÷ 3', text: (hookSize / 3).toFixed(1) },
      { label: 'hook ÷ 4', text: (hookSize / 4).toFixed(1) },
    ],
    rule: 'Hook size ÷ 3 gives the X to start with, ÷ 4 for bushy flies and strong fish.',
  }),
  turnover: ({ facts: { calm, windy, windMs } }, units) => ({
    label: 'Does it turn over?',
    text: `${VERDICTS[calm.verdict]}, ${calm.ratio.toFixed(1)} : 1`,
    inputs: [
      { label: 'leader', text: formatWeight(calm.leaderKg * GRAVITY, units) },
      { label: 'air pushed aside, same measure', text: formatWeight(calm.airKg * GRAVITY, units) },
      {
        label: `into a wind of ${formatWind(windMs, units)}`,
        text: `${VERDICTS[windy.verdict]}, ${windy.ratio.toFixed(1)} : 1`,
      },
    ],
    rule: `Energy of the leader against the drag of flies and fittings while it unrolls. From ${TURNS_OVER} it lays out, below ${FALLS_SHORT} it falls in a heap. Compare two leaders by it.`,
  }),
  'casting-load': ({ facts: { load, lineWeight } }, units) => ({
    label: 'What the cast must carry',
    text: `${formatMass(load.massKg, units)}, ${LOOPS[load.advice]}`,
    inputs: [
      { label: `head of a ${lineWeight} line`, text: formatMass(load.headKg, units) },
      { label: 'flies and fittings ÷ head', text: `${(load.share * 100).toFixed(0)} %` },
      { label: 'area in the wind', text: `${(load.windAreaM2 * 1e4).toFixed(1)} cm²` },
    ],
    rule: 'Weight on the leader or two flies: open, oval loop. Beyond a seventh of the head: let the water load the rod. Hats and glasses either way.',
  }),
  'tangle-risk': ({ facts: { risk } }, units) => ({
    label: 'Tangles of a beginner',
    text: `${risk.perHour.toFixed(1)} an hour, ${risk.level}`,
    inputs: risk.parts.map((part) => tangleText(part, units)),
    rule: 'A sum of what flies, tags, indicator, shot, hinges and length add, without wind.',
  }),
};

/** A figure of a rig in words. */
export function rigFigureInWords<Id extends FigureId>(
  figure: FigureOf<Id>,
  units: UnitSystem,
): FigureInWords {
  const { inputs, ...words } = WORDS[figure.id](figure, units);
  return {
    ...{ id: figure.id, certainty: CERTAINTIES[figure.certainty] },
    ...words,
    inputs: [...inputs, ...measuredLine(figure.measured)],
  };
}

/** All figures of a rig in words. */
export function rigFiguresInWords(figures: readonly Figure[], units: UnitSystem): FigureInWords[] {
  return figures.map((figure) => rigFigureInWords(figure, units));
}

/** The line that tells of the readings behind a figure; none without. */
function measuredLine(measured: Measured | null): Evidence[] {
  if (!measured) return [];
  const { readings, on } = measured;
  return [{ label: 'measured', text: `${readings} ${readings === 1 ? 'reading' : 'readings'}, last ${on}` }];
}
