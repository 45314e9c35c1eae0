import { Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { api } from '@doceo/contract';
import {
  type CastId,
  castAt,
  castRoom,
  CASTS,
  formatLength,
  formatRoundLength,
  momentAt,
  type Point,
  roomBehindM,
  type SuggestOptions,
} from '@doceo/core';
import { CAST_WORDS } from '@doceo/texts';
import { line as curve, curveCatmullRom } from 'd3-shape';
import { catchError, concatMap, EMPTY, map, mergeMap } from 'rxjs';
import { ApiClient } from '../data/api/api-client';
import { DayStore } from '../data/lesson/day-store';
import { SessionStore } from '../data/session';
import { MeasuredDirective } from '../drawing/measured.directive';
import { PlayRowComponent } from '../parts/playing/play-row.component';
import { Player } from '../parts/playing/player';
import { BenchRunner } from '../workers/bench-runner';
import { ChoiceFieldComponent } from '../parts/fields/choice-field.component';
import { FrameDirective } from '../drawing/frame.directive';

const ROD_M = 2.74;
const LINE_M = 7;
/** The trees drawn behind, metres. */
const TREE_M = 4.5;

/** Of each beat these places are looked at. */
const STANDING: SuggestOptions = {
  ...{ students: 3, wader: { heightM: 1.7, ageYears: null, hasStaff: true }, bottom: 'cobble' },
  ...{ waterC: null, rising: false, rodM: ROD_M, leaderM: 2.7 },
};

/** A place to stand, and the room behind it. */
interface Place {
  name: string;
  roomM: number;
  trees: boolean;
}

const ENTRY_TEXTS = { fly: 'fly', shot: 'shot', indicator: 'indicator', line: 'line' };

/** The casts a plan may teach: what the tip does, what comes to the water first, and the room each needs here. */
@Component({
  selector: 'doceo-casts-panel',
  imports: [ChoiceFieldComponent, FormsModule, FrameDirective, MeasuredDirective, PlayRowComponent],
  template: `
    <div class="row kinds" role="group" aria-label="Cast">
      @for (one of casts; track one.id) {
        <button
          type="button"
          class="btn small"
          [attr.aria-pressed]="one.id === id()"
          (click)="choose(one.id)"
        >
          {{ one.name }}
        </button>
      }
    </div>
    <div (doceoMeasured)="width.set($event)">
      <svg [doceoFrame]="width()" [high]="height" role="img" [attr.aria-label]="words()">
        @if (cast().seen === 'side') {
          <rect class="sky" x="0" y="0" [attr.width]="width()" [attr.height]="ground()" />
          <rect
            class="water"
            [attr.x]="waterX()"
            [attr.y]="ground()"
            [attr.width]="width()"
            [attr.height]="height"
          />
          <rect class="bank" x="0" [attr.y]="ground()" [attr.width]="waterX()" [attr.height]="height" />
          @if (trees(); as wood) {
            <rect
              class="trees"
              x="0"
              [attr.y]="wood.top"
              [attr.width]="wood.x"
              [attr.height]="ground() - wood.top"
            />
            <text class="wood" [attr.x]="wood.x - 8" [attr.y]="wood.top + 20">{{ wood.text }}</text>
          }
          <rect
            class="room"
            [attr.x]="room().x"
            [attr.y]="room().y"
            [attr.width]="room().width"
            [attr.height]="room().height"
          />
          <text class="need" [attr.x]="room().x + 6" [attr.y]="room().y + 16">{{ room().text }}</text>
          <path class="person" [attr.d]="person()" />
          <circle class="you" [attr.cx]="head().x" [attr.cy]="head().y" [attr.r]="head().r" />
        } @else {
          <rect class="water" x="0" y="0" [attr.width]="width()" [attr.height]="height" />
          <rect class="bank" x="0" [attr.y]="height - 34" [attr.width]="width()" height="34" />
          <path class="flow" [attr.d]="flow()" />
          <circle class="you" [attr.cx]="drawn().hand.x" [attr.cy]="drawn().hand.y" r="9" />
        }
        <path class="rod" [attr.d]="drawn().rod" />
        <path class="line" [attr.d]="drawn().line" />
        <circle class="fly" [attr.cx]="drawn().fly.x" [attr.cy]="drawn().fly.y" r="6" />
      </svg>
    </div>
    <doceo-play-row [player]="player" [endS]="endS()" label="Time of the cast">
      <p class="say">{{ said() }}</p>
    </doceo-play-row>
    <div class="facts">
      <div>
        <h2>When</h2>
        <p>{{ inWords().when }}</p>
        <h2>In order</h2>
        <ol>
          @for (key of cast().keys; track key.atS; let i = $index) {
            <li>
              <button type="button" [class.on]="i === moment()" (click)="player.goTo(key.atS)">
                {{ inWords().moments[i] }}
              </button>
            </li>
          }
        </ol>
      </div>
      <div>
        <h2>To the water first</h2>
        <p class="entry">
          @for (thing of entry(); track thing; let last = $last) {
            <b>{{ thing }}</b>{{ last ? '' : ' → ' }}
          }
        </p>
        <h2>Room it needs</h2>
        <p>{{ roomWords() }}</p>
        @if (placeWords(); as words) {
          <p [class.bad]="words.bad">{{ words.text }}</p>
        }
        @if (places().length > 1) {
          <doceo-choice-field
            label="Place"
            [options]="placeChoices()"
            [value]="placeAt()"
            (chosen)="placeAt.set($event)"
          />
        }
        <p class="small soft">A picture of what is meant, not computed. Look behind you before every cast.</p>
      </div>
    </div>
  `,
  styleUrl: './casts-panel.component.css',
})
export class CastsPanelComponent {
  private readonly session = inject(SessionStore);
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);
  private readonly runner = inject(BenchRunner);
  protected readonly casts = CASTS.map(({ id }) => ({ id, name: CAST_WORDS[id].name }));
  protected readonly height = 330;
  protected readonly width = signal(860);
  protected readonly id = signal<CastId>('overhead');
  protected readonly placeAt = signal(0);
  protected readonly placeChoices = computed(() =>
    this.places().map(({ name }, at) => ({ value: at, text: name })),
  );

  protected readonly cast = computed(() => CASTS.find(({ id }) => id === this.id())!);
  protected readonly endS = computed(() => this.cast().keys.at(-1)!.atS);
  protected readonly player = new Player(this.endS);
  protected readonly now = computed(() => castAt(this.cast(), this.player.atS()));
  protected readonly inWords = computed(() => CAST_WORDS[this.id()]);
  protected readonly moment = computed(() => momentAt(this.cast(), this.player.atS()));
  protected readonly said = computed(() => this.inWords().moments[this.moment()] ?? '');
  protected readonly entry = computed(() => this.cast().entry.map((thing) => ENTRY_TEXTS[thing]));

  protected readonly places = signal<Place[]>([]);
  private readonly place = computed(() => this.places()[this.placeAt()] ?? null);
  private readonly need = computed(() => castRoom(this.id(), LINE_M, ROD_M));

  private readonly pxPerM = computed(() => Math.min(this.width() / 21, (this.height - 30) / 9.4));
  private readonly x = computed(() => {
    const middle = this.width() * (this.cast().seen === 'side' ? 0.46 : 0.4);
    return (metres: number): number => middle + metres * this.pxPerM();
  });
  protected readonly ground = computed(() => this.height - 24);
  private readonly y = computed(() => {
    const base = this.cast().seen === 'side' ? this.ground() : this.height - 22;
    return (metres: number): number => base - metres * this.pxPerM();
  });
  protected readonly waterX = computed(() => this.x()(0.9));
  protected readonly trees = computed(() => {
    const place = this.place();
    if (!place?.trees) return null;
    return {
      x: Math.max(0, this.x()(-place.roomM)),
      top: this.y()(TREE_M),
      text: `trees, ${this.length(place.roomM)} behind`,
    };
  });
  protected readonly room = computed(() => {
    const { behindM, aboveM } = this.need();
    const x = Math.max(0, this.x()(-behindM));
    const y = Math.max(0, this.y()(aboveM));
    return {
      ...{ x, y },
      width: Math.max(0, this.x()(0) - x),
      height: this.ground() - y,
      text: behindM > 3 ? `${this.length(behindM)} behind` : '',
    };
  });
  protected readonly person = computed(() => {
    const [x, y] = [this.x(), this.y()];
    const { hand } = this.now();
    return `M${x(0)} ${y(0)}L${x(0)} ${y(0.85)}L${x(0)} ${y(1.4)}L${x(hand.x)} ${y(hand.y)}`;
  });
  protected readonly head = computed(() => ({ x: this.x()(0), y: this.y()(1.64), r: 0.15 * this.pxPerM() }));
  protected readonly flow = computed(() => {
    const y = this.y()(7.6);
    return `M${this.width() - 130} ${y}h96m-9 -6l9 6l-9 6`;
  });
  private readonly path = curve<Point>()
    .x(({ x }) => this.x()(x))
    .y(({ y }) => this.y()(y))
    .curve(curveCatmullRom.alpha(0.5));
  protected readonly drawn = computed(() => {
    const { hand, tip, line } = this.now();
    const [x, y] = [this.x(), this.y()];
    const end = line.at(-1)!;
    return {
      hand: { x: x(hand.x), y: y(hand.y) },
      rod: `M${x(hand.x)} ${y(hand.y)}L${x(tip.x)} ${y(tip.y)}`,
      line: this.path(line) ?? '',
      fly: { x: x(end.x), y: y(end.y) },
    };
  });
  protected readonly words = computed(
    () =>
      `${this.inWords().name}, ${this.cast().seen === 'side' ? 'from the side' : 'from above'}: ${this.said()}`,
  );
  protected readonly roomWords = computed(() => {
    const { behindM, aboveM } = this.need();
    return `With ${formatRoundLength(LINE_M, this.session.units())} of line: ${this.length(behindM)} behind you and ${this.length(aboveM)} above the ground.`;
  });
  protected readonly placeWords = computed(() => {
    const place = this.place();
    if (!place) return null;
    const { behindM } = this.need();
    const room = this.length(place.roomM);
    if (place.roomM >= behindM) return { bad: false, text: `${place.name} has ${room} behind: room enough.` };
    return place.trees
      ? {
          bad: true,
          text: `${place.name} has ${room} to the trees: too little. Roll, water-load or bow-and-arrow.`,
        }
      : { bad: false, text: `${place.name}: the drawing ends ${room} behind; look yourself.` };
  });

  constructor() {
    const water = this.day.water();
    if (water && ['river', 'brook'].includes(water.water.kind))
      this.client
        .call(api.waters.beats, { params: { id: water.id } })
        .pipe(
          mergeMap((beats) => beats),
          concatMap(({ beat }) =>
            this.runner.runOfMany('stands', beat, STANDING).pipe(
              map((stands) =>
                stands.map((stand, i) => ({
                  name: `${beat.name}, ${i + 1}: ${stand.lie.what}`,
                  ...roomBehindM(beat, stand.at, stand.lie.at),
                })),
              ),
            ),
          ),
          // Without a drawn beat the room is told, and not compared.
          catchError(() => EMPTY),
          takeUntilDestroyed(),
        )
        .subscribe((places) => this.places.update((list) => [...list, ...places]));
  }

  protected choose(id: CastId): void {
    this.id.set(id);
    this.player.goTo(0);
    this.player.play();
  }

  private length(metres: number): string {
    return formatLength(metres, this.session.units());
  }
}
