import { type UnitSystem, formatForce, formatLength } from '../../units';
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
import { INDICATOR_FACTORS, SUSPENDED_CLEARANCE_M } from '../sink/indicator-depth';
import { hookCount } from '../strength/hook-count';
import { KNOTS, knotShare } from '../tackle/knots';
import { measuredLine } from '../measured/measured-line';
import { netReach } from '../strength/net-reach';
import type { Rig } from '../rig';
import { linksTo, weakestLink } from '../strength/strength';
import type { Figure } from './figure';

/**
 * All figures of a rig.
 *
 * @param maxHooks the water's limit, or null when no water is chosen
 * @param system only changes the texts, never a value
 */
export function rigFigures(rig: Rig, maxHooks: number | null, system: UnitSystem): Figure[] {
  const length = (metres: number): string => formatLength(metres, system);
  const figures: Figure[] = [
    {
      id: 'leader-length',
      label: 'Leader',
      value: leaderLength(rig),
      unit: 'm',
      limit: null,
      text: length(leaderLength(rig)),
      inputs: rig.sections.map((section) => ({ label: section.name, text: length(section.lengthM) })),
      rule: 'Sum of the sections from fly line to point fly; tags are not counted.',
      certainty: 'computed',
    },
  ];
  const indicator = indicatorOf(rig);
  if (indicator) figures.push(indicatorFigure(rig, indicator.aboveFlyM, length));
  const breaks = breaksFirstFigure(rig, system);
  if (breaks) figures.push(breaks);
  figures.push(
    ...[
      floatFigure(rig, system),
      sinkFigure(rig, system),
      countFigure(rig, length),
      hingeFigure(rig),
    ].flatMap((figure) => figure ?? []),
  );
  const reach = netReach(rig);
  const hooks = hookCount(rig);
  figures.push({
    id: 'net-reach',
    label: 'Line left at the net',
    value: reach.shortestM,
    unit: 'm',
    limit: reach.reachM,
    text: `${length(reach.shortestM)} of ${length(reach.reachM)}`,
    inputs: [
      { label: 'stops at the tip guide', text: reach.stoppedBy ?? 'nothing' },
      { label: 'rod', text: length(rig.rod.lengthM) },
      { label: 'rod + arm + net', text: length(reach.reachM) },
    ],
    rule: 'What cannot pass the tip guide sets the shortest line to the fish.',
    certainty: 'rule of thumb',
  });
  figures.push({
    id: 'hook-count',
    label: 'Hooks',
    value: hooks,
    unit: 'hooks',
    limit: maxHooks,
    text: maxHooks === null ? `${hooks}` : `${hooks} of ${maxHooks}`,
    inputs: rig.flies.map((fly) => ({ label: fly.name, text: `#${fly.hookSize}` })),
    rule: 'One hook a fly, against the rule card of the water.',
    certainty: 'computed',
  });
  figures.push(
    ...[startingXFigure(rig, system), turnoverFigure(rig, system)].flatMap((figure) => figure ?? []),
    loadFigure(rig, system),
    tangleFigure(rig),
  );
  return figures;
}

function indicatorFigure(rig: Rig, aboveFlyM: number, length: (m: number) => string): Figure {
  const school = rig.schools.indicator;
  return {
    id: 'indicator-distance',
    label: 'Indicator above point fly',
    value: aboveFlyM,
    unit: 'm',
    limit: null,
    text: length(aboveFlyM),
    inputs: [
      { label: 'water depth', text: length(rig.waterDepthM) },
      { label: 'distance ÷ depth', text: (aboveFlyM / rig.waterDepthM).toFixed(2) },
    ],
    rule:
      school === 'suspended'
        ? `Suspended: the depth less ${length(SUSPENDED_CLEARANCE_M)}, for slow water.`
        : `${INDICATOR_FACTORS[school]} × depth, for water that runs; it reaches too far in slow water.`,
    certainty: 'rule of thumb',
  };
}

function breaksFirstFigure(rig: Rig, system: UnitSystem): Figure | null {
  const fly = pointFly(rig);
  const link = fly && weakestLink(rig, fly);
  if (!fly || !link) return null;
  return {
    id: 'breaks-first',
    label: 'Breaks first',
    value: link.holdsN,
    unit: 'N',
    limit: null,
    text: `${link.label}, ${formatForce(link.holdsN, system)}`,
    inputs: [
      ...linksTo(rig, fly)
        .filter((candidate) => candidate.kind === 'knot')
        .map((candidate) => ({ label: candidate.label, text: formatForce(candidate.holdsN, system) })),
      {
        label: 'lost if it parts there',
        text: `${link.lostFlies} ${link.lostFlies === 1 ? 'fly' : 'flies'}, ${formatLength(link.lostLengthM, system)} of leader`,
      },
      ...measuredLine(link.measured),
    ],
    rule: `Each section holds stress × section area; each knot holds its share of the weaker line (${KNOTS[fly.knot].name} ${Math.round(knotShare(fly.knot, rig.measured) * 100)} %). The smallest decides.`,
    certainty: link.measured ? 'measured' : 'estimate',
  };
}
