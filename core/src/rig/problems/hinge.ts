import { HINGE_RATIO, taperOf, type Step } from '../leader/taper';
import type { RigFacts, RigProblem, RigRule } from './rule';

/** A leader that folds where nobody meant it, and a hinge meant that does not fold. */
export const hinge: RigRule = (rig) => {
  const factsOf = ({ sectionId, stiffnessRatio }: Step): RigFacts['hinge-too-mild'] => ({
    section: rig.sections.find(({ id }) => id === sectionId)?.name ?? sectionId,
    ratio: stiffnessRatio,
    hingeRatio: HINGE_RATIO,
  });
  const { steps } = taperOf(rig);
  const mistakes = steps
    .filter((step) => step.hinge === 'mistake')
    .map((step): RigProblem => ({
      id: `hinge-by-mistake/${step.sectionId}`,
      rule: 'hinge-by-mistake',
      level: 'check',
      facts: factsOf(step),
      fixes: [{ does: 'hinge-meant', change: { ...rig, hingeAt: step.sectionId } }],
    }));
  const meant = steps.find(({ sectionId }) => sectionId === rig.hingeAt);
  if (!meant || meant.hinge === 'meant') return mistakes;
  return [
    ...mistakes,
    {
      id: 'hinge-too-mild',
      rule: 'hinge-too-mild',
      level: 'check',
      facts: factsOf(meant),
      fixes: [{ does: 'no-hinge-meant', change: { ...rig, hingeAt: null } }],
    },
  ];
};
