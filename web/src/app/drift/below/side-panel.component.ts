import { Component, computed, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { formatLength, LANDINGS, PROFILES, textInUnits } from '@doceo/core';
import { SessionStore } from '../../data/session';
import { plainLength } from '../../parts/fields/plain-length';
import { SegmentsComponent } from '../../parts/fields/segments.component';
import { DepthChartComponent } from './depth-chart.component';
import { SideStore } from './side-store';
import { SideViewComponent } from './side-view.component';
import { SweepMapComponent } from './sweep-map.component';
import { ChoiceFieldComponent, NamedPipe } from '../../parts/fields/choice-field.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';

const DEEPEST_M = 6;

/** Under water: the rig's own drift from the side, the figures of it, and the map of where to set the float. */
@Component({
  selector: 'doceo-side-panel',
  imports: [
    ChoiceFieldComponent,
    DepthChartComponent,
    FormsModule,
    NamedPipe,
    RouterLink,
    SegmentsComponent,
    SideViewComponent,
    SweepMapComponent,
    TextFieldComponent,
  ],
  template: `
    @if (store.failed(); as error) {
      <p class="wrong" role="alert">{{ error.message }}</p>
    }
    @if (store.stopped()) {
      <p class="wrong" role="alert">That drift could not be worked out; the last good one is shown.</p>
    }
    @if (store.ran(); as ran) {
      <doceo-side-view [drift]="ran.drift" [run]="ran.run" [atS]="atS()" [height]="250" />
      <ng-content />
      <h2>Depth of the point fly, and how far it trails</h2>
      <doceo-depth-chart [drift]="ran.drift" [run]="ran.run" [atS]="atS()" />
      <div class="controls row">
        <doceo-choice-field
          label="Rig"
          [options]="store.rigs() | named"
          [value]="store.rig()?.id"
          (chosen)="store.chooseRig($event)"
        />
        <doceo-text-field
          class="short"
          label="Depth"
          [value]="depthText()"
          [fault]="wrong() ? 'a depth from 10 cm to ' + length(deepest) : null"
          (changed)="setDepth($event)"
        />
        <doceo-segments
          label="Lands"
          [options]="landings"
          [value]="store.landing()"
          (chosen)="store.landing.set($event)"
        />
        <doceo-segments
          label="Current below"
          [options]="profiles()"
          [value]="store.profile()"
          (chosen)="store.profile.set($event)"
        />
        <doceo-segments
          label="Stones"
          [options]="stones()"
          [value]="store.stonesM()"
          (chosen)="store.stonesM.set($event)"
        />
      </div>
      <doceo-sweep-map
        [drift]="store.own()!"
        [furthestM]="store.furthestM()"
        [tried]="store.tried()"
        (chosen)="store.tried.set($event)"
      />
    } @else if (store.loaded() && store.rigs().length === 0) {
      <div class="empty">
        <h2>No rig yet</h2>
        <p>Tie one on the Rig bench; here it drifts under water, to scale.</p>
        <a class="btn go" routerLink="/rig">To the rigs</a>
      </div>
    } @else {
      <p class="soft" role="status">Working out the drift …</p>
    }
  `,
  styles: `
    .controls {
      margin: 10px 0;
      align-items: end;
      gap: 12px;
    }
    h2 {
      margin-top: 8px;
    }
    doceo-sweep-map {
      display: block;
      margin-top: 22px;
    }
    .short {
      width: 96px;
    }
  `,
})
export class SidePanelComponent {
  protected readonly store = inject(SideStore);
  private readonly session = inject(SessionStore);
  readonly atS = input.required<number>();
  protected readonly wrong = signal(false);
  protected readonly deepest = DEEPEST_M;

  protected readonly landings = LANDINGS.map((value) => ({ value, text: value }));
  protected readonly profiles = computed(() =>
    PROFILES.map((value) => ({
      value,
      text: { log: 'stony', power: 'smooth', even: 'even' }[value],
      reason: {
        log: textInUnits('law of the wall, roughness 3 mm', this.session.units()),
        power: 'a sixth power of the height',
        even: 'no shear',
      }[value],
    })),
  );
  protected readonly stones = computed(() =>
    [0, 0.1, 0.2, 0.3].map((value) => ({ value, text: value === 0 ? 'none' : this.length(value) })),
  );
  protected readonly depthText = computed(() => this.length(this.store.depthM()));
  protected setDepth(text: string): void {
    if (text === this.depthText()) return;
    const depthM = plainLength(text, this.session.units());
    const good = depthM !== null && depthM >= 0.1 && depthM <= DEEPEST_M;
    this.wrong.set(!good);
    if (good) this.store.typedDepthM.set(depthM);
  }

  protected length(metres: number): string {
    return formatLength(metres, this.session.units());
  }
}
