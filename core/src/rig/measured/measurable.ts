import { GRAVITY } from '../../units';
import { DRESSINGS } from '../tackle/dressings';
import { flyLift } from '../sink/float-margin';
import { flyMass } from '../tackle/fly-mass';
import { indicatorLift } from '../tackle/indicators';
import { KNOTS } from '../tackle/knots';
import { sinkRate } from '../tackle/lines';
import { MATERIALS, materialStrength } from '../tackle/materials';
import { type FlyType, measuredKey } from './measured-key';
import type { Reading } from './rig-measurements';
import type { Fly, Rig } from '../rig';
import type { RigPart } from '../rig-part';
import { freeSink } from '../sink/sink';
import { sectionLine, tagLine, type TiedLine } from '../tied-line';

/** A reading without its value. */
type Unread<R> = R extends { value: number } ? Omit<R, 'value'> : never;

/** Something of a rig that a scale, a bucket, a ruler or a watch can tell better than an estimate. */
export interface Measurable {
  id: string;
  of: Unread<Reading>;
  /** The fly or the line that it is taken of; null where the reading says all. */
  part: RigPart | null;
  /** What is taken without a reading, in the SI unit of the reading. */
  estimate: number;
}

/** Line thinner than this droops too far to be measured by it, metres. */
const THINNEST_TO_DROOP_M = 0.00024;

/** Everything of a rig that can be measured: flies, lines, knots, the fly line, the indicator. Alike things once. */
export function measurablesOf(rig: Rig): Measurable[] {
  const found: Measurable[] = [
    ...rig.flies.flatMap(ofFly),
    ...lines(rig).flatMap(({ material, diameterM, part }) => [
      {
        id: `material-strength/${measuredKey.diameter(material, diameterM)}`,
        part,
        of: { kind: 'material-strength' as const, material, diameterM },
        estimate: materialStrength(material, diameterM),
      },
    ]),
    ...knots(rig),
    ...rig.sections
      .filter(({ diameterM }) => diameterM >= THINNEST_TO_DROOP_M)
      .map(({ material }) => ({
        id: `material-stiffness/${material}`,
        part: null,
        of: { kind: 'material-stiffness' as const, material },
        estimate: MATERIALS[material].modulusPa,
      })),
    ...(sinkRate(rig.line.kind) > 0
      ? [
          {
            id: `line-sink/${rig.line.kind}`,
            part: null,
            of: { kind: 'line-sink' as const, line: rig.line.kind },
            estimate: sinkRate(rig.line.kind),
          },
        ]
      : []),
    ...rig.fittings.flatMap((fitting) =>
      fitting.kind === 'indicator'
        ? [
            {
              id: `indicator-lift/${measuredKey.indicator(fitting)}`,
              part: null,
              of: { kind: 'indicator-lift' as const, style: fitting.style, diameterM: fitting.diameterM },
              estimate: indicatorLift(fitting) / GRAVITY,
            },
          ]
        : [],
    ),
  ];
  return [...new Map(found.map((one) => [one.id, one])).values()];
}

function ofFly(fly: Fly): Measurable[] {
  const { hookSize, wire, dressing, bead, beadDiameterM, name } = fly;
  const type: FlyType = { hookSize, wire, dressing, bead, beadDiameterM };
  const key = measuredKey.fly(type);
  const { totalKg, submergedN } = flyMass(type);
  const one = (kind: 'fly-mass' | 'fly-lift' | 'fly-sink', estimate: number): Measurable => ({
    id: `${kind}/${key}`,
    part: { kind: 'fly', name },
    of: { kind, fly: type },
    estimate,
  });
  const { terminalMs } = freeSink(type);
  const floats = DRESSINGS[dressing].stage === 'adult';
  return [
    one('fly-mass', totalKg),
    ...(floats
      ? [one('fly-lift', Math.max(0, flyLift(type).totalN - Math.max(0, submergedN)) / GRAVITY)]
      : terminalMs > 0
        ? [one('fly-sink', terminalMs)]
        : []),
  ];
}

function lines({ sections, flies }: Rig): TiedLine[] {
  return [
    ...sections.map(sectionLine),
    ...flies.flatMap(({ at, name }) => (at.kind === 'tag' ? tagLine(name, at) : [])),
  ];
}

/** Each kind of knot once, in the thinner of the lines it is tied in: there it parts. */
function knots(rig: Rig): Measurable[] {
  const joints = rig.sections.flatMap((section, index) => {
    if (section.joint === 'tapered') return [];
    const upper = rig.sections[index - 1];
    const line = upper && upper.diameterM < section.diameterM ? upper : section;
    return [{ knot: section.joint, line }];
  });
  const atFlies = rig.flies.flatMap(({ at, knot }) => {
    const line = at.kind === 'tag' ? at : rig.sections.at(-1);
    return line ? [{ knot, line }] : [];
  });
  return [...atFlies, ...joints].map(({ knot, line: { material, diameterM } }) => ({
    id: `knot/${knot}`,
    part: null,
    of: { kind: 'knot' as const, knot, material, diameterM },
    estimate: materialStrength(material, diameterM) * KNOTS[knot].share,
  }));
}
