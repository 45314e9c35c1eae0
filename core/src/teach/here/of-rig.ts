import { unrollTime } from '../../bank';
import { indicatorDistance, indicatorOf, linksTo, pointFly, type Rig } from '../../rig';
import type { HereQuestion } from './here-question';

/** Two answers that lie closer than this share are one and the same to who ties them. */
const APART = 0.15;
/** Wrong distances and pauses, as shares of the right one: the usual mistakes. */
const SHORT = 0.55;
const LONG = 1.7;

/** Where the leader of the point fly parts first: asked where one link is clearly the weakest. */
export function partsFirst(rig: Rig): HereQuestion[] {
  const fly = pointFly(rig);
  const links = fly ? linksTo(rig, fly).sort((a, b) => a.holdsN - b.holdsN) : [];
  const [right, ...others] = links.map(({ part, holdsN }) => ({ part, holdsN }));
  const wrong = others.filter(({ holdsN }) => right && holdsN > right.holdsN * (1 + APART));
  const clear = right && others[0] && others[0].holdsN > right.holdsN * (1 + APART / 3);
  if (!fly || !clear || wrong.length === 0) return [];
  return [
    {
      id: 'here.parts-first',
      skillId: 'rigging.tippet-choice',
      kind: 'parts-first',
      fly: fly.name,
      right,
      wrong: [wrong[0]!, ...(wrong.length > 1 ? [wrong.at(-1)!] : [])],
    },
  ];
}

/**
 * How far above the point fly the indicator sits.
 *
 * @param depthM of the water, metres, above 0
 */
export function indicatorQuestion(rig: Rig, depthM: number): HereQuestion[] {
  if (!indicatorOf(rig)) return [];
  const school = rig.schools.indicator;
  const right = indicatorDistance(school, depthM);
  return [
    {
      id: 'here.indicator',
      skillId: 'rigging.indicator-depth',
      kind: 'indicator',
      ...{ school, depthM, right },
      wrong: [right * SHORT, right * LONG],
    },
  ];
}

/**
 * How long the pause is with so much line out.
 *
 * @param lineM beyond the rod tip, metres; 0 when none flies
 */
export function pauseQuestion(lineM: number): HereQuestion[] {
  if (lineM <= 0) return [];
  const { fromS, toS } = unrollTime(lineM);
  const right = (fromS + toS) / 2;
  return [
    {
      id: 'here.pause',
      skillId: 'casting.pause',
      kind: 'pause',
      ...{ lineM, right },
      wrong: [right * SHORT, right * LONG],
    },
  ];
}
