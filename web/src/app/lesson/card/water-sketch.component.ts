import { Component, computed, inject, input } from '@angular/core';
import { ageOn, type SavedLesson, type SavedWater } from '@doceo/contract';
import { leaderLength, limitsOf, type Outfit, type PlanBody } from '@doceo/core';
import { fetched } from '../../data/api/fetched';
import { DayStore } from '../../data/lesson/day-store';
import { LessonHistory } from '../../data/records/lesson-history';
import { sameJson } from '../../data/same-json';
import { type NamedStanding, StandFinder } from '../../shared/water/stand-finder';
import { waderOf } from '../../shared/water/wader-of';
import { BeatSketchComponent } from './beat-sketch.component';
import { LakeSketchComponent } from './lake-sketch.component';

/** An outfit of beginners, when the plan has no rig, metres. */
const OUTFIT = { rodM: 2.74, leaderM: 2.7 };

/** The longest outfit that somebody fishes in a plan, by his place in the group. */
function outfitIn(plan: PlanBody, lane: number): Outfit {
  const rigs = plan.blocks
    .filter((block) => block.lane === null || block.lane === lane)
    .flatMap(({ rigId }) => plan.rigs.find(({ id }) => id === rigId)?.rig ?? []);
  return {
    rodM: Math.max(OUTFIT.rodM, ...rigs.map(({ rod }) => rod.lengthM)),
    leaderM: Math.max(...(rigs.length > 0 ? rigs.map(leaderLength) : [OUTFIT.leaderM])),
  };
}

/** The water of a lesson on its card, and who stands where. */
@Component({
  selector: 'doceo-water-sketch',
  imports: [BeatSketchComponent, LakeSketchComponent],
  template: `
    @if (flows()) {
      <doceo-beat-sketch
        [waterId]="water().id"
        [people]="standing()"
        [wader]="wader()"
        [hour]="hour()"
        [outfit]="outfit"
      />
    } @else {
      <doceo-lake-sketch
        [water]="water()"
        [people]="standing()"
        [moment]="moment()"
        [hour]="hour()"
        [outfit]="outfit"
      />
    }
  `,
})
export class WaterSketchComponent {
  private readonly finder = inject(StandFinder);
  private readonly day = inject(DayStore);
  private readonly history = inject(LessonHistory);
  readonly lesson = input.required<SavedLesson>();
  readonly water = input.required<SavedWater>();
  readonly plan = input.required<PlanBody>();

  protected readonly outfit = OUTFIT;
  protected readonly flows = computed(() => ['river', 'brook'].includes(this.water().water.kind));
  private readonly people = computed(() =>
    this.day.studentsOf(this.lesson()).map(({ student }) => ({
      ageYears: ageOn(student.bornOn, this.lesson().startsAt.slice(0, 10)),
      heightM: student.heightM,
      needs: student.needs,
    })),
  );
  /** Those who may wade: whoever stays on the bank says nothing of how deep the others go. */
  protected readonly wader = computed(() => {
    const wading = this.people().filter(({ needs }) => limitsOf(needs).wadeM !== 0);
    return waderOf(wading.length > 0 ? wading : this.people());
  });
  /** The moment and its water, when the hour shown above is that of the lesson. */
  private readonly isShown = computed(
    () => this.day.lesson()?.id === this.lesson().id && !this.day.elsewhere(),
  );
  protected readonly moment = computed(() => (this.isShown() ? this.day.moment() : null));
  protected readonly hour = computed(() => (this.isShown() ? this.day.hour() : null));
  /** What was seen of them; what is not known yet makes no difference to the rest. */
  private readonly events = fetched(
    () => (this.day.lesson()?.id === this.lesson().id ? null : this.lesson()),
    (lesson) => this.history.ofLesson(lesson),
  );
  protected readonly standing = computed<NamedStanding[]>(
    () =>
      this.finder.people(this.lesson(), this.events.value() ?? this.day.events(), (lane) =>
        outfitIn(this.plan(), lane),
      ),
    { equal: sameJson },
  );
}
