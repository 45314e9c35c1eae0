import {
  Component,
  computed,
  ElementRef,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  viewChild,
} from '@angular/core';
import {
  type Drawn,
  dropCorner,
  formatLength,
  formatRoundLength,
  moveCorner,
  type Point,
  restackPiece,
  type Sheet,
  shiftPiece,
  snapPoint,
  splitSide,
  type UnitSystem,
  withoutPiece,
  withPiece,
} from '@doceo/core';
import { type Drag, DragDirective } from '../../drawing/drag.directive';
import { narrowWindow } from '../../parts/narrow';
import { pathOf } from '../../shared/water/board/paths';
import type { Palette } from './palette';
import { Pen } from './pen';
import { gridLinesOf, type Handles, handlesOf, scaleBarOf } from './sheet-picture';
import { KindMarkComponent, POINT_MARKS, SURFACES } from './kind-mark.component';
import { type TracePicture, TracePictureComponent } from './trace-picture.component';
import { PieceInspectorComponent } from './piece-inspector.component';
import { ScaleBarComponent } from '../../shared/water/board/scale-bar.component';

type AnySheet = Sheet<string>;
type AnyPiece = Drawn<string>;

/** Letters along the sheet, and on a phone. */
const LETTERS = 66;
const LETTERS_NARROW = 28;
/** A corner is caught from so many letters away. */
const CATCH_LETTERS = 0.8;
const FAR_STEPS = 10;
const ARROWS: Record<string, Point> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

/** A sheet of water to draw on, by mouse, finger and keys: corners snap to the grid and to each other. */
@Component({
  selector: 'doceo-sheet-editor',
  imports: [
    ScaleBarComponent,
    DragDirective,
    KindMarkComponent,
    PieceInspectorComponent,
    TracePictureComponent,
  ],
  templateUrl: './sheet-editor.component.html',
  styleUrls: ['../../shared/water/board/board.css', './kind-looks.css', './sheet-editor.component.css'],
})
export class SheetEditorComponent {
  readonly sheet = input.required<AnySheet>();
  readonly palette = input.required<Palette<string>>();
  readonly units = input.required<UnitSystem>();
  /** Distances between points of the grid, metres; the first is taken at the start. */
  readonly steps = input.required<readonly number[]>();
  /** Pieces with a fault, by id. */
  readonly faulty = input<ReadonlySet<string>>(new Set());
  readonly edited = output<AnySheet>();

  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('board');
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly step = linkedSignal(() => this.steps()[0] ?? 0.5);
  /** What is traced; it is not kept. */
  protected readonly under = signal<TracePicture | null>(null);
  protected readonly marks = POINT_MARKS;
  protected readonly surfaces = computed(() =>
    this.palette().kinds.flatMap(({ kind }) => (SURFACES[kind] ? [{ kind, path: SURFACES[kind] }] : [])),
  );
  protected readonly scale = computed(() => scaleBarOf(this.sheet(), this.units()));
  protected readonly pen = new Pen();
  protected readonly chosenId = signal<string | null>(null);
  protected readonly corner = signal<number | null>(null);
  private readonly moved = signal<AnyPiece | null>(null);

  /** The sheet with the drag that is under way. */
  protected readonly shown = computed<AnySheet>(() => {
    const [sheet, moved] = [this.sheet(), this.moved()];
    return moved ? withPiece<string, AnySheet>(sheet, moved.id, () => moved) : sheet;
  });
  private readonly narrow = narrowWindow();
  protected readonly letter = computed(
    () => this.sheet().lengthM / (this.narrow() ? LETTERS_NARROW : LETTERS),
  );
  protected readonly box = computed(() => {
    const { lengthM, widthM } = this.sheet();
    const edge = this.letter();
    return `${-edge} ${-edge} ${lengthM + 2 * edge} ${widthM + 2 * edge}`;
  });
  protected readonly pieces = computed(() =>
    this.shown().pieces.map((piece) => ({
      ...piece,
      point: this.palette().isPoint(piece.kind),
      path: pathOf(piece.shape),
      look: this.palette().look(piece.kind, piece.depthM),
      textured: Boolean(SURFACES[piece.kind]),
      at: piece.shape[0] as Point,
      words: this.wordsOf(piece),
    })),
  );
  protected readonly chosen = computed(
    () => this.shown().pieces.find(({ id }) => id === this.chosenId()) ?? null,
  );
  /** Of the chosen area; a point has none. */
  protected readonly handles = computed<Handles>(() => {
    const piece = this.chosen();
    return piece && !this.palette().isPoint(piece.kind)
      ? handlesOf(piece, this.units())
      : { corners: [], middles: [] };
  });
  protected readonly gridLines = computed(() => gridLinesOf(this.sheet(), this.step()));
  protected readonly help = computed(() => {
    const kind = this.pen.kind();
    if (!kind)
      return 'Choose a piece to move or change it, or a kind to draw. Arrow keys move, Delete takes out.';
    return this.palette().isPoint(kind)
      ? `Put the ${this.nameOf(kind)} down with a tap, or with arrow keys and Enter. Escape leaves.`
      : `Corners of the ${this.nameOf(kind)}: tap each, the first one again to close; or arrow keys, Space for a corner, Enter to close. Escape leaves.`;
  });

