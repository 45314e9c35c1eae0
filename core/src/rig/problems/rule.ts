import type { Problem } from '../../problem';
import type { Method, RuleCard } from '../../water';
import type { LoopAdvice } from '../cast/casting-load';
import type { Rig } from '../rig';
import type { RigPart } from '../rig-part';
import type { TanglePart } from '../cast/tangle';
import type { KnotId } from '../tackle/ids';
import type { TiedLine } from '../tied-line';
import type { KnotUse } from '../tackle/knots';

/** Why a knot does not suit where it is tied. */
export type KnotMisfit =
  | { kind: 'other-use'; use: KnotUse }
  | { kind: 'slips'; strand: TiedLine }
  | { kind: 'outside-range'; strand: TiedLine; thinnestM: number; thickestM: number }
  | { kind: 'diameters-differ'; upper: TiedLine; lower: TiedLine; ratio: number; maxRatio: number }
  | { kind: 'stiffness-differs'; upper: TiedLine; lower: TiedLine };

/** What each rule says of a rig, as facts; names are those of the rig's own parts. SI. */
export interface RigFacts {
  'no-point-fly': object;
  'breaks-above-tippet': { fly: string; link: RigPart; holdsN: number; lostFlies: number };
  'net-too-far': { stoppedBy: RigPart; shortestM: number; reachM: number };
  'hooks-over-limit': { water: string; hooks: number; maxHooks: number };
  'lead-not-allowed': { water: string; shot: number };
  barbs: { water: string; flies: string[]; said: boolean };
  'method-not-allowed': { water: string; method: Exclude<Method, 'wading'>; parts: RigPart[] };
  'thin-to-fly-line': { section: string; diameterM: number; minM: number };
  'knot-unsuited': { knot: KnotId; misfit: KnotMisfit; strands: TiedLine[] };
  'dropper-too-thick': { fly: string; tagM: number; holder: string; holderM: number };
  'float-too-small': {
    float: RigPart;
    sinks: boolean;
    margin: number;
    wanted: number;
    liftN: number;
    loadN: number;
  };
  'hinge-by-mistake': { section: string; ratio: number; hingeRatio: number };
  'hinge-too-mild': { section: string; ratio: number; hingeRatio: number };
  'shot-below-dry': { dry: string; shot: number };
  'dropper-on-barbless-bend': { dry: string; water: string };
  'leader-too-short': { setM: number; wantedM: number; leaderM: number };
  'indicator-off-school': { setM: number; wantedM: number };
  'tangle-risk': { perHour: number; fewerFlies: boolean; parts: readonly TanglePart[] };
  'open-loop': { advice: Exclude<LoopAdvice, 'any'>; headShare: number; shot: number };
}

/** What a one-click fix does; the mended rig goes with it. */
export type RigFix =
  | 'one-fly'
  | 'no-shot'
  | 'fewer-hooks'
  | 'tin-shot'
  | 'barbs-flat'
  | 'float-off'
  | 'shot-off'
  | 'slip-release'
  | 'within-reach'
  | 'larger-float'
  | 'lighter-nymph'
  | 'finer-tippet'
  | 'as-leader'
  | 'add-butt'
  | 'hinge-meant'
  | 'no-hinge-meant'
  | 'longer-tippet'
  | { move: 'indicator'; toM: number }
  | { tie: KnotId };

/** What a rule found wrong with a rig; a fix brings the mended rig. */
export type RigProblem = Problem<RigFacts, RigFix, Rig>;

/** What a rig is checked against: the water's name and card, or null when none is chosen. */
export interface RigContext {
  water: { name: string; rules: RuleCard } | null;
}

export type RigRule = (rig: Rig, context: RigContext) => RigProblem[];
