import { Component, computed, input, linkedSignal, output } from '@angular/core';
import { type Drawn, formatLength, METRES_PER_FOOT, moveCorner, type UnitSystem } from '@doceo/core';
import { plainLength } from '../../parts/fields/plain-length';
import { plainNumber } from '../../parts/fields/plain-number';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import type { Palette } from './palette';

type AnyPiece = Drawn<string>;

/** What a piece is, in words and figures; each field says what is wrong with it where it is typed. */
@Component({
  selector: 'doceo-piece-inspector',
  imports: [TextFieldComponent],
  template: `
    <h2>{{ kindName() }}</h2>
    <doceo-text-field label="name" [most]="80" [value]="piece().name" (changed)="rename($event)" />
    @if (palette().hasDepth(piece().kind)) {
      <doceo-text-field
        [label]="palette().hasSpeed(piece().kind) ? 'depth' : 'as deep as, or deeper'"
        name="depth"
        [figures]="true"
        [value]="depth()"
        [fault]="wrong().depth"
        (changed)="setDepth($event)"
      />
    }
    @if (palette().hasSpeed(piece().kind)) {
      <doceo-text-field
        [label]="'speed, ' + (units() === 'metric' ? 'm/s' : 'ft/s') + '; less than zero runs back'"
        name="speed"
        [figures]="true"
        [value]="speed()"
        [fault]="wrong().speed"
        (changed)="setSpeed($event)"
      />
    }
    @if (at(); as point) {
      <div class="pair">
        <doceo-text-field
          [label]="(corner() === null ? 'at' : 'corner ' + (corner()! + 1)) + ', along'"
          [figures]="true"
          [value]="length(point.x)"
          (changed)="place('x', $event)"
        />
        <doceo-text-field
          label="across"
          [figures]="true"
          [value]="length(point.y)"
          (changed)="place('y', $event)"
        />
      </div>
      @if (wrong().place; as fault) {
        <p class="wrong" role="alert">{{ fault }}</p>
      }
    }
    <div class="row">
      <button type="button" class="btn small" (click)="restacked.emit(1)">Lay above</button>
      <button type="button" class="btn small" (click)="restacked.emit(-1)">Lay below</button>
      <button type="button" class="btn small" (click)="removed.emit()">
        {{ corner() !== null && piece().shape.length > 3 ? 'Take the corner out' : 'Take it out' }}
      </button>
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
      background: var(--sheet);
      border: 1px solid var(--line);
      padding: 12px;
    }

    h2 {
      text-transform: capitalize;
    }

    .pair {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px;
    }
  `,
})
export class PieceInspectorComponent {
  readonly piece = input.required<AnyPiece>();
  readonly palette = input.required<Palette<string>>();
  readonly units = input.required<UnitSystem>();
  readonly corner = input<number | null>(null);
  readonly changed = output<(piece: AnyPiece) => AnyPiece>();
  readonly restacked = output<1 | -1>();
  readonly removed = output<void>();

  protected readonly wrong = linkedSignal<string, { depth?: string; speed?: string; place?: string }>({
    source: () => this.piece().id,
    computation: () => ({}),
  });
  protected readonly kindName = computed(
    () => this.palette().kinds.find(({ kind }) => kind === this.piece().kind)?.name ?? this.piece().kind,
  );
  protected readonly depth = computed(() => this.length(this.piece().depthM ?? 0));
  protected readonly speed = computed(() => {
    const speedMs = this.piece().speedMs ?? 0;
    return (this.units() === 'metric' ? speedMs : speedMs / METRES_PER_FOOT).toFixed(2);
  });
  /** Where the chosen corner is, or the point. */
  protected readonly at = computed(() => {
    const { shape } = this.piece();
    const corner = this.corner();
    return corner !== null ? (shape[corner] ?? null) : shape.length === 1 ? (shape[0] ?? null) : null;
  });

  protected length(metres: number): string {
    return formatLength(metres, this.units());
  }

  protected rename(name: string): void {
    this.changed.emit((piece) => ({ ...piece, name: name.trim().slice(0, 80) }));
  }

  protected setDepth(text: string): void {
    const depthM = plainLength(text, this.units());
    const fault = depthM === null ? `“${text}” is no depth` : depthM > 120 ? 'is too deep to be' : undefined;
    this.wrong.update(({ depth: _depth, ...rest }) => (fault ? { ...rest, depth: fault } : rest));
    if (!fault) this.changed.emit((piece) => ({ ...piece, depthM }));
  }

  protected setSpeed(text: string): void {
    const typed = plainNumber(text.replace('−', '-'));
    const speedMs = typed === null ? null : this.units() === 'metric' ? typed : typed * METRES_PER_FOOT;
    const fault =
      speedMs === null
        ? `“${text}” is no speed`
        : Math.abs(speedMs) > 6
          ? 'no water one fishes runs faster than 6 m/s'
          : undefined;
    this.wrong.update(({ speed: _speed, ...rest }) => (fault ? { ...rest, speed: fault } : rest));
    if (!fault) this.changed.emit((piece) => ({ ...piece, speedMs }));
  }

  protected place(axis: 'x' | 'y', text: string): void {
    const metres = plainLength(text, this.units());
    this.wrong.update(({ place: _place, ...rest }) =>
      metres === null ? { ...rest, place: `“${text}” is no length` } : rest,
    );
    if (metres === null) return;
    const corner = this.corner() ?? 0;
    this.changed.emit((piece) =>
      moveCorner(piece, corner, {
        ...(piece.shape[corner] ?? { x: 0, y: 0 }),
        [axis]: Math.round(metres * 100) / 100,
      }),
    );
  }
}