  /** A line of depth is told by its depth, whatever it is called. */
  private wordsOf({ kind, name, depthM }: AnyPiece): string {
    const told = kind === 'contour' && depthM !== null ? formatLength(depthM, this.units()) : name;
    return `${this.nameOf(kind)} ${told}`.trim();
  }

  protected nameOf(kind: string): string {
    return this.palette().kinds.find((one) => one.kind === kind)?.name ?? kind;
  }

  protected draw(kind: string): void {
    const again = this.pen.kind() === kind;
    this.pen.lay();
    if (again) return;
    this.chosenId.set(null);
    this.corner.set(null);
    const { lengthM, widthM } = this.sheet();
    this.pen.take(kind, this.snapped({ x: lengthM / 2, y: widthM / 2 }));
    this.svg().nativeElement.focus();
  }

  protected hover(event: PointerEvent): void {
    if (this.pen.kind()) this.pen.moveTo(this.snapped(this.placeOf(event.clientX, event.clientY)));
  }

  protected tap(event: MouseEvent): void {
    if (!this.pen.kind()) {
      if (event.target === this.svg().nativeElement) this.select(null);
      return;
    }
    this.putCorner(this.snapped(this.placeOf(event.clientX, event.clientY)));
  }

  protected tapPiece(event: Event, id: string): void {
    if (this.pen.kind()) return;
    event.stopPropagation();
    this.select(id);
  }

  protected stepText(metres: number): string {
    return metres < 1 ? formatLength(metres, this.units()) : formatRoundLength(metres, this.units());
  }

  protected select(id: string | null): void {
    this.chosenId.set(id);
    this.corner.set(null);
  }

  protected dragPiece({ phase, dx, dy }: Drag, id: string): void {
    const piece = this.sheet().pieces.find((one) => one.id === id);
    if (!piece || this.pen.kind()) return;
    if (phase === 'start') this.select(id);
    const scale = this.metresPerPixel();
    const first = piece.shape[0] as Point;
    const to = this.snapped({ x: first.x + dx * scale, y: first.y + dy * scale }, []);
    this.settle(phase, shiftPiece(this.sheet(), piece, { x: to.x - first.x, y: to.y - first.y }));
  }

  protected dragCorner({ phase, x, y }: Drag, corner: number): void {
    const piece = this.sheet().pieces.find(({ id }) => id === this.chosenId());
    if (!piece) return;
    this.corner.set(corner);
    this.settle(
      phase,
      moveCorner(piece, corner, this.snapped(this.placeOf(x, y), this.cornersBut(piece.id))),
    );
  }

  protected split(corner: number): void {
    this.change((piece) => splitSide(piece, corner));
    this.corner.set(corner + 1);
  }

  protected change(edit: (piece: AnyPiece) => AnyPiece): void {
    const id = this.chosenId();
    if (id) this.edited.emit(withPiece<string, AnySheet>(this.sheet(), id, edit));
  }

  protected restack(by: 1 | -1): void {
    const id = this.chosenId();
    if (id) this.edited.emit(restackPiece<string, AnySheet>(this.sheet(), id, by));
  }

