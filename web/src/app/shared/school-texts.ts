import type { RigSchools } from '@doceo/core';

interface Way {
  name: string;
  reason: string;
}

type SchoolTexts = { [Key in keyof RigSchools]: { label: string; ways: Record<RigSchools[Key], Way> } };

/** Where good instructors differ about rigs: each way with its reason. */
export const SCHOOLS: SchoolTexts = {
  indicator: {
    label: 'Indicator at',
    ways: {
      'one-and-half': {
        name: '1.5 × depth',
        reason: 'Line enough for the fly to trail and still reach the bottom in water that runs.',
      },
      double: {
        name: '2 × depth',
        reason: 'More line for fast or deep water; in slow water it lies on the bottom.',
      },
      suspended: { name: 'suspended', reason: 'The fly hangs at exactly the depth wanted, for slow water.' },
    },
  },
  shot: {
    label: 'Shot goes',
    ways: {
      'near-fly': { name: 'near the fly', reason: '10–15 cm above the fly: takes it down at once.' },
      'above-knot': {
        name: 'above a knot',
        reason: '15–30 cm above the fly and above a stopper knot: it cannot slide.',
      },
    },
  },
  dropper: {
    label: 'Dropper hangs',
    ways: {
      bend: {
        name: 'on the bend',
        reason: 'Simple and most used; on a barbless hook a fish may slide it off.',
      },
      eye: { name: 'in the eye', reason: 'Cannot slide off; two knots crowd a small eye.' },
      tag: {
        name: 'dry on a tag',
        reason: 'The leader runs through to the nymph; the dry swings free and may twist.',
      },
    },
  },
  heaviest: {
    label: 'Heaviest fly',
    ways: {
      point: { name: 'on the point', reason: 'Anchors the team; a take above it is felt less.' },
      upper: { name: 'on the tag', reason: 'The light point fly moves freely and its take is felt at once.' },
    },
  },
};

/** The way taken in one disagreement. */
export function wayOf(key: keyof RigSchools, schools: RigSchools): Way {
  const ways: Record<string, Way> = SCHOOLS[key].ways;
  return ways[schools[key]] ?? { name: schools[key], reason: '' };
}
