import type { CommandName, commands } from '@doceo/contract';
import {
  type Curriculum,
  type Layer,
  type PlanLesson,
  type PlanStudent,
  resolveCurriculum,
  skillState,
  weighFaults,
} from '@doceo/core';
import { SHIPPED_LAYER } from '@doceo/core/shipped';
import type * as z from 'zod';

/** What each command computes from its input. */
export type Runners = {
  [Name in CommandName]: (
    input: z.output<(typeof commands)[Name]['input']>,
  ) => z.input<(typeof commands)[Name]['output']>;
};

/** What ships, with a layer over it. */
export function taught(layer: Layer | undefined): Curriculum {
  return resolveCurriculum([
    { owner: 'shipped', layer: SHIPPED_LAYER },
    ...(layer ? [{ owner: 'own' as const, layer }] : []),
  ]);
}

type LessonInput = NonNullable<z.output<(typeof commands)['plan-check']['input']>['lesson']>;

/** Students with the skills that the attempts of each show at a moment, epoch milliseconds. */
export function knownStudents(
  curriculum: Curriculum,
  students: LessonInput['students'],
  atMs: number,
): PlanStudent[] {
  return students.map(({ attempts, ...student }) => ({
    ...student,
    skills: skillState(curriculum.skills.all, attempts, atMs),
    faults: weighFaults(
      curriculum,
      attempts.map(({ skillId, faultId = null }) => ({ skillId, faultId })),
    ),
  }));
}

/** A lesson with the skills that each student's attempts show. */
export function withSkills(curriculum: Curriculum, lesson: LessonInput): PlanLesson {
  return { ...lesson, students: knownStudents(curriculum, lesson.students, lesson.startMs) };
}
