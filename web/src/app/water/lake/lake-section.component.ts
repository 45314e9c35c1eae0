import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { SavedLake } from '@doceo/contract';
import { type DepthGrid, depthAt, formatWind, type Species } from '@doceo/core';
import { capital, CHOP_TEXTS } from '@doceo/texts';
import { catchError, map, of, type Subscription, switchMap } from 'rxjs';
import { SessionStore } from '../../data/session';
import { ComfortBandComponent } from '../conditions/comfort-band.component';
import { DepthRunner } from '../../workers/depths/depth-runner';
import { type BoardView, LakeBoardComponent } from '../../shared/water/board/lake-board.component';
import {
  type FoundOnLake,
  LAKE_CELLS,
  type LakeQuestion,
  sameLakeQuestion,
  StandFinder,
} from '../../shared/water/stand-finder';
import { LakePanelComponent } from './lake-panel.component';
import { WaterStore } from '../water-store';

/** What the close view shows around a stand, metres. */
const CLOSE_M = { lengthM: 42, widthM: 28 };

/** What was worked out of a lake and its day. */
interface Found {
  here: FoundOnLake | null;
  failed: boolean;
}

const NOT_ASKED: Found = { here: null, failed: false };

/** Still water: its board, the fan of casts of each place, the depth to fish and the line that reaches it. */
@Component({
  selector: 'doceo-lake-section',
  imports: [ComfortBandComponent, LakeBoardComponent, LakePanelComponent, RouterLink],
  template: `
    @if (lake(); as saved) {
      <div class="row between">
        <p class="small soft">Deeper is darker; lime hatching is the depth to fish. {{ chop() }}</p>
        <a class="btn small" [routerLink]="['/water', saved.waterId, 'lake']">Draw and sound</a>
      </div>
      <div class="boards">
        <doceo-lake-board
          [lake]="saved.lake"
          [grid]="grid()"
          [stands]="stands()"
          [chosen]="at()"
          [units]="session.units()"
          [wind]="wind()"
          [band]="advice()?.band ?? null"
          (choose)="at.set($event)"
        />
        @if (stand(); as one) {
          <div class="close">
            <doceo-lake-board
              [lake]="saved.lake"
              [grid]="grid()"
              [stands]="[one]"
              [units]="session.units()"
              [band]="advice()?.band ?? null"
              [view]="view()"
              [label]="'Fan of casts of stand ' + (at() + 1)"
            />
            <doceo-lake-panel
              [stand]="one.stand"
              [who]="one.who"
              [because]="one.because ?? []"
              [number]="at() + 1"
              [units]="session.units()"
              [fishing]="store.spot() !== null"
              (fish)="fish()"
              (leave)="store.leave()"
            />
          </div>
        }
      </div>
      @if (share(); as done) {
        <p class="row" role="status">
          <progress [value]="done" max="1">{{ done }}</progress> Depths between the soundings …
        </p>
      }
      <p class="small soft">
        @if (found().failed) {
          <b role="alert">Where they stand could not be worked out. Load the page again.</b>
        } @else if (looking()) {
          <span role="status">Looking where each of them stands …</span>
        } @else {
          Places are as far apart as two lines reach.
        }
        @if (without(); as names) {
          <b>No place here at the same time for {{ names }}:</b> take turns.
        }
        {{
          saved.lake.boats
            ? 'Boats only as the card and their keeper say: life jackets on, nobody stands, hooks out of reach, off the water at any thunder.'
            : 'No boats here.'
        }}
        No ice is stepped on. Soft bottoms and drops are not all drawn: judge on the spot.
      </p>
    } @else {
      <div class="empty">
        <p>This water is not drawn yet. Draw its shore, or take it in from GeoJSON and soundings.</p>
        <a class="btn" [routerLink]="['/water', store.saved()?.id, 'lake']">Draw it</a>
      </div>
    }
    @if (store.still().profile.length > 0) {
      <doceo-comfort-band
        [profile]="store.still().profile"
        [units]="session.units()"
        [read]="store.still().read"
        [(species)]="species"
      />
    }
  `,
  styles: `
    .between {
      margin-top: 8px;
      justify-content: space-between;
      margin-bottom: 6px;
    }

    .boards {
      display: grid;
      gap: 10px;
    }

    .close {
      display: grid;
      grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
      gap: 18px;
    }

    doceo-comfort-band {
      display: block;
      margin-top: 14px;
    }

    @media (max-width: 700px) {
      .close {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class LakeSectionComponent {
  protected readonly store = inject(WaterStore);
  protected readonly session = inject(SessionStore);
  private readonly runner = inject(DepthRunner);
  private readonly finder = inject(StandFinder);
  readonly lake = input.required<SavedLake | null>();

  protected readonly species = signal<Species>('brown-trout');
  protected readonly at = signal(0);
  protected readonly grid = signal<DepthGrid | null>(null);
  protected readonly share = signal<number | null>(null);
  private run: Subscription | null = null;

  private readonly asked = computed<LakeQuestion | null>(
    () => {
      const [saved, grid, profile, hour] = [
        this.lake(),
        this.grid(),
        this.store.still().profile,
        this.store.hour(),
      ];
      if (!saved || !grid || !hour || profile.length === 0) return null;
      const around = {
        species: this.species(),
        profile: [...profile],
        windMs: hour.windMs,
        windFromDeg: hour.windFromDeg,
      };
      return { lake: saved.lake, grid, people: this.store.group(), around, outfit: this.store.outfit() };
    },
    { equal: sameLakeQuestion },
  );
  protected readonly found = toSignal(
    toObservable(this.asked).pipe(
      switchMap((asked) =>
        asked
          ? this.finder.findOnLake(asked).pipe(
              map((here): Found => ({ here, failed: false })),
              catchError(() => of<Found>({ here: null, failed: true })),
            )
          : of(NOT_ASKED),
      ),
    ),
    { initialValue: NOT_ASKED },
  );
  protected readonly advice = computed(() => this.found().here?.advice ?? null);
  /** What the wind makes of the surface. */
  protected readonly chop = computed(() => {
    const chop = this.advice()?.chop;
    return chop ? `${capital(CHOP_TEXTS[chop])}.` : '';
  });
  /** Whether places are still being looked for. */
  protected readonly looking = computed(
    () => this.asked() !== null && this.advice() === null && !this.found().failed,
  );
  protected readonly stands = computed(() => this.found().here?.stands ?? []);
  /** Names of those for whom there is no place beside the others. */
  protected readonly without = computed(() => (this.found().here?.without ?? []).join(', '));
  protected readonly stand = computed(() => this.stands()[this.at()] ?? this.stands()[0] ?? null);
  protected readonly wind = computed(() => {
    const hour = this.store.hour();
    return (
      hour && { fromDeg: hour.windFromDeg, words: `wind ${formatWind(hour.windMs, this.session.units())}` }
    );
  });
  protected readonly view = computed<BoardView | null>(() => {
    const [one, lake] = [this.stand(), this.lake()?.lake];
    if (!one || !lake) return null;
    const middle = one.stand.casts[Math.floor(one.stand.casts.length / 2)]?.to ?? one.stand.at;
    const within = (wanted: number, size: number, most: number): number =>
      Math.min(Math.max(0, most - size), Math.max(0, wanted - size / 2));
    return {
      x: within((one.stand.at.x + middle.x) / 2, CLOSE_M.lengthM, lake.lengthM),
      y: within((one.stand.at.y + middle.y) / 2, CLOSE_M.widthM, lake.widthM),
      ...CLOSE_M,
    };
  });

  constructor() {
    effect((onCleanup) => {
      const lake = this.lake()?.lake;
      this.grid.set(null);
      this.at.set(0);
      if (!lake) return;
      this.run = untracked(() =>
        this.runner.run(lake, LAKE_CELLS).subscribe({
          next: ({ share, grid }) => {
            this.share.set(grid ? null : share);
            if (grid) this.grid.set(grid);
          },
          error: () => this.share.set(null),
        }),
      );
      onCleanup(() => this.run?.unsubscribe());
    });
  }

  protected fish(): void {
    const [one, grid, lake] = [this.stand(), this.grid(), this.lake()?.lake];
    const cast = one?.stand.casts.at(-1);
    if (!one || !grid || !lake || !cast) return;
    const bottomM = depthAt(grid, cast.to) ?? cast.deepestM;
    const band = this.advice()?.band;
    this.store.fishStill(
      `${lake.name}, stand ${this.at() + 1}`,
      band ? Math.min(bottomM, (band.fromM + band.toM) / 2) : bottomM,
    );
  }
}
