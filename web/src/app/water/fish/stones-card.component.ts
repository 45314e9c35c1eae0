import { Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { STONE_KINDS, type StoneCount, stoneFood, type StoneKind } from '@doceo/core';
import { STONE_FOOD_TEXTS } from '@doceo/texts';
import { CreaturePictureComponent } from '../../drawing/creature-picture.component';
import { SegmentsComponent } from '../../parts/fields/segments.component';
import { COLOUR_WORDS, WEIGHT_WORDS } from '../../shared/fly-box/fly-words';
import { DayStore } from '../../data/lesson/day-store';
import { WaterStore } from '../water-store';

const PLACES = 3;
const MAX = 200;

/** Stones turned in three places: how much food there is, and which types of fly stand for it. */
@Component({
  selector: 'doceo-stones-card',
  imports: [CreaturePictureComponent, RouterLink, SegmentsComponent],
  template: `
    <h2>Stones turned</h2>
    <p class="small soft">
      Three places, knee deep at most; count, put the stones back.
      @if (fromBank() > 0) {
        {{ fromBank() }} {{ fromBank() === 1 ? 'count' : 'counts' }} of the log of this lesson are in it.
      }
    </p>
    <div class="beside">
      <div>
        <doceo-segments label="" [options]="placeChoices()" [value]="place()" (chosen)="place.set($event)" />
        <div class="tiles">
          @for (kind of kinds; track kind) {
            <div class="tile" [class.found]="count(place(), kind) > 0">
              <button type="button" class="more" (click)="add(place(), kind, 1)">
                <doceo-creature-picture [of]="kind" />
                <span>{{ kind }}</span>&ngsp;<b class="figure">{{ count(place(), kind) }}</b
                ><span class="visually-hidden">, one more in place {{ place() + 1 }}</span>
              </button>
              @if (count(place(), kind) > 0) {
                <button
                  type="button"
                  class="less"
                  [attr.aria-label]="'One ' + kind + ' less in place ' + (place() + 1)"
                  (click)="add(place(), kind, -1)"
                >
                  −
                </button>
              }
            </div>
          }
        </div>
      </div>
      <div>
        @if (found().kinds > 0) {
          <p class="index">
            <b class="figure">{{ found().index }}</b> of 100, {{ amount() }}:
            {{ found().perPlace.toFixed(1) }} a place, {{ found().kinds }}
            {{ found().kinds === 1 ? 'kind' : 'kinds' }}.
            @if (found().tooFew) {
              <span class="soft">Fewer than three places tell little.</span>
            }
          </p>
          <ol>
            @for (fly of found().flies; track fly.food) {
              <li>
                <span class="bar"><i [style.width.%]="fly.share * 100"></i></span>
                <b>{{ fly.food }} {{ fly.stage }}</b
                >, {{ colours[fly.colour] }}, {{ weights[fly.weight] }},
                <span class="figure">#{{ fly.largest }}–{{ fly.smallest }}</span>
              </li>
            }
          </ol>
          <div class="row">
            <a class="btn small" routerLink="/rig/flies">To the fly box</a>
            <button type="button" class="btn small" (click)="counts.set([])">Start again</button>
          </div>
        } @else {
          <p class="soft">
            Nothing is counted yet. What lives under the stones chooses the fly: shape, then size, then
            colour.
          </p>
        }
      </div>
    </div>
  `,
  styles: `
    .beside {
      display: grid;
      grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
      gap: 8px 26px;
      margin-top: 6px;
    }

    .tiles {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
      gap: 6px;
      margin-top: 8px;
    }

    .tile {
      position: relative;
      display: grid;
      border: 1.5px solid var(--line);
      border-radius: 4px;
      background: var(--sheet);
    }

    .tile.found {
      border-color: var(--ink);
    }

    .more,
    .less {
      border: 0;
      background: transparent;
      font: inherit;
      color: var(--ink);
      cursor: pointer;
    }

    .more {
      display: grid;
      grid-template-columns: 1fr auto;
      justify-items: start;
      align-items: end;
      gap: 2px 6px;
      padding: 6px 9px;
    }

    .more doceo-creature-picture {
      grid-column: 1 / 3;
    }

    .more b {
      font-size: 19px;
      line-height: 1;
    }

    .less {
      position: absolute;
      top: 0;
      right: 0;
      width: 44px;
      height: 44px;
      font-weight: 700;
      font-size: 20px;
    }

    .index b {
      font-size: 26px;
    }

    ol {
      margin: 8px 0;
      padding: 0;
      list-style: none;
    }

    li {
      padding: 3px 0;
    }

    .bar {
      display: block;
      background: var(--track);
      height: 8px;
    }

    i {
      display: block;
      height: 100%;
      background: var(--water);
    }

    @media (max-width: 900px) {
      .beside {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class StonesCardComponent {
  private readonly day = inject(DayStore);
  private readonly store = inject(WaterStore);

  protected readonly kinds = STONE_KINDS;
  protected readonly place = signal(0);
  protected readonly placeChoices = computed(() =>
    this.places.map((place) => {
      const found = Object.values(this.counts()[place] ?? {}).reduce((sum, count) => sum + count, 0);
      return { value: place, text: `place ${place + 1}${found > 0 ? `: ${found}` : ''}` };
    }),
  );
  protected readonly places = Array.from({ length: PLACES }, (_, i) => i);
  protected readonly weights = WEIGHT_WORDS;
  protected readonly colours = COLOUR_WORDS;
  protected readonly counts = signal<StoneCount[]>([]);
  /** What the bank book has of the chosen lesson. */
  private readonly banked = computed<StoneCount[]>(() => {
    const lesson = this.day.lesson();
    if (!lesson || lesson.waterId !== this.store.saved()?.id) return [];
    return this.day
      .events()
      .flatMap(({ lessonId, body }) =>
        lessonId === lesson.id && body.kind === 'stones' ? [body.counts] : [],
      );
  });
  protected readonly fromBank = computed(() => this.banked().length);
  protected readonly found = computed(() => {
    const typed = this.counts().filter((place) => Object.values(place).some((count) => count > 0));
    return stoneFood([...this.banked(), ...typed]);
  });
  protected readonly amount = computed(() => STONE_FOOD_TEXTS[this.found().amount]);

  protected count(place: number, kind: StoneKind): number {
    return this.counts()[place]?.[kind] ?? 0;
  }

  protected add(place: number, kind: StoneKind, by: number): void {
    this.counts.update((all) =>
      this.places.map((i) => {
        const one = all[i] ?? {};
        return i === place ? { ...one, [kind]: Math.min(MAX, Math.max(0, (one[kind] ?? 0) + by)) } : one;
      }),
    );
  }
}
