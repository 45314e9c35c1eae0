import {
  formatDiameter,
  formatForce,
  formatLength,
  formatTippet,
  formatWeight,
  type KnotMisfit,
  type Rig,
  type RigFacts,
  type RigFix,
  type RigProblem,
  type TiedLine,
  type UnitSystem,
} from '@doceo/core';
import { type Evidence, inWords, type ProblemInWords, type Worded } from './problem';
import { rigPartText } from './rig-parts';
import { KNOT_NAMES, MATERIAL_NAMES } from './tackle';
import { tangleText } from './tangles';
import { capital, listed } from './words';

const WORDS: Worded<RigFacts> = {
  'no-point-fly': () => ({
    title: 'No fly at the point',
    reason: 'Tie a fly to the end of the tippet; everything is measured from it.',
    evidence: [],
  }),
  'breaks-above-tippet': ({ fly, link, holdsN, lostFlies }, units) => ({
    title: 'Breaks above the tippet',
    reason: `A pull on the ${fly} parts the ${rigPartText(link)} first and leaves line in the fish.`,
    evidence: [
      { label: rigPartText(link), text: formatForce(holdsN, units) },
      { label: 'lost', text: `${lostFlies} flies` },
    ],
  }),
  'net-too-far': ({ stoppedBy, shortestM, reachM }, units) => ({
    title: 'Too long to net a fish',
    reason: `The ${rigPartText(stoppedBy)} stops at the tip guide with ${formatLength(shortestM, units)} of line still out.`,
    evidence: [
      { label: 'line left', text: formatLength(shortestM, units) },
      { label: 'rod, arm and net', text: formatLength(reachM, units) },
    ],
  }),
  'hooks-over-limit': ({ water, hooks, maxHooks }) => ({
    title: 'More hooks than the card allows',
    reason: `${water} allows ${maxHooks}. The card is a reminder; the water's own rules decide.`,
    evidence: [{ label: 'hooks', text: `${hooks} of ${maxHooks}` }],
  }),
  'lead-not-allowed': ({ water, shot }) => ({
    title: 'Lead is not allowed here',
    reason: `The card of ${water} asks for non-toxic shot.`,
    evidence: [{ label: 'lead shot', text: `${shot}` }],
  }),
  barbs: ({ water, flies, said }) => ({
    title: said ? 'Barbs are not allowed here' : 'Barbless here: are they flat?',
    reason: said
      ? `The card of ${water} asks for hooks without a barb.`
      : `The card of ${water} asks for hooks without a barb, and nobody has said it of these.`,
    evidence: [{ label: flies.length === 1 ? 'fly' : 'flies', text: listed(flies) }],
  }),
  'method-not-allowed': ({ water, method, parts }) => ({
    title: `${METHOD_WORDS[method]} not allowed here`,
    reason: `The card of ${water} says so. It is a reminder; the water's own rules decide.`,
    evidence: [{ label: 'on the leader', text: listed([...new Set(parts.map(rigPartText))]) }],
  }),
  'thin-to-fly-line': ({ section, diameterM, minM }, units) => ({
    title: 'Thin line in the fly line’s loop',
    reason: 'It cuts the coating of the loop; the core soaks and the tip sinks. Put a heavier butt between.',
    evidence: [
      { label: section, text: formatDiameter(diameterM, units) },
      { label: 'at least', text: formatDiameter(minM, units) },
    ],
  }),
  'knot-unsuited': ({ knot, misfit, strands }, units) => ({
    title: `${capital(KNOT_NAMES[knot])} does not suit here`,
    reason: misfitText(misfit, units),
    evidence: strands.map(({ part, diameterM, material }) => ({
      label: rigPartText(part),
      text: `${formatDiameter(diameterM, units)} ${MATERIAL_NAMES[material]}`,
    })),
  }),
  'dropper-too-thick': ({ fly, tagM, holder, holderM }, units) => ({
    title: 'Dropper thicker than its leader',
    reason: `The tag of the ${fly} outlasts the ${holder} that holds it: a snagged dropper takes both flies.`,
    evidence: [
      { label: 'tag', text: formatTippet(tagM, units) },
      { label: holder, text: formatTippet(holderM, units) },
    ],
  }),
  'float-too-small': ({ float, sinks, margin, wanted, liftN, loadN }, units) => ({
    title: sinks ? `The ${rigPartText(float)} sinks` : `The ${rigPartText(float)} only just floats`,
    reason: `It carries ${margin.toFixed(1)} times what hangs below it; a beginner wants ${wanted}.`,
    evidence: [
      { label: 'lift', text: formatWeight(liftN, units) },
      { label: 'hangs below', text: formatWeight(loadN, units) },
    ],
  }),
  'hinge-by-mistake': ({ section, ratio, hingeRatio }) => ({
    title: `Hinge above the ${section}`,
    reason: `Stiffness falls ${ratio.toFixed(1)} times in one knot: the leader folds there and the fly lands in a heap.`,
    evidence: [{ label: 'stiffness', text: `${ratio.toFixed(1)} : 1, a hinge from ${hingeRatio}` }],
  }),
  'hinge-too-mild': ({ section, ratio, hingeRatio }) => ({
    title: 'The hinge does not fold',
    reason: `Stiffness falls only ${ratio.toFixed(1)} times above the ${section}; it takes ${hingeRatio}.`,
    evidence: [{ label: 'stiffness', text: `${ratio.toFixed(1)} : 1` }],
  }),
  'shot-below-dry': ({ dry, shot }) => ({
    title: 'Shot below a dry fly',
    reason: `It hinges below the ${dry} and tangles. For depth take a tungsten bead.`,
    evidence: [{ label: 'shot', text: `${shot}` }],
  }),
  'dropper-on-barbless-bend': ({ dry, water }) => ({
    title: 'Dropper on a barbless bend',
    reason: `A fish may slide it off the ${dry}. In the eye or on a tag it stays; schools differ.`,
    evidence: [{ label: water, text: 'barbless' }],
  }),
  'leader-too-short': ({ setM, wantedM, leaderM }, units) => ({
    title: 'Leader too short for this depth',
    reason: `The school asks for ${formatLength(wantedM, units)} below the indicator; the leader has ${formatLength(leaderM, units)}.`,
    evidence: indicatorAt(setM, wantedM, units),
  }),
  'indicator-off-school': ({ setM, wantedM }, units) => ({
    title: setM > wantedM ? 'Indicator set deep' : 'Indicator set shallow',
    reason: 'It differs from the school you chose. Right if the bottom ticks about one cast in six.',
    evidence: indicatorAt(setM, wantedM, units),
  }),
  'tangle-risk': ({ perHour, fewerFlies, parts }, units) => ({
    title: 'Tangle risk for beginners: high',
    reason: `About ${perHour.toFixed(1)} tangles an hour. ${fewerFlies ? 'One fly teaches the same.' : 'A heavier bead instead of shot teaches the same.'}`,
    evidence: parts.map((part) => tangleText(part, units)),
  }),
  'open-loop': ({ advice, headShare, shot }) => ({
    title:
      advice === 'open' ? 'Weight on the leader: open the loop' : 'Heavy rig: let the water load the rod',
    reason: `${advice === 'open' ? 'Oval or water-loaded cast' : 'Water-loaded cast, no false cast'}, hats and glasses on everybody near. A tight loop with weight can break a rod and hit a person.`,
    evidence: [
      { label: 'rig against the line’s head', text: `${(headShare * 100).toFixed(0)} %` },
      { label: 'shot', text: `${shot}` },
    ],
  }),
};

