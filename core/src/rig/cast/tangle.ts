import type { Rig } from '../rig';
import { taperOf } from '../leader/taper';

export type TangleLevel = 'low' | 'some' | 'high';

export interface TangleRisk {
  /** Expected tangles of a beginner in an hour. */
  perHour: number;
  level: TangleLevel;
  parts: { name: string; adds: number }[];
}

/** What each thing on a leader adds to a beginner's tangles in an hour of casting. Rules of thumb, ± half. */
const BASE = 0.3;
const PER_EXTRA_FLY = 0.7;
const PER_DROPPER_METRE = 1;
const INDICATOR = 0.35;
const PER_SHOT = 0.4;
const PER_HINGE = 0.25;
/** Leader beyond this length is hard to straighten for a beginner, metres. */
const LONG_LEADER_M = 3;
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
  const parts = [
    { name: 'casting at all', adds: BASE },
    { name: `${extra} more ${extra === 1 ? 'fly' : 'flies'}`, adds: extra * PER_EXTRA_FLY },
    { name: 'length of tags', adds: tagsM * PER_DROPPER_METRE },
    { name: 'indicator', adds: rig.fittings.some(({ kind }) => kind === 'indicator') ? INDICATOR : 0 },
    { name: 'shot', adds: shots * PER_SHOT },
    { name: 'hinges', adds: taperOf(rig).hinges * PER_HINGE },
    { name: 'leader beyond 3 m', adds: Math.max(0, leaderM - LONG_LEADER_M) * PER_LONG_METRE },
  ].filter(({ adds }) => adds > 0);
  const perHour = parts.reduce((sum, { adds }) => sum + adds, 0);
  return { perHour, level: perHour >= HIGH_FROM ? 'high' : perHour >= SOME_FROM ? 'some' : 'low', parts };
}
