import { Component, computed, inject } from '@angular/core';
import { formatLength, formatRoundLength, formatWind, type StrokeKind } from '@doceo/core';
import { SessionStore } from '../../data/session';
import { SlidersComponent } from '../../parts/fields/sliders.component';
import { narrowWindow } from '../../parts/narrow';
import { PlayRowComponent } from '../../parts/playing/play-row.component';
import { Player } from '../../parts/playing/player';
import { LoopGalleryComponent } from './loop-gallery.component';
import { LoopStore } from './loop-store';
import { LoopViewComponent } from './loop-view.component';
import { TipBoardComponent } from './tip-board.component';

/** Loops are quick: they are shown at this share of their speed. */
const SLOW = 0.3;
const SLIDERS = [
  { name: 'lineM', text: 'Line out', min: 5, max: 14, step: 0.5 },
  { name: 'speedMs', text: 'Tip at the stop', min: 8, max: 30, step: 1 },
  { name: 'rodM', text: 'Rod', min: 2.1, max: 3.3, step: 0.1 },
  { name: 'weight', text: 'Line weight', min: 2, max: 9, step: 1 },
  { name: 'windMs', text: 'Wind', min: -6, max: 8, step: 1 },
] as const;
type SliderName = (typeof SLIDERS)[number]['name'];

/** From the way of the tip to the loop: choose or draw a path, and see what line does. */
@Component({
  selector: 'doceo-loop-panel',
  imports: [PlayRowComponent, SlidersComponent, LoopGalleryComponent, LoopViewComponent, TipBoardComponent],
  template: `
    @if (store.stopped()) {
      <p class="wrong" role="alert">That cast could not be worked out; the last good one is shown.</p>
    }
    @if (store.ran(); as ran) {
      <doceo-loop-view
        [stroke]="store.stroke()"
        [run]="ran.run"
        [lineM]="store.settings().lineM"
        [tipHeightM]="store.settings().rodM + 0.3"
        [atS]="player.atS()"
        (shown)="store.show($event && { kind: 'own', points: $event })"
        (edited)="store.edit({ kind: 'own', points: $event })"
      />
      @if (narrow()) {
        <doceo-tip-board
          class="tip-board"
          [stroke]="store.stroke()"
          (shown)="store.show($event && { kind: 'own', points: $event })"
          (edited)="store.edit({ kind: 'own', points: $event })"
        />
      }
    } @else if (!store.stopped()) {
      <p class="soft" role="status">Throwing the line …</p>
    }
    @if (store.begun()) {
      <doceo-play-row [player]="player" [endS]="endS()" label="Time of the cast">
        <b class="figure">{{ player.atS().toFixed(2) }} s</b>
        <button
          type="button"
          class="btn small"
          [attr.aria-pressed]="player.pace() < 1"
          (click)="player.pace.set(player.pace() < 1 ? 1 : slow)"
        >
          {{ player.pace() < 1 ? 'full speed' : 'slowly' }}
        </button>
      </doceo-play-row>
      <doceo-sliders [sliders]="sliders()" (slid)="set($event.name, $event.value)" />
      <p class="small soft">
        Drag the points of the path{{ narrow() ? '' : ', or move them with the arrow keys' }}.
      </p>
      <h2>Ways of the tip</h2>
      <doceo-loop-gallery [kind]="store.settings().kind" (chosen)="choose($event)" />
    }
  `,
  styles: `
    .tip-board {
      display: block;
      margin-top: 8px;
    }
    h2 {
      margin: 10px 0 6px;
    }
  `,
})
export class LoopPanelComponent {
  protected readonly store = inject(LoopStore);
  private readonly session = inject(SessionStore);
  protected readonly narrow = narrowWindow();
  protected readonly slow = SLOW;
  protected readonly endS = computed(() => this.store.ran()?.run.frames.at(-1)?.atS ?? 2);
  readonly player = new Player(this.endS);
  protected readonly sliders = computed(() => {
    const settings = this.store.settings();
    const units = this.session.units();
    const texts: Record<SliderName, string> = {
      lineM: formatRoundLength(settings.lineM, units),
      speedMs: formatWind(settings.speedMs, units),
      rodM: formatLength(settings.rodM, units),
      weight: `${settings.weight}`,
      windMs:
        settings.windMs === 0
          ? 'calm'
          : `${formatWind(Math.abs(settings.windMs), units)} ${settings.windMs > 0 ? 'against' : 'behind'}`,
    };
    return SLIDERS.map((slider) => ({ ...slider, at: settings[slider.name], value: texts[slider.name] }));
  });

  constructor() {
    this.player.pace.set(SLOW);
    this.player.goTo(0.55);
  }

  protected choose(kind: StrokeKind): void {
    this.store.choose(kind);
    this.player.atS.set(0);
    this.player.play();
  }

  protected set(name: SliderName, value: number): void {
    this.store.edit({ [name]: value });
  }
}
