import { Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { api, type SavedWater } from '@doceo/contract';
import { type ConditionHour, formatLength, type Outfit, type UnitSystem } from '@doceo/core';
import { catchError, map, of, switchMap } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { DayStore } from '../../data/lesson/day-store';
import type { WaterMoment } from '../../data/lesson/moment-store';
import { SessionStore } from '../../data/session';
import { LakeBoardComponent, type LakeStand } from '../../shared/water/board/lake-board.component';
import { profileAt } from '../../shared/water/profile-at';
import {
  LAKE_CELLS,
  type LakeQuestion,
  type NamedStanding,
  sameLakeQuestion,
  StandFinder,
} from '../../shared/water/stand-finder';
import { castText } from '../../shared/water/stand-texts';
import { DepthRunner } from '../../workers/depths/depth-runner';
import { type StandLine, StandListComponent } from './stand-list.component';

/** Where somebody stands on a shore and what his casts go over. */
function lineOf({ stand, who, because = [] }: LakeStand, units: UnitSystem): StandLine {
  // Between soundings no depth is known better than to ten centimetres.
  const depths = stand.casts.map(({ meanDepthM }) => Math.round(meanDepthM * 10) / 10);
  const [least, most] = [Math.min(...depths), Math.max(...depths)].map((depth) => formatLength(depth, units));
  const over = least === most ? most : `${least} to ${most}`;
  const room = stand.backCast ? '' : ', trees behind: roll cast';
  // How far he casts is told already.
  const others = because.filter(({ why }) => why !== 'reach');
  return {
    who,
    where: `casts ${castText(stand.castM, units)}, over ${over} of water${room}`,
    because: others,
  };
}

/** A lake on the card of a lesson, and who stands where on its shore. */
@Component({
  selector: 'doceo-lake-sketch',
  imports: [LakeBoardComponent, StandListComponent],
  template: `
    @if (lake(); as lake) {
      <div inert>
        <doceo-lake-board
          [lake]="lake"
          [grid]="grid()"
          [stands]="found.value()?.stands ?? []"
          [chosen]="-1"
          [units]="session.units()"
          [band]="found.value()?.advice?.band ?? null"
        />
      </div>
      <section>
        @if (found.value(); as one) {
          <doceo-stand-list
            [name]="lake.name"
            [lines]="lines()"
            [without]="one.without"
            [units]="session.units()"
          />
        } @else {
          <h2>{{ lake.name }}</h2>
          @if (gridFailed() || found.failed()) {
            <p role="alert">Where they stand could not be worked out. Find the places on the spot.</p>
          } @else {
            <p role="status">Looking where each of them stands …</p>
          }
        }
        <p class="soft">
          Deeper is darker. Places are suggested from the drawing, two line lengths apart; soft bottoms and
          drops are not all drawn.
          @if (!hour()) {
            The wind of the day is not in it.
          }
          Judge on the spot.
        </p>
      </section>
    }
  `,
  styleUrl: './sketch.css',
})
export class LakeSketchComponent {
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);
  private readonly depths = inject(DepthRunner);
  private readonly finder = inject(StandFinder);
  protected readonly session = inject(SessionStore);
  readonly water = input.required<SavedWater>();
  readonly people = input.required<readonly NamedStanding[]>();
  /** When the lesson is, and its hour; null where that is not known. */
  readonly moment = input.required<WaterMoment | null>();
  readonly hour = input.required<ConditionHour | null>();
  /** Of one who is nobody yet. */
  readonly outfit = input.required<Outfit>();

  private readonly drawn = fetched(
    () => this.water().id,
    (id) => this.client.call(api.waters.lake, { params: { id } }),
  );
  protected readonly lake = computed(() => this.drawn.value()?.saved?.lake ?? null);
  /** A sketch without its depths is better than none. */
  private readonly depthRun = toSignal(
    toObservable(this.lake).pipe(
      switchMap((lake) =>
        lake
          ? this.depths.run(lake, LAKE_CELLS).pipe(
              map(({ grid }) => ({ grid, failed: false })),
              catchError(() => of({ grid: null, failed: true })),
            )
          : of({ grid: null, failed: false }),
      ),
    ),
    { initialValue: { grid: null, failed: false } },
  );
  protected readonly grid = computed(() => this.depthRun().grid);
  protected readonly gridFailed = computed(() => this.depthRun().failed);

  private readonly asked = computed<LakeQuestion | null>(
    () => {
      const [lake, grid] = [this.lake(), this.grid()];
      if (!lake || !grid) return null;
      const [day, moment, hour] = [this.day.conditions(), this.moment(), this.hour()];
      const around = {
        species: 'brown-trout' as const,
        profile:
          day && moment && hour
            ? profileAt(this.water().water.kind, day, moment.atMs, hour.waterC).profile
            : [],
        windMs: hour?.windMs ?? 0,
        windFromDeg: hour?.windFromDeg ?? 0,
      };
      return { lake, grid, people: this.people(), around, outfit: this.outfit() };
    },
    { equal: sameLakeQuestion },
  );
  protected readonly found = fetched(this.asked, (question) => this.finder.findOnLake(question));
  protected readonly lines = computed(() =>
    (this.found.value()?.stands ?? []).map((stand) => lineOf(stand, this.session.units())),
  );
}
