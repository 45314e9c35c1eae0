import {
  type BankEvent,
  type Block,
  type Curriculum,
  type Drill,
  faultAttemptsOf,
  faultsOfStrand,
  likeliestFaults,
  type Skill,
} from '@doceo/core';

/** Fault buttons on the screen of a phone; fewer where side skills have a row. */
const SHOWN = 6;
const SHOWN_BESIDE_SIDES = 4;
const MAX_SIDES = 2;

/** Ids of the faults on the buttons: those this student makes most at the skill first. */
export function faultButtons(
  { skills }: Curriculum,
  events: readonly BankEvent[],
  studentId: string,
  skill: Skill,
  block: Block | null,
  withSides: boolean,
): string[] {
  const seen: Record<string, number> = {};
  for (const { faultId } of faultAttemptsOf(events, studentId, skill.id))
    if (faultId) seen[faultId] = (seen[faultId] ?? 0) + 1;
  return likeliestFaults(
    seen,
    [...skill.faults, ...(block?.watchFor ?? [])],
    faultsOfStrand(skills.all, skill.strand),
    withSides ? SHOWN_BESIDE_SIDES : SHOWN,
  );
}

/** Skills that a drill shows besides the one it is made for. */
export function sideSkills({ skills }: Curriculum, drill: Drill | null): { id: string; name: string }[] {
  return (drill?.trains ?? [])
    .slice(1, 1 + MAX_SIDES)
    .map(({ skillId }) => ({ id: skillId, name: skills.get(skillId).name }));
}