  protected remove(): void {
    const [id, corner, piece] = [this.chosenId(), this.corner(), this.chosen()];
    if (!id || !piece) return;
    if (corner !== null && piece.shape.length > 3) {
      this.change((one) => dropCorner(one, corner));
      this.corner.set(null);
      return;
    }
    this.select(null);
    this.edited.emit(withoutPiece<string, AnySheet>(this.sheet(), id));
  }

  protected key(event: KeyboardEvent): void {
    const arrow = ARROWS[event.key];
    const done = arrow ? this.arrow(arrow, event.shiftKey) : this.command(event.key);
    if (!done) return;
    event.preventDefault();
    event.stopPropagation();
  }

  private command(key: string): boolean {
    if (key === 'Escape' && (this.pen.kind() || this.chosenId())) {
      if (this.pen.kind()) this.pen.lay();
      else this.select(null);
      return true;
    }
    const at = this.pen.cursor();
    if (this.pen.kind() && at) {
      if (key === ' ') this.putCorner(at);
      else if (key === 'Enter') this.finish();
      else if (key === 'Backspace') this.pen.takeBack();
      else return false;
      return true;
    }
    if ((key === 'Delete' || key === 'Backspace') && this.chosenId()) {
      this.remove();
      return true;
    }
    return false;
  }

  private arrow({ x, y }: Point, far: boolean): boolean {
    const by = this.step() * (far ? FAR_STEPS : 1);
    if (this.pen.kind()) {
      const at = this.pen.cursor();
      if (at) this.pen.moveTo(this.snapped({ x: at.x + x * by, y: at.y + y * by }, []));
      return true;
    }
    const corner = this.corner();
    if (!this.chosenId()) return false;
    this.change((piece) => {
      const at = corner === null ? null : piece.shape[corner];
      return at && corner !== null
        ? moveCorner(
            piece,
            corner,
            snapPoint(this.sheet(), { x: at.x + x * by, y: at.y + y * by }, { stepM: 0.01 }),
          )
        : shiftPiece(this.sheet(), piece, { x: x * by, y: y * by });
    });
    return true;
  }

  private putCorner(at: Point): void {
    const kind = this.pen.kind();
    if (!kind) return;
    if (this.palette().isPoint(kind)) return this.add(kind, [at]);
    if (this.pen.put(at)) this.finish();
  }

  private finish(): void {
    const kind = this.pen.kind();
    if (!kind) return;
    if (this.palette().isPoint(kind)) this.add(kind, [this.pen.cursor() as Point]);
    else if (this.pen.canClose()) this.add(kind, [...this.pen.corners()]);
  }

  private add(kind: string, shape: Point[]): void {
    const piece: AnyPiece = {
      id: crypto.randomUUID(),
      kind,
      name: this.nameOf(kind),
      shape,
      ...this.palette().start(kind),
    };
    this.pen.lay();
    this.edited.emit({ ...this.sheet(), pieces: [...this.sheet().pieces, piece] });
    this.select(piece.id);
  }

  private settle(phase: Drag['phase'], piece: AnyPiece): void {
    if (phase !== 'end') return this.moved.set(phase === 'cancel' ? null : piece);
    this.moved.set(null);
    this.edited.emit(withPiece<string, AnySheet>(this.sheet(), piece.id, () => piece));
  }

  private cornersBut(id: string | null): Point[] {
    return this.sheet().pieces.flatMap((piece) => (piece.id === id ? [] : piece.shape));
  }

  private snapped(at: Point, corners = [...this.cornersBut(null), ...this.pen.corners()]): Point {
    return snapPoint(this.sheet(), at, {
      stepM: this.step(),
      corners,
      nearM: this.letter() * CATCH_LETTERS,
    });
  }

  private metresPerPixel(): number {
    const width = this.svg().nativeElement.getBoundingClientRect().width || 1;
    return (this.sheet().lengthM + 2 * this.letter()) / width;
  }

  private placeOf(x: number, y: number): Point {
    const { left, top } = this.svg().nativeElement.getBoundingClientRect();
    const scale = this.metresPerPixel();
    return { x: (x - left) * scale - this.letter(), y: (y - top) * scale - this.letter() };
  }

  /** Puts the focus on a handle, for keys. */
  protected focusCorner(corner: number): void {
    this.corner.set(corner);
    this.host.querySelector<SVGElement>(`[data-corner="${corner}"]`)?.focus();
  }
}
