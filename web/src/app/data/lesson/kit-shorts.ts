import { ageOn, type SavedLesson, type SavedStudent } from '@doceo/contract';
import { type Curriculum, type Kit, type KitShort, kitNeeds, kitShort, type PlanBody } from '@doceo/core';

/** What a lesson needs by its plan for those who come, held against a kit. */
export function kitShorts(
  kit: Kit,
  curriculum: Curriculum,
  plan: PlanBody,
  lesson: SavedLesson,
  students: readonly SavedStudent[],
): KitShort[] {
  const who = students.map(({ student }) => ({
    ageYears: ageOn(student.bornOn, lesson.startsAt.slice(0, 10)),
    hand: student.hand,
  }));
  return kitShort(kit, kitNeeds(curriculum, { ...plan, groupSize: Math.max(1, who.length) }, who));
}
