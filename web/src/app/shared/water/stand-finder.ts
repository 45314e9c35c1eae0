import { inject, Injectable } from '@angular/core';
import { ageOn, type SavedLesson } from '@doceo/contract';
import {
  type BankEvent,
  type Beat,
  castReach,
  type DepthGrid,
  type Lake,
  type LakeAdvice,
  type LakeOptions,
  needsOf,
  type Outfit,
  RETRIEVE_WAYS,
  type Standing,
  type StandingOptions,
} from '@doceo/core';
import { map, type Observable } from 'rxjs';
import { DayStore } from '../../data/lesson/day-store';
import { callNames } from '../../data/lesson/lesson-texts';
import { sameJson } from '../../data/same-json';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { BenchRunner } from '../../workers/bench-runner';
import type { BoardStand } from './board/beat-board.component';
import type { LakeStand } from './board/lake-board.component';
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

/** The same on the shore of a lake, with what else is to be known of it. */
export interface FoundOnLake {
  advice: LakeAdvice;
  stands: LakeStand[];
  without: string[];
}

/** Who stands where on a lake, and on what sort of day. */
export interface LakeQuestion {
  lake: Lake;
  grid: DepthGrid;
  people: readonly NamedStanding[];
  around: Pick<LakeOptions, 'species' | 'profile' | 'windMs' | 'windFromDeg'>;
  /** Of one who is nobody yet, where there is no group. */
  outfit: Outfit;
}

/** Whether the answer is the same. Drawings and their depths are compared as they are held, being large. */
export function sameLakeQuestion(a: LakeQuestion | null, b: LakeQuestion | null): boolean {
  if (!a || !b) return a === b;
  const small = ({ people, around, outfit }: LakeQuestion) => ({ people, around, outfit });
  return a.grid === b.grid && a.lake === b.lake && sameJson(small(a), small(b));
}

/** Cells of its grid of depths each way, for a square lake: wherever stands are looked for they are the same. */
export const LAKE_CELLS = 130;
/** A cast on still water of one whom nobody has seen cast, metres. Estimate. */
const CAST_M = 12;
const SOMEBODY = 'somebody';

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
    const group = this.day.studentsOf(lesson);
    const called = callNames(group);
    return group.map(({ id, student }, lane) => {
      const ageYears = ageOn(student.bornOn, lesson.startsAt.slice(0, 10));
      const seen = skills.find((one) => one.id === id)?.skills ?? {};
      return {
        ...{ id, name: called.get(id) ?? student.name, hand: student.hand },
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
        .pipe(map((stands) => ({ stands: stands.map((stand) => ({ stand, who: SOMEBODY })), without: [] })));
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

  findOnLake({ lake, grid, people, around, outfit }: LakeQuestion): Observable<FoundOnLake> {
    const nobody = { id: SOMEBODY, hand: null, needs: [], reachM: null, ...outfit };
    const casters = people.map(({ id, hand, needs, reachM, rodM, leaderM }) => ({
      ...{ id, hand, needs, reachM, rodM, leaderM },
    }));
    const names = new Map(people.map(({ id, name }) => [id, name]));
    const options = {
      ...around,
      ...{ people: casters.length > 0 ? casters : [nobody], castM: CAST_M, rodM: outfit.rodM },
      way: RETRIEVE_WAYS['hand-twist'],
    };
    return this.runner.run('lakeAdvice', lake, grid, options).pipe(
      map((advice) => ({
        advice,
        stands: advice.stands.map((stand): LakeStand => ({
          ...{ stand, who: names.get(stand.personId) ?? SOMEBODY, because: stand.because },
        })),
        without: advice.without.flatMap((id) => names.get(id) ?? []),
      })),
    );
  }
}
