import { mainSkillOf, needsNoWater } from '../drill';
import type { Curriculum } from './curriculum';
import type { EntryKind } from './layer';

export const CURRICULUM_FAULTS = [
  'circle',
  'no-evidence',
  'no-drill',
  'no-dry-drill',
  'unknown-skill',
  'unknown-fault',
  'unknown-drill',
  'no-words',
  'no-question',
] as const;

/** Something a curriculum lacks or cannot keep. */
export interface CurriculumFault {
  fault: (typeof CURRICULUM_FAULTS)[number];
  kind: EntryKind;
  id: string;
  /** Id of what is missing, or what closes the circle; null where there is none. */
  of: string | null;
}

/**
 * What is wrong with a curriculum: needs that closed a circle, skills nobody can be seen in, drills that name what is not
 * taught, words that are missing.
 */
export function curriculumFaults(curriculum: Curriculum): CurriculumFault[] {
  const { skills, faults, drills, questions, dropped } = curriculum;
  const found: CurriculumFault[] = dropped.map(({ skillId, needId }) => ({
    fault: 'circle',
    kind: 'skill',
    id: skillId,
    of: needId,
  }));
  const tell = (
    fault: CurriculumFault['fault'],
    kind: EntryKind,
    id: string,
    of: string | null = null,
  ): void => void found.push({ fault, kind, id, of });
  for (const skill of skills.all) {
    const { id } = skill;
    const training = drills.all.filter(({ trains }) => trains.some(({ skillId }) => skillId === id));
    if (!canBeSeen(curriculum, id)) tell('no-evidence', 'skill', id);
    else if (training.length === 0) tell('no-drill', 'skill', id);
    else if (!training.some(needsNoWater)) tell('no-dry-drill', 'skill', id);
    if (!questions.all.some(({ skillId }) => skillId === id)) tell('no-question', 'skill', id);
    if (!skill.sentence || !skill.good) tell('no-words', 'skill', id);
    for (const fault of skill.faults) if (!faults.has(fault)) tell('unknown-fault', 'skill', id, fault);
  }
  for (const drill of drills.all) {
    for (const { skillId } of drill.trains)
      if (!skills.has(skillId)) tell('unknown-skill', 'drill', drill.id, skillId);
    for (const fault of drill.watchFor)
      if (!faults.has(fault)) tell('unknown-fault', 'drill', drill.id, fault);
    for (const { insteadId } of drill.adaptations)
      if (insteadId && !drills.has(insteadId)) tell('unknown-drill', 'drill', drill.id, insteadId);
    if (!drill.cue || drill.how.length === 0) tell('no-words', 'drill', drill.id);
  }
  for (const { id, sign, cure } of faults.all) if (!sign || !cure) tell('no-words', 'fault', id);
  for (const { id, skillId } of questions.all)
    if (!skills.has(skillId)) tell('unknown-skill', 'question', id, skillId);
  return found;
}

/** Whether evidence of a skill can be got, in a lesson or at home, by a way the school accepts. */
export function canBeSeen({ skills, drills, questions }: Curriculum, skillId: string): boolean {
  const { shownBy } = skills.get(skillId);
  return (
    shownBy.includes('passing') ||
    shownBy.includes('bench') ||
    shownBy.includes('measured') ||
    (shownBy.includes('drill') &&
      drills.all.some(
        (drill) => mainSkillOf(drill) === skillId || drill.trains.some((one) => one.skillId === skillId),
      )) ||
    (shownBy.includes('answer') && questions.all.some((question) => question.skillId === skillId))
  );
}
