import type { Rig } from '../rig';
import { taperOf } from '../leader/taper';

export type TangleLevel = 'low' | 'some' | 'high';

/** What adds to the tangles of a rig: how many of it there are, where they are counted, and what they add an hour. */
export interface TanglePart {
  of: 'casting' | 'more-flies' | 'tags' | 'indicator' | 'shot' | 'hinges' | 'long-leader';
  count: number | null;
  adds: number;
}

export interface TangleRisk {
  /** Expected tangles of a beginner in an hour. */
  perHour: number;
  level: TangleLevel;
  parts: TanglePart[];
}

/** What each thing on a leader adds to a beginner's tangles in an hour of casting. Rules of thumb, ± half. */
const BASE = 0.3;
const PER_EXTRA_FLY = 0.7;
const PER_DROPPER_METRE = 1;
const INDICATOR = 0.35;
const PER_SHOT = 0.4;
const PER_HINGE = 0.25;
/** Leader beyond this length is hard to straighten for a beginner, metres. */
export const LONG_LEADER_M = 3;
const PER_LONG_METRE = 0.3;
const SOME_FROM = 0.9;
const HIGH_FROM = 1.8;

/**
 * Tangles a beginner must expect with a rig, before wind.
 *
 * A sum of what flies, droppers, indicator, shot, hinges and length add; a rule of thumb that the bank book's own
 * counts of tangles replace.
 */
export function tangleRisk(rig: Rig): TangleRisk {
  const extra = Math.max(0, rig.flies.length - 1);
  const tagsM = rig.flies.reduce((sum, { at }) => sum + (at.kind === 'tag' ? at.lengthM : 0), 0);
  const shots = rig.fittings.filter(({ kind }) => kind === 'shot').length;
  const leaderM = rig.sections.reduce((sum, { lengthM }) => sum + lengthM, 0);
  const all: TanglePart[] = [
    { of: 'casting', count: null, adds: BASE },
    { of: 'more-flies', count: extra, adds: extra * PER_EXTRA_FLY },
    { of: 'tags', count: null, adds: tagsM * PER_DROPPER_METRE },
    {
      of: 'indicator',
      count: null,
      adds: rig.fittings.some(({ kind }) => kind === 'indicator') ? INDICATOR : 0,
    },
    { of: 'shot', count: shots, adds: shots * PER_SHOT },
    { of: 'hinges', count: null, adds: taperOf(rig).hinges * PER_HINGE },
    { of: 'long-leader', count: null, adds: Math.max(0, leaderM - LONG_LEADER_M) * PER_LONG_METRE },
  ];
  const parts = all.filter(({ adds }) => adds > 0);
  const perHour = parts.reduce((sum, { adds }) => sum + adds, 0);
  return { perHour, level: perHour >= HIGH_FROM ? 'high' : perHour >= SOME_FROM ? 'some' : 'low', parts };
}
