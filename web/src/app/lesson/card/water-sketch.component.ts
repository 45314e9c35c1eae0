import { Component, computed, inject, input } from '@angular/core';
import { toSignal, toObservable } from '@angular/core/rxjs-interop';
import { ageOn, api, type SavedLesson, type SavedWater } from '@doceo/contract';
import { type Beat, leaderLength, limitsOf, type Outfit, type PlanBody, textInUnits } from '@doceo/core';
import { listed } from '@doceo/texts';
import { catchError, forkJoin, map, of, switchMap } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { DayStore } from '../../data/lesson/day-store';
import { sameJson } from '../../data/same-json';
import { SessionStore } from '../../data/session';
import { BeatBoardComponent } from '../../shared/water/board/beat-board.component';
import { LakeBoardComponent } from '../../shared/water/board/lake-board.component';
import { type FoundStands, StandFinder } from '../../shared/water/stand-finder';
import { castText, standReasonText } from '../../shared/water/stand-texts';
import { waderOf } from '../../shared/water/wader-of';
import { DepthRunner } from '../../workers/depths/depth-runner';

/** Cells of the grid of depths each way: enough for a sketch. */
const CELLS = 70;
/** An outfit of beginners, when the plan has no rig, metres. */
const OUTFIT = { rodM: 2.74, leaderM: 2.7 };

interface Sketch extends FoundStands {
  beat: Beat;
}

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

/** The water of a lesson on its card: the beat with most room for the group and who stands where, or the lake. */
@Component({
  selector: 'doceo-water-sketch',
  imports: [BeatBoardComponent, LakeBoardComponent],
  template: `
    @if (sketch(); as one) {
      <div inert>
        <doceo-beat-board
          [beat]="one.beat"
          [stands]="one.stands"
          [chosen]="-1"
          [units]="session.units()"
          [wader]="wader()"
          [waterC]="hour()?.waterC ?? null"
          [rising]="hour()?.trend === 'rising'"
        />
      </div>
      <section>
        <h2>{{ one.beat.name }}</h2>
        <ol>
          @for (line of lines(); track $index) {
            <li>
              <b>{{ line.who }}</b> {{ line.where }}
              @if (line.why) {
                <span class="soft">({{ line.why }})</span>
              }
            </li>
          }
        </ol>
        @if (without(); as names) {
          <p>No place found for {{ names }}: find one together, or take turns.</p>
        }
        <p class="soft">
          Places are suggested from the drawing; hatched is too deep or too fast for those who wade. Judge on
          the spot.
        </p>
      </section>
    } @else if (looking()) {
      <p class="soft" role="status">Looking where each of them stands …</p>
    } @else if (lake(); as saved) {
      <div inert>
        <doceo-lake-board [lake]="saved.lake" [grid]="grid()" [units]="session.units()" />
      </div>
      <section>
        <h2>{{ saved.lake.name }}</h2>
        <p>
          Deeper is darker. Two line lengths apart along the bank, the wind on the side away from the casting
          hand.
        </p>
      </section>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1.7fr) minmax(0, 1fr);
      gap: 8px 18px;
      margin-top: 14px;
      break-inside: avoid;
      font-size: 12.5px;
      print-color-adjust: exact;
    }

    :host:empty {
      display: none;
    }

    ol {
      margin: 2px 0 6px;
      padding-left: 20px;
    }

    @media screen and (max-width: 700px) {
      :host {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class WaterSketchComponent {
  private readonly client = inject(ApiClient);
  private readonly finder = inject(StandFinder);
  private readonly depths = inject(DepthRunner);
  private readonly day = inject(DayStore);
  protected readonly session = inject(SessionStore);
  readonly lesson = input.required<SavedLesson>();
  readonly water = input.required<SavedWater>();
  readonly plan = input.required<PlanBody>();

  private readonly flows = computed(() => ['river', 'brook'].includes(this.water().water.kind));
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
  /** The water as it is at the hour of the lesson, when that is the hour shown above. */
  protected readonly hour = computed(() =>
    this.day.lesson()?.id === this.lesson().id && !this.day.elsewhere() ? this.day.hour() : null,
  );
  /** What was seen of them; what is not known yet makes no difference to the rest. */
  private readonly events = fetched(
    () => (this.day.lesson()?.id === this.lesson().id ? null : this.lesson()),
    (lesson) => this.day.historyFor(lesson),
  );
  private readonly asked = computed(
    () =>
      this.flows()
        ? {
            id: this.water().id,
            people: this.finder.people(this.lesson(), this.events.value() ?? this.day.events(), (lane) =>
              outfitIn(this.plan(), lane),
            ),
            around: {
              bottom: 'cobble' as const,
              waterC: this.hour()?.waterC ?? null,
              rising: this.hour()?.trend === 'rising',
            },
          }
        : null,
    { equal: sameJson },
  );
  private readonly sketches = fetched(this.asked, ({ id, people, around }) =>
    this.client
      .call(api.waters.beats, { params: { id } })
      .pipe(
        switchMap((beats) =>
          beats.length === 0
            ? of([])
            : forkJoin(
                beats.map(({ beat }) =>
                  this.finder
                    .find(beat, people, around, OUTFIT)
                    .pipe(map((found): Sketch => ({ beat, ...found }))),
                ),
              ),
        ),
      ),
  );
  protected readonly looking = computed(
    () => this.flows() && !this.sketches.value() && !this.sketches.failed(),
  );
  protected readonly sketch = computed(
    () =>
      this.sketches
        .value()
        ?.reduce<Sketch | null>(
          (best, one) => (best && best.stands.length >= one.stands.length ? best : one),
          null,
        ) ?? null,
  );
  protected readonly lines = computed(() =>
    (this.sketch()?.stands ?? []).map(({ stand, who, because = [] }) => {
      const units = this.session.units();
      const where = `${stand.inWater ? 'in the water' : 'from the bank'}, cast ${castText(stand.castM, units)} to the ${textInUnits(stand.lie.what, units)}`;
      return { who, where, why: because.map((reason) => standReasonText(reason, units)).join('; ') };
    }),
  );
  protected readonly without = computed(() => listed(this.sketch()?.without ?? []));

  private readonly drawn = fetched(
    () => (this.flows() ? null : this.water().id),
    (id) => this.client.call(api.waters.lake, { params: { id } }),
  );
  protected readonly lake = computed(() => this.drawn.value()?.saved ?? null);
  /** A sketch without its depths is better than none. */
  protected readonly grid = toSignal(
    toObservable(this.lake).pipe(
      switchMap((saved) => (saved ? this.depths.run(saved.lake, CELLS) : of({ grid: null }))),
      map(({ grid }) => grid),
      catchError(() => of(null)),
    ),
    { initialValue: null },
  );
}