const METHOD_WORDS = { float: 'An indicator is', shot: 'Shot is', 'sinking-fly': 'Flies that sink are' };

const FIXES: Record<Extract<RigFix, string>, string> = {
  'one-fly': 'One fly',
  'no-shot': 'No shot',
  'fewer-hooks': 'Take the dropper off',
  'tin-shot': 'Use tin',
  'barbs-flat': 'The barbs are flat',
  'float-off': 'Take the indicator off',
  'shot-off': 'Take the shot off',
  'slip-release': 'Slip-release indicator',
  'within-reach': 'Move it within reach',
  'larger-float': 'Larger float',
  'lighter-nymph': 'Lighter nymph',
  'finer-tippet': 'Finer tippet',
  'as-leader': 'Same size as the leader',
  'add-butt': 'Add a butt',
  'hinge-meant': 'It is meant',
  'no-hinge-meant': 'No hinge is meant',
  'longer-tippet': 'Lengthen the tippet',
};

/** What a fix of a rig is called on its button. */
export function rigFixText(fix: RigFix, units: UnitSystem): string {
  if (typeof fix === 'string') return FIXES[fix];
  return 'tie' in fix ? `Use a ${KNOT_NAMES[fix.tie]}` : `Move to ${formatLength(fix.toM, units)}`;
}

const JOINS: Record<Extract<KnotMisfit, { kind: 'other-use' }>['use'], string> = {
  'line-to-fly': 'tie a line to a fly',
  'line-to-bend': 'join a line to a fly',
  'line-to-line': 'join two lines',
  'line-to-loop': 'join a leader to the loop of a fly line',
  'line-to-ring': 'tie a line to a ring',
};

function misfitText(misfit: KnotMisfit, units: UnitSystem): string {
  const material = ({ material: id }: TiedLine): string => MATERIAL_NAMES[id];
  switch (misfit.kind) {
    case 'other-use':
      return `It is not a knot to ${JOINS[misfit.use]}.`;
    case 'slips':
      return `It slips in ${material(misfit.strand)} (${rigPartText(misfit.strand.part)}).`;
    case 'outside-range':
      return `It seats well from ${formatDiameter(misfit.thinnestM, units)} to ${formatDiameter(misfit.thickestM, units)}; ${rigPartText(misfit.strand.part)} is ${formatDiameter(misfit.strand.diameterM, units)}.`;
    case 'diameters-differ':
      return `${capital(rigPartText(misfit.upper.part))} and ${rigPartText(misfit.lower.part)} differ ${misfit.ratio.toFixed(1)}-fold in diameter; this knot slips above ${misfit.maxRatio}.`;
    case 'stiffness-differs':
      return `${capital(material(misfit.upper))} and ${material(misfit.lower)} are too unlike in stiffness: the wraps lie unevenly.`;
  }
}

function indicatorAt(setM: number, wantedM: number, units: UnitSystem): Evidence[] {
  return [
    { label: 'set at', text: formatLength(setM, units) },
    { label: 'this school', text: formatLength(wantedM, units) },
  ];
}

/** A problem of a rig in words, with its fixes. */
export function rigProblemInWords(problem: RigProblem, units: UnitSystem): ProblemInWords<Rig> {
  return inWords(problem, WORDS, rigFixText, units);
}
