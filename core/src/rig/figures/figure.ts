import type { CastingLoad } from '../cast/casting-load';
import type { TangleRisk } from '../cast/tangle';
import type { Turnover } from '../cast/turnover';
import type { Measured } from '../measured/measured';
import type { IndicatorSchool, Rig } from '../rig';
import type { Countdown } from '../sink/countdown';
import type { FloatMargin } from '../sink/float-margin';
import type { NetReach } from '../strength/net-reach';
import type { Link } from '../strength/strength';

/** How far a figure can be trusted. */
export type Certainty = 'measured' | 'computed' | 'rule-of-thumb' | 'estimate';

/** What each figure rests on, in SI: what its words are made of. */
export interface FigureFacts {
  'leader-length': { sections: { name: string; lengthM: number }[] };
  'indicator-distance': { school: IndicatorSchool; depthM: number };
  'breaks-first': {
    link: Link;
    /** All knots that carry the pull of the point fly. */
    knots: Link[];
    flyKnot: Rig['flies'][number]['knot'];
    /** What the knot at the fly leaves of its line, 0…1. */
    flyKnotShare: number;
  };
  'net-reach': NetReach & { rodM: number };
  'hook-count': { flies: { name: string; hookSize: number }[] };
  'float-margin': {
    float: FloatMargin;
    /** Minutes until it is to be dressed anew; null where that never comes. */
    dressAgainMin: number | null;
  };
  sink: {
    fly: string;
    massKg: number;
    submergedN: number;
    depthM: number;
    /** To that depth on slack, s. */
    seconds: number;
  };
  'count-to-depth': {
    depthM: number;
    count: Countdown;
    /** The same with every line that sinks, slowest first. */
    others: Countdown[];
  };
  hinge: {
    /** Names of the two sections between which the leader folds most. */
    above: string;
    below: string;
    isMeant: boolean;
    /** Every knot in the leader, by the section below it. */
    steps: { into: string; stiffnessRatio: number }[];
  };
  'starting-x': { hookSize: number; tippetM: number };
  turnover: { calm: Turnover; windy: Turnover; windMs: number };
  'casting-load': { load: CastingLoad; lineWeight: number };
  'tangle-risk': { risk: TangleRisk };
}

export type FigureId = keyof FigureFacts;

export interface FigureOf<Id extends FigureId> {
  id: Id;
  value: number;
  unit: 'm' | 'N' | 'hooks' | 'ratio' | 'kg' | 'm/s' | 's' | 'X' | 'tangles/h';
  /** The limit to compare with, in the same unit, where there is one. */
  limit: number | null;
  certainty: Certainty;
  /** The readings behind it, where something was measured. */
  measured: Measured | null;
  facts: FigureFacts[Id];
}

/** A computed figure that opens to its reason. Lengths in metres, forces in newtons; words are made elsewhere. */
export type Figure = { [Id in FigureId]: FigureOf<Id> }[FigureId];
