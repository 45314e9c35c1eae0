import { measuredKey, type FlyType, type Measured } from '@doceo/core';

/** The day the scale's readings of older rigs are taken to be of: they did not keep one. */
const NO_DATE = '2026-01-01';

/** Fields that flies had before measured values were kept in one list of the rig, in kg. */
const OLD_FIELDS = { measuredKg: 'fly-mass', measuredLiftKg: 'fly-lift' } as const;

/** A rig as it is written now, from one of any age; what is no rig at all stays as it is, for the schema to refuse. */
export function upgradeRig(value: unknown): unknown {
  if (!isRecord(value) || !Array.isArray(value['flies'])) return value;
  const flies: unknown[] = value['flies'];
  if (!flies.some((fly) => isRecord(fly) && Object.keys(OLD_FIELDS).some((field) => field in fly)))
    return value;
  const before: unknown = value['measured'] ?? [];
  return {
    ...value,
    flies: flies.map((fly) => (isRecord(fly) ? withoutOld(fly) : fly)),
    measured: [
      ...(Array.isArray(before) ? before : []),
      ...flies.flatMap((fly) => (isRecord(fly) ? oldMeasures(fly) : [])),
    ],
  };
}

function withoutOld({ measuredKg: _mass, measuredLiftKg: _lift, ...fly }: Record<string, unknown>): unknown {
  return fly;
}

function oldMeasures(fly: Record<string, unknown>): Measured[] {
  return Object.entries(OLD_FIELDS).flatMap(([field, kind]) => {
    const kg = fly[field];
    return typeof kg === 'number'
      ? [
          {
            kind,
            key: measuredKey.fly({ wire: 'standard', dressing: 'nymph', ...fly } as FlyType),
            value: kg,
            readings: 1,
            on: NO_DATE,
          },
        ]
      : [];
  });
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
