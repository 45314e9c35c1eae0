import {
  countFigure,
  floatFigure,
  hingeFigure,
  loadFigure,
  sinkFigure,
  startingXFigure,
  tangleFigure,
  turnoverFigure,
} from './load-figures';
import { indicatorOf, leaderLength, pointFly } from '../leader/leader-geometry';
import { hookCount } from '../strength/hook-count';
import { knotShare } from '../tackle/knots';
import { netReach } from '../strength/net-reach';
import type { Rig } from '../rig';
import { linksTo, weakestLink } from '../strength/strength';
import type { Figure, FigureOf } from './figure';

/**
 * All figures of a rig.
 *
 * @param maxHooks the water's limit, or null when no water is chosen
 */
export function rigFigures(rig: Rig, maxHooks: number | null): Figure[] {
  return [
    leaderFigure(rig),
    indicatorFigure(rig),
    breaksFirstFigure(rig),
    floatFigure(rig),
    sinkFigure(rig),
    countFigure(rig),
    hingeFigure(rig),
    reachFigure(rig),
    hooksFigure(rig, maxHooks),
    startingXFigure(rig),
    turnoverFigure(rig),
    loadFigure(rig),
    tangleFigure(rig),
  ].flatMap((figure) => figure ?? []);
}

function leaderFigure(rig: Rig): FigureOf<'leader-length'> {
  return {
    ...{ id: 'leader-length', value: leaderLength(rig), unit: 'm', limit: null },
    ...{ certainty: 'computed', measured: null },
    facts: { sections: rig.sections.map(({ name, lengthM }) => ({ name, lengthM })) },
  };
}

function indicatorFigure(rig: Rig): FigureOf<'indicator-distance'> | null {
  const indicator = indicatorOf(rig);
  if (!indicator) return null;
  return {
    ...{ id: 'indicator-distance', value: indicator.aboveFlyM, unit: 'm', limit: null },
    ...{ certainty: 'rule-of-thumb', measured: null },
    facts: { school: rig.schools.indicator, depthM: rig.waterDepthM },
  };
}

function breaksFirstFigure(rig: Rig): FigureOf<'breaks-first'> | null {
  const fly = pointFly(rig);
  const link = fly && weakestLink(rig, fly);
  if (!fly || !link) return null;
  return {
    ...{ id: 'breaks-first', value: link.holdsN, unit: 'N', limit: null },
    ...{ certainty: link.measured ? 'measured' : 'estimate', measured: link.measured },
    facts: {
      link,
      knots: linksTo(rig, fly).filter(({ kind }) => kind === 'knot'),
      flyKnot: fly.knot,
      flyKnotShare: knotShare(fly.knot, rig.measured),
    },
  };
}

function reachFigure(rig: Rig): FigureOf<'net-reach'> {
  const reach = netReach(rig);
  return {
    ...{ id: 'net-reach', value: reach.shortestM, unit: 'm', limit: reach.reachM },
    ...{ certainty: 'rule-of-thumb', measured: null },
    facts: { ...reach, rodM: rig.rod.lengthM },
  };
}

function hooksFigure(rig: Rig, maxHooks: number | null): FigureOf<'hook-count'> {
  return {
    ...{ id: 'hook-count', value: hookCount(rig), unit: 'hooks', limit: maxHooks },
    ...{ certainty: 'computed', measured: null },
    facts: { flies: rig.flies.map(({ name, hookSize }) => ({ name, hookSize })) },
  };
}
