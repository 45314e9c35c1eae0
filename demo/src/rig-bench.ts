import {
  type BoxKind,
  type BoxFly,
  deterministicId,
  type FlyBox,
  type FlyType,
  materialStrength,
  type Reading,
  type RigSchools,
  type TakenReading,
} from '@doceo/core';
import type { DateTime } from 'luxon';
import type { DemoStudent } from './people';

const FIVE_X_M = 0.0001524;

const BEETLE: FlyType = { hookSize: 10, wire: 'standard', dressing: 'foam', bead: 'none', beadDiameterM: 0 };
const NYMPH: FlyType = {
  hookSize: 16,
  wire: 'standard',
  dressing: 'slim-nymph',
  bead: 'tungsten',
  beadDiameterM: 0.0024,
};

/** What the scale and the bucket said, and how two students' clinches held. */
export function demoReadings(today: DateTime, students: readonly DemoStudent[]): TakenReading[] {
  const on = (daysAgo: number): string => today.minus({ days: daysAgo }).toISODate() ?? '';
  const clinch = (share: number): Reading => ({
    kind: 'knot',
    knot: 'improved-clinch',
    material: 'copolymer',
    diameterM: FIVE_X_M,
    value: Math.round(materialStrength('copolymer', FIVE_X_M) * share * 10) / 10,
  });
  const of = (name: string): string | null => students.find(({ key }) => key.startsWith(name))?.id ?? null;
  const taken: [string | null, number, Reading][] = [
    [null, 40, { kind: 'fly-mass', fly: NYMPH, value: 0.000165 }],
    [null, 40, { kind: 'fly-lift', fly: BEETLE, value: 0.00062 }],
    [null, 33, { kind: 'line-sink', line: 'type-3', value: 0.069 }],
    [null, 33, clinch(0.88)],
    [of('Sam'), 12, clinch(0.62)],
    [of('Sam'), 12, clinch(0.71)],
    [of('Jonas'), 12, clinch(0.8)],
  ];
  return taken.map(([studentId, daysAgo, reading], i) => ({
    id: deterministicId(`reading:${i}`),
    studentId,
    on: on(daysAgo),
    reading,
  }));
}

const row = (
  stage: BoxKind['stage'],
  weight: BoxKind['weight'],
  colour: BoxKind['colour'],
  counts: Record<number, number>,
): BoxFly[] =>
  Object.entries(counts).map(([size, count]) => ({ stage, weight, colour, hookSize: Number(size), count }));

/** A lived-in box: well off for nymphs, thin on caddis and midges. */
export const DEMO_FLY_BOX: FlyBox = {
  flies: [
    ...row('nymph', 'bead', 'drab', { 12: 3, 14: 6, 16: 5, 18: 1 }),
    ...row('nymph', 'bead', 'dark', { 14: 4, 16: 3 }),
    ...row('nymph', 'heavy', 'dark', { 10: 2, 14: 3, 16: 4, 18: 2 }),
    ...row('nymph', 'heavy', 'drab', { 14: 2, 16: 2 }),
    ...row('nymph', 'plain', 'dark', { 12: 2, 18: 1, 20: 1 }),
    ...row('emerger', 'floats', 'drab', { 14: 2, 16: 3 }),
    ...row('adult', 'floats', 'light', { 14: 4, 16: 2 }),
    ...row('adult', 'floats', 'drab', { 14: 3, 16: 6, 18: 2 }),
    ...row('adult', 'floats', 'dark', { 18: 2 }),
    ...row('terrestrial', 'floats', 'dark', { 10: 4, 12: 2 }),
    ...row('streamer', 'bead', 'dark', { 6: 3, 8: 2 }),
    ...row('streamer', 'bead', 'bright', { 8: 1 }),
  ],
};

/** The fellow at the school rigs another way in two points. */
export const FELLOW_SCHOOLS: RigSchools = {
  indicator: 'double',
  shot: 'near-fly',
  dropper: 'bend',
  heaviest: 'point',
};
