import { Component, inject, signal, viewChild } from '@angular/core';
import { KeysDialogComponent } from '../parts/dialogs/keys-dialog.component';
import { SegmentsComponent } from '../parts/fields/segments.component';
import { UndoRedoComponent } from '../shared/documents/undo-redo.component';
import { CastsPanelComponent } from './casts-panel.component';
import { LoopPanelComponent } from './loop/loop-panel.component';
import { LoopSignsComponent } from './loop/loop-signs.component';
import { narrowWindow } from '../parts/narrow';
import { LoopStore } from './loop/loop-store';
import { PausePanelComponent } from './pause/pause-panel.component';
import { screenKey } from '../parts/dialogs/screen-key';

const PARTS = [
  { value: 'loop', text: 'Loop' },
  { value: 'pause', text: 'Pause' },
  { value: 'casts', text: 'Casts' },
] as const;
type Part = (typeof PARTS)[number]['value'];

const KEYS = [
  ['Space', 'play, stop'],
  ['L', 'loop'],
  ['P', 'pause'],
  ['C', 'casts'],
  ['Ctrl Z', 'undo, with Shift redo'],
  ['?', 'these keys'],
] as const;

/** The Cast bench: from the way of the tip to the loop, the pause a line needs, and the casts there are. */
@Component({
  selector: 'doceo-cast-page',
  imports: [
    CastsPanelComponent,
    KeysDialogComponent,
    LoopPanelComponent,
    LoopSignsComponent,
    PausePanelComponent,
    SegmentsComponent,
    UndoRedoComponent,
  ],
  providers: [LoopStore],
  template: `
    <div [class.bench]="part() === 'loop'">
      <section class="bench-main">
        <header class="row">
          <h1>Cast</h1>
          <doceo-segments label="" [options]="parts" [value]="part()" (chosen)="part.set($event)" />
          <span class="spread"></span>
          @if (part() === 'loop') {
            <doceo-undo-redo [of]="store" />
          }
          <button
            type="button"
            class="btn small for-keys"
            aria-label="Keys of this bench"
            (click)="keysShown.set(true)"
          >
            ?
          </button>
        </header>
        @switch (part()) {
          @case ('loop') {
            <doceo-loop-panel />
          }
          @case ('pause') {
            <doceo-pause-panel />
          }
          @case ('casts') {
            <doceo-casts-panel />
          }
        }
      </section>
      @if (part() === 'loop' && (!narrow() || store.begun())) {
        <aside class="bench-side"><doceo-loop-signs /></aside>
      }
    </div>
    @if (keysShown()) {
      <doceo-keys-dialog [keys]="keys" (closed)="keysShown.set(false)" />
    }
  `,
  styles: `
    :host {
      display: block;
      height: 100%;
    }
    .bench-main {
      padding-top: 10px;
    }
    header {
      margin-bottom: 8px;
    }
  `,
  host: { '(window:keydown)': 'key($event)' },
})
export class CastPage {
  protected readonly store = inject(LoopStore);
  /** The signs lie below the cast, and not beside it. */
  protected readonly narrow = narrowWindow(900);
  protected readonly parts = PARTS;
  protected readonly keys = KEYS;
  protected readonly part = signal<Part>('loop');
  protected readonly keysShown = signal(false);
  private readonly loop = viewChild(LoopPanelComponent);

  protected key(event: KeyboardEvent): void {
    const pressed = screenKey(event);
    if (!pressed) return;
    const acts: Record<string, () => void> = {
      l: () => this.part.set('loop'),
      p: () => this.part.set('pause'),
      c: () => this.part.set('casts'),
      '?': () => this.keysShown.set(true),
      ...(pressed.onControl ? {} : { ' ': () => this.loop()?.player.toggle() }),
    };
    const act = acts[event.key.toLowerCase()];
    if (!act) return;
    event.preventDefault();
    act();
  }
}
