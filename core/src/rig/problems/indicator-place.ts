import { indicatorOf, leaderLength } from '../leader/leader-geometry';
import { indicatorDistance, placeIndicator } from '../sink/indicator-depth';
import type { Rig } from '../rig';
import { TEMPLATES } from '../templates';
import type { RigRule } from './rule';

/** Share by which the indicator may differ from its school before it is worth a word. */
const TOLERANCE = 0.1;

/** Indicator against the school chosen (some rigs have their own place for it), and whether the leader is long enough for it. */
export const indicatorPlace: RigRule = (rig) => {
  const indicator = indicatorOf(rig);
  if (!indicator || TEMPLATES[rig.template].ownIndicatorPlace) return [];
  const wantedM = indicatorDistance(rig.schools.indicator, rig.waterDepthM);
  const setM = indicator.aboveFlyM;
  if (wantedM > leaderLength(rig) - 0.1) {
    return [
      {
        id: 'leader-too-short',
        rule: 'leader-too-short',
        level: 'check',
        facts: { setM, wantedM, leaderM: leaderLength(rig) },
        fixes: [
          {
            does: 'longer-tippet',
            change: placeIndicator(lengthened(rig, wantedM + 0.5 - leaderLength(rig))),
          },
        ],
      },
    ];
  }
  if (Math.abs(indicator.aboveFlyM - wantedM) <= TOLERANCE * wantedM) return [];
  return [
    {
      id: 'indicator-off-school',
      rule: 'indicator-off-school',
      level: 'tip',
      facts: { setM, wantedM },
      fixes: [{ does: { move: 'indicator', toM: wantedM }, change: placeIndicator(rig) }],
    },
  ];
};

/** The rig with its first tippet section longer. */
function lengthened(rig: Rig, byM: number): Rig {
  const first = rig.sections.findIndex((section) => section.role === 'tippet');
  const at = first < 0 ? rig.sections.length - 1 : first;
  return {
    ...rig,
    sections: rig.sections.map((section, index) =>
      index === at ? { ...section, lengthM: Math.round((section.lengthM + byM) * 100) / 100 } : section,
    ),
  };
}
