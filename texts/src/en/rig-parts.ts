import type { Measurable, RigPart } from '@doceo/core';
import { KNOT_NAMES, LINE_NAMES, MATERIAL_NAMES } from './tackle';

/** What one calls a part of a rig: `blood, fly line to butt`, `tag of the pupa`. */
export function rigPartText(part: RigPart): string {
  switch (part.kind) {
    case 'section':
    case 'fly':
      return part.name;
    case 'tag':
      return `tag of the ${part.fly}`;
    case 'indicator':
      return `${part.style} indicator`;
    case 'shot':
      return `${part.metal} shot`;
    case 'leader-below':
      return 'leader below';
    case 'knot':
      return KNOT_NAMES[part.knot];
    case 'joint':
      return `${KNOT_NAMES[part.knot]}, ${part.upper ?? 'fly line'} to ${part.lower}`;
    case 'fly-knot':
      return `${KNOT_NAMES[part.knot]} at the ${part.fly}`;
  }
}

/** What a scale, a bucket, a ruler or a watch tells of a rig: `improved clinch in copolymer`. */
export function measurableText({ of, part }: Measurable): string {
  const name = part ? rigPartText(part) : '';
  switch (of.kind) {
    case 'fly-mass':
      return `#${of.fly.hookSize} ${name} weighs`;
    case 'fly-lift':
      return `#${of.fly.hookSize} ${name} carries`;
    case 'fly-sink':
      return `#${of.fly.hookSize} ${name} sinks`;
    case 'material-strength':
      return `${name}, unknotted`;
    case 'material-stiffness':
      return `${MATERIAL_NAMES[of.material]}, stiffness`;
    case 'line-sink':
      return `${LINE_NAMES[of.line]} line sinks`;
    case 'indicator-lift':
      return `${of.style} indicator carries`;
    case 'knot':
      return `${KNOT_NAMES[of.knot]} in ${MATERIAL_NAMES[of.material]}`;
  }
}
