import { Component, computed, inject, input } from '@angular/core';
import { api } from '@doceo/contract';
import { type Beat, type ConditionHour, type Outfit, textInUnits, type Trend, type Wader } from '@doceo/core';
import { forkJoin, map, of, switchMap } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { sameJson } from '../../data/same-json';
import { SessionStore } from '../../data/session';
import { BeatBoardComponent } from '../../shared/water/board/beat-board.component';
import { type FoundStands, type NamedStanding, StandFinder } from '../../shared/water/stand-finder';
import { castText } from '../../shared/water/stand-texts';
import { type StandLine, StandListComponent } from './stand-list.component';

interface Sketch extends FoundStands {
  beat: Beat;
}

/** Of a river or a brook: the beat with most room for the group, and who stands where in it. */
@Component({
  selector: 'doceo-beat-sketch',
  imports: [BeatBoardComponent, StandListComponent],
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
        <doceo-stand-list
          [name]="one.beat.name"
          [lines]="lines()"
          [without]="one.without"
          [units]="session.units()"
        />
        <p class="soft">
          Places are suggested from the drawing; hatched is too deep or too fast for those who wade. Judge on
          the spot.
        </p>
      </section>
    } @else if (looking()) {
      <p class="soft" role="status">Looking where each of them stands …</p>
    } @else if (sketches.failed()) {
      <p class="soft" role="alert">Where they stand could not be worked out. Find the places on the spot.</p>
    }
  `,
  styleUrl: './sketch.css',
})
export class BeatSketchComponent {
  private readonly client = inject(ApiClient);
  private readonly finder = inject(StandFinder);
  protected readonly session = inject(SessionStore);
  readonly waterId = input.required<string>();
  readonly people = input.required<readonly NamedStanding[]>();
  readonly wader = input.required<Wader>();
  /** The water as it is at the hour of the lesson; null where that is not known. */
  readonly hour = input.required<(ConditionHour & { trend: Trend }) | null>();
  /** Of one who is nobody yet. */
  readonly outfit = input.required<Outfit>();

  private readonly asked = computed(
    () => ({
      id: this.waterId(),
      people: this.people(),
      around: {
        bottom: 'cobble' as const,
        waterC: this.hour()?.waterC ?? null,
        rising: this.hour()?.trend === 'rising',
      },
      outfit: this.outfit(),
    }),
    { equal: sameJson },
  );
  protected readonly sketches = fetched(this.asked, ({ id, people, around, outfit }) =>
    this.client
      .call(api.waters.beats, { params: { id } })
      .pipe(
        switchMap((beats) =>
          beats.length === 0
            ? of([])
            : forkJoin(
                beats.map(({ beat }) =>
                  this.finder
                    .find(beat, people, around, outfit)
                    .pipe(map((found): Sketch => ({ beat, ...found }))),
                ),
              ),
        ),
      ),
  );
  protected readonly looking = computed(() => !this.sketches.value() && !this.sketches.failed());
  protected readonly sketch = computed(
    () =>
      this.sketches
        .value()
        ?.reduce<Sketch | null>(
          (best, one) => (best && best.stands.length >= one.stands.length ? best : one),
          null,
        ) ?? null,
  );
  protected readonly lines = computed<StandLine[]>(() =>
    (this.sketch()?.stands ?? []).map(({ stand, who, because = [] }) => {
      const units = this.session.units();
      const where = `${stand.inWater ? 'in the water' : 'from the bank'}, cast ${castText(stand.castM, units)} to the ${textInUnits(stand.lie.what, units)}`;
      return { who, where, because };
    }),
  );
}
