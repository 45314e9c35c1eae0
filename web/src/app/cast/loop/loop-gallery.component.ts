import { Component, inject, input, output, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { type Curriculum, type LoopRun, type StrokeKind, STROKES, strokeOf, DEFAULT_LOOP } from '@doceo/core';
import { catchError, concatMap, EMPTY, from, map } from 'rxjs';
import { BenchRunner } from '../../workers/bench-runner';
import { STROKE_TEXTS } from '../cast-texts';
import { TeachingStore } from '../../data/teaching/teaching-store';

/** When the picture is taken, seconds after the stop; and the piece of air it shows, metres. */
const AFTER_S = 0.38;
const AIR = { left: -3, top: 1.2, width: 10.4, height: 4.5 };
const WATER = DEFAULT_LOOP.tipHeightM;

interface Tile {
  kind: StrokeKind;
  text: string;
  line: string;
  tip: { x: number; y: number };
  says: string;
}

/** All ways of the tip beside each other at the same moment, with nine metres of line: cause and effect at a glance. */
@Component({
  selector: 'doceo-loop-gallery',
  template: `
    <div class="tiles">
      @for (tile of tiles(); track tile.kind) {
        <button type="button" [attr.aria-pressed]="tile.kind === kind()" (click)="chosen.emit(tile.kind)">
          <b>{{ tile.text }}</b>
          <svg viewBox="${AIR.left} ${-AIR.top} ${AIR.width} ${AIR.height}" aria-hidden="true">
            <rect class="water" x="${AIR.left}" y="${WATER}" width="${AIR.width}" height="1" />
            <path class="line" [attr.d]="tile.line" />
            <circle [attr.cx]="tile.tip.x" [attr.cy]="tile.tip.y" r="0.14" />
          </svg>
          <span>{{ tile.says }}</span>
        </button>
      }
    </div>
  `,
  styles: `
    .tiles {
      display: grid;
      grid-template-columns: repeat(4, minmax(0, 1fr));
      gap: 8px;
      min-height: 280px;
    }
    button {
      all: unset;
      box-sizing: border-box;
      cursor: pointer;
      background: var(--sheet);
      border: 1.5px solid var(--line);
      padding: 5px 9px 6px;
      font-size: 12.5px;
      display: grid;
    }
    button:hover {
      border-color: var(--ink-soft);
    }
    button:focus-visible {
      outline: 3px solid var(--sighter);
    }
    button[aria-pressed='true'] {
      border-color: var(--ink);
      background: #fff;
    }
    svg {
      width: 100%;
      aspect-ratio: ${AIR.width} / ${AIR.height};
      max-height: 92px;
    }
    .water {
      fill: var(--shallow);
    }
    .line {
      fill: none;
      stroke: #94a11b;
      stroke-width: 0.12;
    }
    circle {
      fill: var(--sighter);
    }
    @media (max-width: 900px) {
      .tiles {
        grid-template-columns: 1fr 1fr;
      }
    }
  `,
})
export class LoopGalleryComponent {
  private readonly teaching = inject(TeachingStore);
  readonly kind = input.required<string>();
  readonly chosen = output<StrokeKind>();
  protected readonly tiles = signal<Tile[]>([]);

  constructor() {
    const runner = inject(BenchRunner);
    from(STROKES)
      .pipe(
        concatMap((kind) =>
          runner.runOfMany('loop', { stroke: strokeOf(kind) }).pipe(
            map((run) => tileOf(this.teaching.curriculum().faults, kind, run)),
            catchError(() => EMPTY),
          ),
        ),
        takeUntilDestroyed(),
      )
      .subscribe((tile) => this.tiles.update((list) => [...list, tile]));
  }
}

function tileOf(faults: Curriculum['faults'], kind: StrokeKind, { frames, strokeS, signs }: LoopRun): Tile {
  const atS = strokeS + AFTER_S;
  const { xs, ys } = frames.reduce((best, one) =>
    Math.abs(one.atS - atS) < Math.abs(best.atS - atS) ? one : best,
  );
  const shorts = signs.faults.map((id) => faults.get(id).short.toLowerCase());
  return {
    ...{ kind, text: STROKE_TEXTS[kind].text },
    line: xs.map((x, i) => `${i ? 'L' : 'M'}${x.toFixed(2)} ${(-ys[i]!).toFixed(2)}`).join(''),
    tip: { x: xs[0]!, y: -ys[0]! },
    says: shorts.length === 0 ? 'no fault seen' : shorts.join(', '),
  };
}
