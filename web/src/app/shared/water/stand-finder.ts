import { inject, Injectable } from '@angular/core';
import { ageOn, type SavedLesson } from '@doceo/contract';
import {
  type BankEvent,
  type Beat,
  castReach,
  needsOf,
  type Outfit,
  type Standing,
  type StandingOptions,
} from '@doceo/core';
import { map, type Observable } from 'rxjs';
import { DayStore } from '../../data/lesson/day-store';
import { firstName } from '../../data/lesson/lesson-texts';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { BenchRunner } from '../../workers/bench-runner';
import type { BoardStand } from './board/beat-board.component';
import { waderOf } from './wader-of';

/** One of a lesson, as he is to stand. */
export interface NamedStanding extends Standing {
  name: string;
}

/** Who stands where in a beat, and whom no place was found for. */
export interface FoundStands {
  stands: BoardStand[];
  without: string[];
}

/** Finds where those of a lesson stand, each by his own height, age, needs, hand, rig and casting. */
@Injectable({ providedIn: 'root' })
export class StandFinder {
  private readonly runner = inject(BenchRunner);
  private readonly day = inject(DayStore);
  private readonly teaching = inject(TeachingStore);

  /**
   * @param events what was seen of them, as far as it is known
   * @param outfitOf by the place in the group
   */
  people(
    lesson: SavedLesson | null,
    events: readonly BankEvent[],
    outfitOf: (lane: number) => Outfit,
  ): NamedStanding[] {
    if (!lesson) return [];
    const skills = this.day.planLessonOf(lesson, events)?.students ?? [];
    return this.day.studentsOf(lesson).map(({ id, student }, lane) => {
      const ageYears = ageOn(student.bornOn, lesson.startsAt.slice(0, 10));
      const seen = skills.find((one) => one.id === id)?.skills ?? {};
      return {
        ...{ id, name: firstName(student.name), hand: student.hand },
        needs: needsOf({ ...student, ageYears }),
        wader: waderOf([{ ...student, ageYears }]),
        reachM: castReach(this.teaching.curriculum(), seen),
        ...outfitOf(lane),
      };
    });
  }

  /** @param outfit of one who is nobody yet, where there is no group */
  find(
    beat: Beat,
    people: readonly NamedStanding[],
    around: Omit<StandingOptions, 'wader'>,
    outfit: Outfit,
  ): Observable<FoundStands> {
    if (people.length === 0)
      return this.runner
        .runOfMany('stands', beat, { ...around, ...outfit, students: 1, wader: waderOf([]) })
        .pipe(
          map((stands) => ({ stands: stands.map((stand) => ({ stand, who: 'somebody' })), without: [] })),
        );
    const of = (id: string): NamedStanding | undefined => people.find((one) => one.id === id);
    return this.runner.runOfMany('groupStands', beat, people, around).pipe(
      map(({ stands, without }) => ({
        stands: stands.map((stand): BoardStand => {
          const { name = '', wader = waderOf([]) } = of(stand.personId) ?? {};
          return { stand, who: name, because: stand.because, wader };
        }),
        without: without.flatMap((id) => of(id)?.name ?? []),
      })),
    );
  }
}
