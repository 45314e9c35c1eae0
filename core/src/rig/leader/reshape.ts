import { leaderLength } from './leader-geometry';
import type { Fly, Rig } from '../rig';
import { taperOf } from './taper';
import { buildRig, TEMPLATES, type TemplateParameters } from '../templates';
import { xOfDiameter } from '../tackle/x-size';

/** The template parameters that a rig has now. */
export function parametersOf(rig: Rig): TemplateParameters {
  const { defaults } = TEMPLATES[rig.template];
  const finest = Math.min(...rig.sections.map(({ diameterM }) => diameterM));
  const shot = rig.fittings.find(({ kind }) => kind === 'shot');
  return {
    rodLengthM: rig.rod.lengthM,
    lineWeight: rig.line.weight,
    waterDepthM: rig.waterDepthM,
    tippetX: xOfDiameter(finest) ?? defaults.tippetX,
    flyCount: Math.min(3, Math.max(1, rig.flies.length)),
    shotMassKg: shot?.kind === 'shot' ? shot.massKg : 0,
    hingeRatio:
      taperOf(rig).steps.find(({ sectionId }) => sectionId === rig.hingeAt)?.stiffnessRatio ??
      defaults.hingeRatio,
    leaderLengthM: leaderLength(rig),
    schools: rig.schools,
  };
}

/**
 * The rig built anew by its template with some parameters changed. Lengths and diameters come from the template;
 * materials and knots of sections and the dressing of flies that were there before stay as they were. Sections made by
 * hand are never rebuilt.
 */
export function reshape(rig: Rig, change: Partial<TemplateParameters>): Rig {
  if (rig.byHand) return framed(rig, change);
  const built = buildRig(rig.template, { ...parametersOf(rig), ...change });
  const heaviestMoved = change.schools !== undefined && change.schools.heaviest !== rig.schools.heaviest;
  return {
    ...built,
    rod: { ...rig.rod, lengthM: built.rod.lengthM },
    measured: rig.measured,
    sections: built.sections.map((section) => {
      const before = rig.sections.find(({ id }) => id === section.id);
      const keptJoint = before && change.schools === undefined ? before.joint : section.joint;
      return before ? { ...section, material: before.material, joint: keptJoint } : section;
    }),
    flies: heaviestMoved
      ? built.flies
      : built.flies.map((fly) =>
          dressedAs(
            fly,
            rig.flies.find(({ id }) => id === fly.id),
          ),
        ),
  };
}

/** What a parameter changes on a rig whose sections were made by hand: rod, line, depth and schools, no length. */
function framed(
  rig: Rig,
  { rodLengthM, lineWeight, waterDepthM, schools }: Partial<TemplateParameters>,
): Rig {
  return {
    ...rig,
    rod: { ...rig.rod, lengthM: rodLengthM ?? rig.rod.lengthM },
    line: { ...rig.line, weight: lineWeight ?? rig.line.weight },
    waterDepthM: waterDepthM ?? rig.waterDepthM,
    schools: schools ?? rig.schools,
  };
}

function dressedAs(fly: Fly, before: Fly | undefined): Fly {
  return before ? { ...before, at: fly.at } : fly;
}
