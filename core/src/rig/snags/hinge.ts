import { spans } from '../leader/leader-geometry';
import { HINGE_RATIO, taperOf } from '../leader/taper';
import type { RigRule } from './rule';

/** A leader that folds where nobody meant it, and a hinge meant that does not fold. */
export const hinge: RigRule = (rig) => {
  const nameOf = (id: string): string =>
    spans(rig).find(({ section }) => section.id === id)?.section.name ?? id;
  const { steps } = taperOf(rig);
  const mistakes = steps
    .filter((step) => step.hinge === 'mistake')
    .map((step) => ({
      id: `hinge-by-mistake/${step.sectionId}`,
      rule: 'hinge-by-mistake',
      level: 'mind' as const,
      title: `Hinge above the ${nameOf(step.sectionId)}`,
      reason: `Stiffness falls ${step.stiffnessRatio.toFixed(1)} times in one knot: the leader folds there and the fly lands in a heap.`,
      evidence: [
        { label: 'stiffness', text: `${step.stiffnessRatio.toFixed(1)} : 1, a hinge from ${HINGE_RATIO}` },
      ],
      fixes: [{ label: 'It is meant', change: { ...rig, hingeAt: step.sectionId } }],
    }));
  const meant = steps.find(({ sectionId }) => sectionId === rig.hingeAt);
  if (!meant || meant.hinge === 'meant') return mistakes;
  return [
    ...mistakes,
    {
      id: 'hinge-too-mild',
      rule: 'hinge-too-mild',
      level: 'mind',
      title: 'The hinge does not fold',
      reason: `Stiffness falls only ${meant.stiffnessRatio.toFixed(1)} times above the ${nameOf(meant.sectionId)}; it takes ${HINGE_RATIO}.`,
      evidence: [{ label: 'stiffness', text: `${meant.stiffnessRatio.toFixed(1)} : 1` }],
      fixes: [{ label: 'No hinge is meant', change: { ...rig, hingeAt: null } }],
    },
  ];
};
